import { useCallback, useEffect, useState } from "react";

/** The camera of this computer, as far as it is there. */
export type CameraState =
  | { at: "asking" }
  | { at: "on"; stream: MediaStream; cameras: readonly { id: string; name: string }[]; id: string }
  | { at: "off"; why: string };

const ASKING: CameraState = { at: "asking" };

/** The most that a camera is asked for; it gives what it has. */
const MOST = { width: { ideal: 4096 }, height: { ideal: 2160 } };

/** A camera that runs while it is wanted; `wanted` is its id, or null for the one that the system prefers. */
export function useCamera(wanted: string | null): { camera: CameraState; again(): void } {
  const [camera, setCamera] = useState<CameraState>(ASKING);
  const [tries, setTries] = useState(0);
  const again = useCallback(() => {
    setCamera(ASKING);
    setTries((before) => before + 1);
  }, []);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let gone = false;
    const start = async () => {
      // Outside a secure context there is no such thing at all.
      const { mediaDevices } = navigator as { mediaDevices?: MediaDevices };
      if (!mediaDevices) return setCamera({ at: "off", why: NOT_SECURE });
      try {
        stream = await mediaDevices.getUserMedia({
          video: { ...MOST, ...(wanted !== null && { deviceId: { exact: wanted } }) },
        });
      } catch (error) {
        if (!gone) setCamera({ at: "off", why: whyNot(error) });
        return;
      }
      const track = stream.getVideoTracks()[0]!;
      if (gone) return track.stop();
      track.addEventListener("ended", () => !gone && setCamera({ at: "off", why: TAKEN_AWAY }));
      const cameras = (await mediaDevices.enumerateDevices())
        .filter(({ kind }) => kind === "videoinput")
        .map(({ deviceId, label }, i) => ({ id: deviceId, name: label || `Camera ${i + 1}` }));
      if (!gone) setCamera({ at: "on", stream, cameras, id: track.getSettings().deviceId ?? "" });
    };
    void start();
    return () => {
      gone = true;
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, [wanted, tries]);
  // One that is plugged in while there is none is taken.
  const isOff = camera.at === "off";
  useEffect(() => {
    if (!isOff) return undefined;
    const { mediaDevices } = navigator as { mediaDevices?: MediaDevices };
    mediaDevices?.addEventListener("devicechange", again);
    return () => mediaDevices?.removeEventListener("devicechange", again);
  }, [isOff, again]);
  return { camera, again };
}

const NOT_SECURE =
  "A browser gives its camera to pages of its own computer alone, or over HTTPS. Open Wide Quilt on the computer it runs on, or add the photos as files.";
const TAKEN_AWAY =
  "The camera is gone: it was unplugged, or something else took it. Plug it in again, or add the photos as files.";

function whyNot(error: unknown): string {
  switch (error instanceof DOMException ? error.name : "") {
    case "NotAllowedError":
      return "The browser was not allowed to use the camera. Allow it beside the address of this page, then try again; or add the photos as files.";
    case "NotFoundError":
    case "OverconstrainedError":
      return "There is no camera. Plug one in, watch the folder that one writes to, or add the photos as files.";
    case "NotReadableError":
      return "The camera is there, but another program has it. Close that program, then try again.";
    default:
      return `The camera could not be started (${error instanceof Error ? error.message : String(error)}). Plug it in again, or add the photos as files.`;
  }
}
