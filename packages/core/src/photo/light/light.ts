/** Parts along the longer side of a photo that its light is known by. */
export const LIGHT_PARTS = 12;

/** Two colours, #rrggbb: the darkest and the lightest one of a part of a photo. */
export type DarkAndLight = readonly [darkest: string, lightest: string];

/**
 * How dark and how light a photo is, part by part: what words over it have to stand out from. A fiftieth of each part is left
 * out at either end, so that a glint does not count.
 */
export interface Light {
  columns: number;
  rows: number;
  /** Row by row, twelve hexadecimal digits a part: red, green and blue where it is darkest, then where it is lightest. */
  parts: string;
}

/** A part of a photo: its edges as shares of the photo, 0 … 1. */
export interface Part {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** The darkest and the lightest colour of every part that a part of the photo reaches into. */
export function darkAndLight(
  { columns, rows, parts }: Light,
  { left, top, right, bottom }: Part,
): DarkAndLight[] {
  const found: DarkAndLight[] = [];
  const [first, last] = [at(left, columns), at(right, columns)];
  for (let row = at(top, rows); row <= at(bottom, rows); row++) {
    for (let column = first; column <= last; column++) {
      const from = 12 * (row * columns + column);
      found.push([`#${parts.slice(from, from + 6)}`, `#${parts.slice(from + 6, from + 12)}`]);
    }
  }
  return found;
}

const at = (share: number, count: number) => Math.max(0, Math.min(count - 1, Math.floor(share * count)));
