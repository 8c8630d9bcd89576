import { useEffect, useRef } from "react";

/** A proved picture on a canvas. */
export function SoftProofPicture({ picture, label }: { picture: ImageBitmap | null; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const own = canvas.current;
    if (!own || !picture) return;
    own.width = picture.width;
    own.height = picture.height;
    own.getContext("2d")!.drawImage(picture, 0, 0);
  }, [picture]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      className={`max-h-full max-w-full bg-white object-contain shadow-[0_3px_14px_rgb(0_0_0/.28)] ${picture ? "" : "invisible"}`}
    />
  );
}
