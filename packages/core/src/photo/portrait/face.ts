import { z } from "zod";

const point = z
  .strictObject({ x: z.number().min(-1).max(2), y: z.number().min(-1).max(2) })
  .describe(
    "A point of the upright photo, 0…1 from left and top; a little outside where the photo cuts it off",
  );

/** What is seen of a face beside where it is. */
const poseSchema = z.strictObject({
  score: z.number().min(0).max(1).describe("How sure it is that this is a face"),
  yaw: z.number().min(-180).max(180).describe("Where it looks: degrees to the right as the picture is seen"),
  pitch: z.number().min(-180).max(180).describe("Degrees upwards"),
  eyes: z
    .strictObject({ left: z.number().min(0).max(10), right: z.number().min(0).max(10) })
    .describe("How far the eyes are open: height against width"),
  mouth: z.number().min(0).max(10).describe("How far the lips are apart: height against width"),
  cut: z.boolean().describe("Whether the photo ends before the head does"),
});

/** Where a head is in a photo. Left and right are as the picture is seen. */
export const faceSchema = z.strictObject({
  crown: point.describe("The top of the head as it is seen, hair included"),
  skull: point.nullable().describe("The top of the skull where hair stands above it; null for the crown"),
  chin: point,
  leftEye: point,
  rightEye: point,
  ears: z
    .strictObject({ left: point, right: point })
    .nullable()
    .describe("The outermost points of the head at the ears, hair not included; null where nobody asked"),
  sure: z.boolean().describe("Whether it was set or looked at by a person, or found beyond doubt"),
  looked: z
    .array(z.string().max(20))
    .max(20)
    .optional()
    .describe("What a person has looked at and found right, by the name of the check"),
  pose: poseSchema.nullable().describe("What else was found of it; null for one that was set by hand"),
});

export type Face = z.infer<typeof faceSchema>;
export type FacePoint = Face["chin"];

/** The handles of a face, by the word that stands at them. */
export const FACE_HANDLES = {
  crown: "Crown",
  skull: "Skull",
  leftEye: "Left eye",
  rightEye: "Right eye",
  chin: "Chin",
  leftEar: "Left ear",
  rightEar: "Right ear",
} as const;

export type FaceHandle = keyof typeof FACE_HANDLES;

/** A handle's point, or null for one that this face does not have. */
export function pointOf(face: Face, handle: FaceHandle): FacePoint | null {
  if (handle === "leftEar") return face.ears?.left ?? null;
  if (handle === "rightEar") return face.ears?.right ?? null;
  return face[handle];
}

/** Whether two faces have every handle at the same place. */
export const sameHandles = (a: Face, b: Face): boolean =>
  (Object.keys(FACE_HANDLES) as FaceHandle[]).every((handle) => {
    const [one, other] = [pointOf(a, handle), pointOf(b, handle)];
    return one?.x === other?.x && one?.y === other?.y;
  });

/** The face with one handle elsewhere. Whoever moves a handle has looked at it. */
export function withPoint(face: Face, handle: FaceHandle, to: FacePoint): Face {
  const looked = { ...face, sure: true };
  if (handle === "leftEar" || handle === "rightEar") {
    if (!face.ears) return looked;
    const side = handle === "leftEar" ? "left" : "right";
    return { ...looked, ears: { ...face.ears, [side]: to } };
  }
  return { ...looked, [handle]: to };
}

/** A face to begin with where none was found: an upright head in the middle. */
export const middleFace = ({ width, height }: { width: number; height: number }): Face => {
  const head = Math.min(0.62, (0.75 * width) / height);
  const top = (1 - head) / 2 - 0.04;
  const eye = (head * 0.22 * height) / width;
  return {
    crown: { x: 0.5, y: top },
    skull: null,
    chin: { x: 0.5, y: top + head },
    leftEye: { x: 0.5 - eye / 1.4, y: top + head * 0.52 },
    rightEye: { x: 0.5 + eye / 1.4, y: top + head * 0.52 },
    ears: null,
    sure: false,
    pose: null,
  };
};
