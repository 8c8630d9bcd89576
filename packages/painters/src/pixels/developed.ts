import type { Samples } from "@wide-quilt/colour";
import { sharpening, toPx, type CellPlan, type Medium, type PixelBox } from "@wide-quilt/core";
import type { PaintSpace } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import type { Watch } from "../progress.ts";
import { decode, type Decoded, type Raw, type Wanted } from "./decode.ts";
import type { KeptPhoto, KeptPhotos } from "./kept.ts";
import { LIGHT } from "./light.ts";
import { union, type Part } from "./part.ts";
import { lookedAt, resampled, type Along } from "./resample.ts";
import type { Stored, StoredPhotos } from "./stored.ts";
import { worn } from "./worn.ts";

/** A cell with a picture and the part of the photo it shows. */
export interface Shown {
  cell: CellPlan;
  part: Part;
}

/** A photo of which boxes can be cut out as they lie on the sheet, in the sheet's colours. */
export interface Developed {
  /** A box of whole pixels of the sheet with what its cell wears: look and sharpening. The same for cells alike. */
  crop(box: PixelBox, cell: CellPlan): Promise<Samples>;
}

/** How photos become pixels of the sheet. */
export interface Developing {
  ppi: number;
  files: PhotoFiles;
  space: PaintSpace;
  medium: Medium;
  /** Whether what is made smaller is weighed by light. */
  light: boolean;
  /** Where decoded photos are kept for the next sheet; left out, they are not. */
  kept?: KeptPhotos;
  /** Where large photos are decoded to that many sheets show a part of; left out, each sheet decodes them. */
  stored?: StoredPhotos;
  /** Whether no other sheet shows the same again: what is cut out is then not kept. */
  once?: boolean;
}

/** Gets a photo ready for the cells that show it at one size and turn: it is decoded once for all of them. */
export async function developed(shown: readonly Shown[], how: Developing, watch: Watch): Promise<Developed> {
  const { ppi, space, medium } = how;
  const { photo, crops: done } = await photoFor(shown, how);
  const { colours, part } = photo;

  /** A box from where the photo lies, seen from the box’s corner. */
  const cut = async (
    across: Along,
    down: Along,
    { width, height }: PixelBox,
    { look, sharpening: strength, finished: piece }: CellPlan,
  ): Promise<Samples> => {
    const box = { left: 0, top: 0, width, height };
    const way = photo.byLight ? LIGHT : null;
    const lies = { across, down };
    const source = "read" in photo ? { ...photo, ...(await photo.read(lookedAt(photo, lies, box))) } : photo;
    const data = await resampled(source, lies, box, colours.depth, way, watch);
    const wearing = { look, sharpening: sharpening(strength, medium, piece) };
    const own: Raw = { data, width, height, channels: photo.channels };
    const { raw, profile } = await worn(own, colours, wearing, ppi, space);
    return space.fromPhoto(profile)(raw.data);
  };

  return {
    crop: (box, one) => {
      const { x, y, width, height } = one.picture!.placed;
      const across = along(x, width, part.left, part.right, photo.width, box.left, ppi);
      const down = along(y, height, part.top, part.bottom, photo.height, box.top, ppi);
      const wears = [one.look, sharpening(one.sharpening, medium, one.finished), space.name, ppi];
      const key = JSON.stringify([across, down, box.width, box.height, wears]);
      let pixels = done.get(key);
      if (!pixels) {
        pixels = cut(across, down, box, one);
        done.set(key, pixels);
        // One that was stopped half-way is made anew for whoever wants it next.
        pixels.catch(() => done.delete(key));
      }
      return pixels;
    },
  };
}

/** The photo that cells show, decoded for them, and what was cut out of it before. */
async function photoFor(
  shown: readonly Shown[],
  { ppi, files, space, light, kept, stored, once }: Developing,
): Promise<{ photo: Decoded | Stored; crops: KeptPhoto["crops"] }> {
  const { paints, picture } = shown[0]!.cell;
  const { placed, turn } = picture!;
  const wanted: Wanted = {
    turn,
    part: shown.map(({ part }) => part).reduce(union),
    size: { width: toPx(placed.width, ppi), height: toPx(placed.height, ppi) },
    depth: space.depth,
    inks: space.profile === null ? "no inks" : "inks",
    light,
  };
  const path = files(paints!);
  const onDisk = once && stored ? await stored.get(paints!, path, wanted) : null;
  if (onDisk) return { photo: onDisk, crops: new Map() };
  const now = () => decode(path, wanted);
  const { decoded, crops } = kept
    ? kept.get(paints!, wanted, now)
    : { decoded: now(), crops: new Map<string, Promise<Samples>>() };
  return { photo: await decoded, crops: once ? new Map() : crops };
}

/** Cells whose photos lie within so much of a pixel alike are alike: a thirty-second, which nobody can see or measure. */
const ALIKE = 32;

/** Where the pixels of a part of a photo lie along one axis, seen from a box’s first pixel. */
function along(
  start: number,
  length: number,
  from: number,
  to: number,
  pixels: number,
  box: number,
  ppi: number,
): Along {
  const first = toPx(start + from * length, ppi) - box;
  return {
    start: Math.round(first * ALIKE) / ALIKE,
    step: (toPx(length, ppi) * (to - from)) / pixels,
  };
}
