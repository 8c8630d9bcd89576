import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { GUESTS, portrait, renderPhoto, RINGERS, ROOMY, type Frame, type Person } from "@wide-quilt/demo";

/** Ten people whose heads are known, because they are drawn. */
export const SITTERS: readonly Person[] = [...RINGERS, ...GUESTS];

export const EXPOSURE = {
  model: "Studio body",
  shutter: "1/125",
  aperture: 8,
  iso: 100,
  focalLength: 85,
  takenAt: "2026:09:26 10:04:31",
};

interface How {
  width?: number;
  height?: number;
  frame?: Frame;
  /** SVG that stands behind the person, in the drawing's own units, instead of a plain backdrop. */
  behind?: string;
  /** SVG that lies over everything. */
  over?: string;
}

/** Writes a portrait as a camera does: a JPEG with EXIF and grain. */
export async function sitterPhoto(
  folder: string,
  name: string,
  person: Person,
  { width = 1200, height = 1500, frame = ROOMY, behind, over = "" }: How = {},
): Promise<string> {
  const path = join(folder, name);
  const draw = (w: number, h: number) =>
    portrait(person, w, h, frame, behind).replace("</svg>", `${over}</svg>`);
  writeFileSync(path, await renderPhoto({ name, width, height, draw, exposure: EXPOSURE }));
  return path;
}
