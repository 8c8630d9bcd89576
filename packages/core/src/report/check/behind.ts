import { channels, colourOf, laidOver, luminance } from "../../base/contrast.ts";
import { around, contains, overlap, type Rect } from "../../base/geometry/index.ts";
import type { Ink } from "../../finish/graphics/index.ts";
import { darkAndLight, partUnder } from "../../photo/light/index.ts";
import { lookChange } from "../../photo/look/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import type { CellPlan, SheetPlan } from "../../plan/index.ts";

const [BLACK, WHITE] = ["#000000", "#ffffff"];

/** What words lie on. */
export interface Behind {
  /** Colours, the darkest and the lightest of what lies there among them. */
  colours: readonly string[];
  /** Whether a photo is among it: one that was measured, or one that may be anything. */
  photo: (typeof SURENESS)[number];
}

/** How well the photos are known that lie there, the least first. */
const SURENESS = ["unmeasured", "measured", "none"] as const;

/** Something painted over what is there. */
interface Layer {
  /** The colours that it may have where the words are. */
  colours: readonly string[];
  opacity: number;
  /** Whether it lies under all of the words, so that nothing below is seen beside it. */
  whole: boolean;
  photo?: "measured" | "unmeasured";
}

/** A photo that nobody measured may be as dark and as light as any. */
const ANYTHING: Pick<Layer, "colours" | "photo"> = { colours: [BLACK, WHITE], photo: "unmeasured" };

/**
 * What lies behind a box on a sheet: the paper and its ground, cells with their frames, and those inks that were painted
 * before. Null where that cannot be known: under graphics from files, and where a shape is filled with a picture.
 */
export function behind(
  box: Rect,
  { grounds, backing }: Pick<SheetPlan, "grounds" | "backing">,
  cells: readonly CellPlan[],
  inks: readonly Ink[],
  photos: Photos,
): Behind | null {
  let below: Behind = { colours: [WHITE], photo: "none" };
  const lay = (layer: Layer | null) => {
    if (layer !== null) below = laid(below, layer);
    return true;
  };
  for (const { fill, rect } of grounds) {
    if (overlap(rect, box) === null) continue;
    const colours = fill.kind === "flat" ? [fill.colour] : [fill.top, fill.bottom];
    lay({ colours, opacity: 1, whole: contains(rect, box) });
  }
  const known = (ink: Ink) => {
    const layer = inkUnder(ink, box);
    return layer !== "unknown" && lay(layer);
  };
  if (!backing.every(known)) return null;
  for (const cell of cells) {
    if (overlap(around(cell), box) === null) continue;
    for (const { outer, inner, colour } of cell.bands) {
      if (overlap(outer, box) === null || contains(inner, box)) continue;
      lay({ colours: [colour], opacity: 1, whole: contains(outer, box) && overlap(inner, box) === null });
    }
    lay(photoUnder(cell, box, photos));
  }
  return inks.every(known) ? below : null;
}

function laid(below: Behind, { colours, opacity, whole, photo }: Layer): Behind {
  const over =
    opacity === 1
      ? colours
      : below.colours.flatMap((under) => colours.map((colour) => laidOver(colour, opacity, under)));
  const seenBelow = whole && opacity === 1 ? "none" : below.photo;
  return {
    colours: ends(whole ? over : [...below.colours, ...over]),
    photo: SURENESS.find((one) => one === photo || one === seenBelow)!,
  };
}

/** Of many colours the darkest and the lightest say enough. */
function ends(colours: readonly string[]): readonly string[] {
  if (colours.length <= 1) return colours;
  let [darkest, lightest] = [colours[0]!, colours[0]!];
  let [least, most] = [Infinity, -Infinity];
  for (const colour of colours) {
    const light = luminance(colour);
    if (light < least) [least, darkest] = [light, colour];
    if (light > most) [most, lightest] = [light, colour];
  }
  return darkest === lightest ? [darkest] : [darkest, lightest];
}

function inkUnder(ink: Ink, box: Rect): Layer | null | "unknown" {
  if (ink.kind === "text") return null;
  const at = ink.kind === "path" ? ink.box : ink.rect;
  const lies = ink.turn === 0 ? at : around({ finished: at, angle: ink.turn });
  const seen = ink.clip ? overlap(lies, ink.clip) : lies;
  if (seen === null || overlap(seen, box) === null) return null;
  if (ink.kind === "picture") return "unknown";
  const { fill, opacity } = ink;
  if (fill === null) return null;
  if (typeof fill !== "string" && fill.kind === "picture") return "unknown";
  const colours = typeof fill === "string" ? [fill] : [fill.from, fill.to];
  return { colours, opacity, whole: ink.turn === 0 && ink.cut.length === 0 && contains(seen, box) };
}

/** The photo of a cell, where one is printed there. */
function photoUnder(cell: CellPlan, box: Rect, photos: Photos): Layer | null {
  const { picture, image, paints, look, within, angle } = cell;
  const seen = overlap(angle === 0 ? image : around({ finished: image, angle }), box);
  if (picture === null || paints === null || seen === null) return null;
  const whole =
    angle === 0 &&
    within === null &&
    contains(image, box) &&
    (picture.level !== 0 || contains(picture.placed, box));
  const light = photos[paints]?.light;
  if (!light) return { ...ANYTHING, opacity: 1, whole };
  const change = lookChange(look);
  const found = darkAndLight(light, partUnder(seen, picture, cell)).flat();
  const colours = ends(found);
  return {
    colours: change ? colours.map((colour) => changed(colour, change)) : colours,
    opacity: 1,
    whole,
    photo: "measured",
  };
}

function changed(colour: string, change: NonNullable<ReturnType<typeof lookChange>>): string {
  const pixel = Uint8Array.from(channels(colour));
  change(pixel, 3);
  return colourOf([...pixel]);
}
