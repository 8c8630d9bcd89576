import { writeNumber, type WriteOptions } from "../../base/length/index.ts";
import type { DocumentRule } from "../../catalogue/rules/index.ts";
import { bytesOf, deltaE2000, labOf, type Lab } from "../../photo/cutout/colour.ts";
import type { FacePoint, PortraitStudy } from "../../photo/portrait/index.ts";
import { CHECK_WORDS, limited, notMeasured, type PersonCheck } from "./personCheck.ts";

/** CIEDE2000 of a part of the background from all of it: ours, as offices say “even” and no figure. */
const EVEN = { right: 6, wrong: 9 };
/** L* that the background beside the head is darker than it should be there, over so many of its parts. */
const SHADOW = { right: 4, wrong: 7 };
const SHADOWED = 3;
/**
 * CIEDE2000 from all the rest where it is not told whether a part is background at all: ends of hair that the mask leaves out
 * look like this, and so does a thing that hangs on the wall. At most such a share of the parts; more is a background of its own.
 */
const STRANGE = 25;
const FEW = 0.12;
/** Fewer parts than this, each some 3 mm wide on the usual print, and nothing is known. */
const ENOUGH = 12;

/** A part of the background on the finished piece. */
interface Part {
  lab: Lab;
  rgb: [number, number, number];
  at: FacePoint;
  x: number;
  y: number;
}

/** The background that is seen on the piece, and where the head is on it, in µm. */
export interface SeenBackground {
  parts: PortraitStudy["background"];
  size: { width: number; height: number };
  /** Where a point of the photo lies on the piece. */
  on(point: FacePoint): { x: number; y: number };
  head: { left: number; top: number; right: number; bottom: number };
}

/** The background where it is not measured, and what to do then. */
export const backgroundUnknown = (todo: string): PersonCheck[] =>
  (["background", "even", "shadow"] as const).map((name) => notMeasured(name, todo));

/** The background against a rule: its colour, whether it is even, and whether a shadow lies on it. */
export function backgroundChecks(
  { background }: Pick<DocumentRule, "background">,
  { parts, size, on, head }: SeenBackground,
  { locale }: WriteOptions,
): PersonCheck[] {
  if (!background) return [];
  const all = parts.flatMap(([hex, px, py]): Part[] => {
    const { x, y } = on({ x: px, y: py });
    if (x < 0 || y < 0 || x > size.width || y > size.height) return [];
    const rgb = bytesOf(`#${hex}`);
    return [{ lab: labOf(...rgb), rgb, at: { x: px, y: py }, x, y }];
  });
  const { seen, strange } = parted(all);
  if (seen.length < ENOUGH) {
    const todo = `Too little of the background is seen to measure it. It should be ${background.words}: look at this yourself.`;
    return backgroundUnknown(todo);
  }
  const whole = meanOf(seen);
  const figure = (value: number) => writeNumber(value, locale, 0, 1);
  const deviation = deltaE2000(whole, labOf(...bytesOf(background.colour)));
  const plane = planeOf(seen);
  // What is left once light that falls off to a side is taken away: a shadow is somewhere, not towards somewhere.
  const below = seen.map((part) => plane(part) - part.lab[0]);
  const near = seen.map((part) => isNear(part, head));
  const shadows = below.filter((value, i) => near[i] && value > SHADOW.right).sort((a, b) => b - a);
  const shadow = shadows[SHADOWED - 1] ?? 0;
  const deepest = below.indexOf(Math.max(...below.filter((_, i) => near[i])));
  const off = seen.map(({ lab }, i) => (shadow > 0 && near[i] && below[i]! > 0 ? 0 : deltaE2000(lab, whole)));
  const worst = Math.max(...off);
  return [
    limited(
      "background",
      deviation,
      { right: background.tolerance, wrong: background.tolerance },
      {
        says: `ΔE ${figure(deviation)} from what is asked`,
        allowed: `${background.words}, up to ΔE ${figure(background.tolerance)}`,
        todo: `The background should be ${background.words}. Take another one, light it otherwise, or put another behind here.`,
      },
    ),
    strange && worst < EVEN.wrong
      ? {
          name: "even",
          title: CHECK_WORDS.even,
          state: "look",
          says: "one place has quite another colour",
          allowed: `up to ΔE ${figure(EVEN.right)}`,
          todo: "One place beside the head has quite another colour. Hair is right; anything else has to go, or another background behind here.",
          at: strange.at,
        }
      : limited("even", worst, EVEN, {
          says: `parts up to ΔE ${figure(worst)} apart`,
          allowed: `up to ΔE ${figure(EVEN.right)}`,
          todo: "The background is uneven. Light it evenly, step away from it, or put another behind here.",
          at: seen[off.indexOf(worst)]!.at,
        }),
    limited("shadow", shadow, SHADOW, {
      says: shadow === 0 ? "none" : `${figure(shadow)} L* darker beside the head`,
      allowed: `up to ${figure(SHADOW.right)}`,
      todo: "The head throws a shadow on the background. Step away from it, or move the light, or put another background behind here.",
      at: seen[deepest]?.at ?? null,
    }),
  ];
}

