import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { group } from "./group.ts";
import type { Doing, Person } from "./person.ts";

/** A stretch of a film of somebody before a camera. */
export interface Stretch {
  name: string;
  /** Whether an office would take any picture of it. */
  good: boolean;
  seconds: number;
  /** From the crown of a bald head to the chin, a share of the picture’s height; null for nobody. */
  head: number | null;
  /** Degrees clockwise. */
  tilt?: number;
  does?: Doing;
}

export const FILM_SIZE = { width: 1280, height: 960 };
/** Pictures a second, as the browser plays such a file. */
export const FILM_PACE = 30;

/** Somebody comes nearer, holds the head aslant, shuts the eyes, blinks once more and then holds still. */
export const COMING_NEARER: readonly Stretch[] = [
  { name: "nobody", good: false, seconds: 2, head: null },
  ...[0.14, 0.18, 0.22, 0.26, 0.3].map((head): Stretch => ({ name: "far", good: false, seconds: 0.8, head })),
  { name: "tilted", good: false, seconds: 1.5, head: 0.47, tilt: 16 },
  { name: "eyes shut", good: false, seconds: 1.5, head: 0.47, does: { eyesShut: true } },
  { name: "a moment", good: true, seconds: 0.4, head: 0.47 },
  { name: "blink", good: false, seconds: 0.6, head: 0.47, does: { eyesShut: true } },
  { name: "still", good: true, seconds: 6, head: 0.47 },
];

/** Side of a square of the slate, in pixels, and how many it has. */
const SQUARE = 14;
const SQUARES = 10;

/**
 * A film as a browser takes it for a camera: JPEGs one after the other. In its upper left corner every picture has a slate with its
 * number, highest bit first, white for one, unless none is wanted: a photo that was taken of the film says which picture it is of.
 */
export async function film(
  person: Person,
  background: string,
  {
    stretches = COMING_NEARER,
    over,
    slate = true,
  }: { stretches?: readonly Stretch[]; over?: string; slate?: boolean } = {},
): Promise<Buffer> {
  const pictures: Buffer[] = [];
  for (const { seconds, head, tilt = 0, does } of stretches) {
    const there = head === null ? [] : [{ person: { ...person, does }, x: 0.5, y: 0.47, head, tilt, over }];
    const { width, height } = FILM_SIZE;
    const behind = `<rect width="${width}" height="${height}" fill="${background}"/>`;
    const drawn = new Resvg(group(there, width, height, behind), {
      font: { loadSystemFonts: false },
    }).render();
    const still = await sharp(drawn.pixels, { raw: { width, height, channels: 4 } })
      .removeAlpha()
      .raw()
      .toBuffer();
    for (let i = 0; i < Math.round(seconds * FILM_PACE); i++) {
      if (slate) writeSlate(still, width, pictures.length);
      pictures.push(
        await sharp(still, { raw: { width, height, channels: 3 } })
          .jpeg({ quality: 88 })
          .toBuffer(),
      );
    }
  }
  return Buffer.concat(pictures);
}

function writeSlate(rgb: Buffer, width: number, number: number): void {
  for (let i = 0; i < SQUARES; i++) {
    const level = (number >> (SQUARES - 1 - i)) & 1 ? 255 : 0;
    for (let y = 0; y < SQUARE; y++) {
      const from = (y * width + i * SQUARE) * 3;
      rgb.fill(level, from, from + SQUARE * 3);
    }
  }
}

/** The number on the slate of a picture of a film. */
export async function readSlate(picture: Buffer | string): Promise<number> {
  const { data, info } = await sharp(picture).greyscale().raw().toBuffer({ resolveWithObject: true });
  const at = (i: number) => data[(SQUARE >> 1) * info.width + i * SQUARE + (SQUARE >> 1)]!;
  return Array.from({ length: SQUARES }, (_, i) => Number(at(i) > 127)).reduce(
    (sum, bit) => 2 * sum + bit,
    0,
  );
}

/** Which stretch a picture of a film belongs to, and how many seconds of the film come before it. */
export function stretchOf(
  number: number,
  stretches: readonly Stretch[] = COMING_NEARER,
): { stretch: Stretch; since: number } {
  let before = 0;
  for (const stretch of stretches) {
    const length = Math.round(stretch.seconds * FILM_PACE);
    if (number < before + length) return { stretch, since: (number - before) / FILM_PACE };
    before += length;
  }
  throw new RangeError(`The film has no picture ${number}`);
}
