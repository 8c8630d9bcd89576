import type { Face } from "../face.ts";
import type { PortraitStudy } from "../study.ts";

/** What is seen of a face that an office likes. */
export const STRAIGHT: NonNullable<Face["pose"]> = {
  score: 0.95,
  yaw: 0,
  pitch: 12,
  eyes: { left: 0.4, right: 0.4 },
  mouth: 0.01,
  cut: false,
};

/** A head in the middle of a photo of 3000 × 4000: 1700 px from crown to chin, 480 between the eyes. */
export const MIDDLE_HEAD: Face = {
  crown: { x: 0.5, y: 1000 / 4000 },
  skull: null,
  chin: { x: 0.5, y: 2700 / 4000 },
  leftEye: { x: 0.42, y: 1850 / 4000 },
  rightEye: { x: 0.58, y: 1850 / 4000 },
  ears: null,
  sure: true,
  pose: STRAIGHT,
};

/** A portrait that an office likes, before a background of one colour all around the head. */
export const goodStudy = (colour: string): PortraitStudy => ({
  blur: { eyes: 0.35, hair: 0.4 },
  face: { level: 60, low: 20, high: 85, burnt: 0, sides: 3 },
  red: 0,
  background: Array.from({ length: 60 }, (_, i) => {
    // Two columns at the left and two at the right, from the top down.
    const column = i % 4;
    return [colour.slice(1), [0.2, 0.26, 0.74, 0.8][column]!, 0.2 + Math.floor(i / 4) * 0.03];
  }),
});