function meanOf(parts: readonly Part[]): Lab {
  const mean = [0, 1, 2].map((c) => parts.reduce((sum, { rgb }) => sum + rgb[c]!, 0) / parts.length);
  return labOf(...(mean as Part["rgb"]));
}

/** The parts that are background for sure, and the strangest of the few that may be something else. */
function parted(all: readonly Part[]): { seen: readonly Part[]; strange: Part | undefined } {
  if (all.length === 0) return { seen: all, strange: undefined };
  // The middle one in lightness is background as long as most parts are.
  const usual = all.toSorted((a, b) => a.lab[0] - b.lab[0])[all.length >> 1]!;
  const apart = (part: Part) => deltaE2000(part.lab, usual.lab);
  const strange = all.filter((part) => apart(part) > STRANGE).toSorted((a, b) => apart(b) - apart(a));
  if (strange.length > FEW * all.length) return { seen: all, strange: undefined };
  return { seen: all.filter((part) => !strange.includes(part)), strange: strange[0] };
}

/** Whether a part lies beside the head, within three tenths of its height. */
function isNear({ x, y }: Part, { left, top, right, bottom }: SeenBackground["head"]): boolean {
  const reach = 0.3 * (bottom - top);
  return x > left - reach && x < right + reach && y > top - reach && y < bottom;
}

/**
 * The lightness that falls off evenly over the piece: the plane L = a + b x + c y that lies nearest to the parts (least squares,
 * by the normal equations), fitted twice, the second time without what lies far below it.
 */
function planeOf(parts: readonly Part[]): (part: Pick<Part, "x" | "y">) => number {
  const all = fitted(parts);
  const kept = parts.filter((part) => all(part) - part.lab[0] < 3);
  return kept.length >= 6 && kept.length < parts.length ? fitted(kept) : all;
}

function fitted(parts: readonly Part[]): (part: Pick<Part, "x" | "y">) => number {
  const count = parts.length;
  const middle = (of: (part: Part) => number) => parts.reduce((sum, part) => sum + of(part), 0) / count;
  const [mx, my, ml] = [middle(({ x }) => x), middle(({ y }) => y), middle(({ lab }) => lab[0])];
  let [xx, xy, yy, xl, yl] = [0, 0, 0, 0, 0];
  for (const { x, y, lab } of parts) {
    const [dx, dy, dl] = [x - mx, y - my, lab[0] - ml];
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
    xl += dx * dl;
    yl += dy * dl;
  }
  const det = xx * yy - xy * xy;
  const [b, c] =
    det < 1e-6 * xx * yy || det === 0 ? [0, 0] : [(xl * yy - yl * xy) / det, (yl * xx - xl * xy) / det];
  return ({ x, y }) => ml + b * (x - mx) + c * (y - my);
}
