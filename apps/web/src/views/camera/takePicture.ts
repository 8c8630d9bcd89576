/** ImageCapture, where the browser has it (W3C Image Capture). */
interface Capture {
  getPhotoCapabilities(): Promise<{ imageWidth?: { max: number }; imageHeight?: { max: number } }>;
  takePhoto(settings?: { imageWidth?: number; imageHeight?: number }): Promise<Blob>;
}
const { ImageCapture } = globalThis as unknown as {
  ImageCapture?: new (track: MediaStreamTrack) => Capture;
};

/** How a camera’s pictures are taken, and how wide they are where it can take them. */
export interface Shutter {
  width: number;
  take(): Promise<Blob>;
}

/** A photo has to be so much wider than the film to be worth the wait for it. */
const WORTH = 1.1;
const QUALITY = 0.95;

/**
 * The shutter of a running camera: its photos where they are larger than its film, else pictures of the film itself, as
 * in place of a photo that it fails to take.
 */
export async function shutterOf(video: HTMLVideoElement, track: MediaStreamTrack): Promise<Shutter> {
  const film: Shutter = { width: video.videoWidth, take: () => frameOf(video) };
  if (!ImageCapture) return film;
  try {
    const capture = new ImageCapture(track);
    const { imageWidth, imageHeight } = await capture.getPhotoCapabilities();
    if (!imageWidth || !imageHeight || imageWidth.max < WORTH * video.videoWidth) return film;
    const settings = { imageWidth: imageWidth.max, imageHeight: imageHeight.max };
    return { width: imageWidth.max, take: () => capture.takePhoto(settings).catch(() => frameOf(video)) };
  } catch {
    return film;
  }
}

async function frameOf(video: HTMLVideoElement): Promise<Blob> {
  const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight);
  canvas.getContext("2d")!.drawImage(video, 0, 0);
  return canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
}
