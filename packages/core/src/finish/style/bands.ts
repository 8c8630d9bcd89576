import { bottom, evenEdges, inset, right, type Edges, type Rect } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import type { Border, Mat, Style } from "./schema.ts";

/** A frame of one colour between two rectangles, each with its own radius at the corners. */
export interface Band {
  outer: Rect;
  inner: Rect;
  outerCorner: Um;
  innerCorner: Um;
  colour: string;
}

/** What a piece wears around its photo, and what is left open for it. */
export interface Frame {
  /** From the outside to the inside, in the order of painting. */
  bands: Band[];
  opening: Rect;
  /** The corner of the opening. */
  corner: Um;
}

/**
 * The frame of an upright piece: first its border, then its mat, each in what the one before leaves open.
 *
 *     inside ┌───────┐   centred ╔═══════╗   outside ╔═══════╗
 *            │▓▓▓▓▓▓▓│           ║▓┌───┐▓║           ║▓┌───┐▓║     the thin line is the finished edge
 *            │▓┌───┐▓│           ║▓│▒▒▒│▓║           ║▓│   │▓║
 *            │▓│   │▓│           ║▓│▒ ▒│▓║           ║▓│   │▓║
 *            └───────┘           ╚═══════╝           ╚═══════╝
 *
 * `run` is how far a border inside runs on past the finished edge, so that a cut that is a little off shows no paper.
 * Null where the frame leaves nothing open.
 */
export function frameOf({ border, mat }: Style, finished: Rect, run: Rect): Frame | null {
  const bands: Band[] = [];
  let opening = finished;
  let corner = border?.corner ?? um(0);
  if (border) {
    const { outer, inner } = borderEdges(border, finished);
    const rounded = border.corner > 0;
    const innerCorner = um(Math.max(0, border.corner - widest(border.width)));
    const runsOn = border.place === "inside" && !rounded;
    bands.push({
      outer: runsOn ? ranOn(outer, run) : outer,
      inner,
      outerCorner: corner,
      innerCorner,
      colour: border.colour,
    });
    opening = border.place === "outside" ? finished : inner;
    corner = innerCorner;
  }
  if (mat) ({ opening, corner } = matBands(mat, opening, corner, border ? null : run, bands));
  return opening.width > 0 && opening.height > 0 ? { bands, opening, corner } : null;
}

function borderEdges({ place, width }: Border, finished: Rect): { outer: Rect; inner: Rect } {
  const half: Edges = {
    top: um(Math.floor(width.top / 2)),
    right: um(Math.floor(width.right / 2)),
    bottom: um(Math.floor(width.bottom / 2)),
    left: um(Math.floor(width.left / 2)),
  };
  switch (place) {
    case "inside":
      return { outer: finished, inner: inset(finished, width) };
    case "outside":
      return { outer: outset(finished, width), inner: finished };
    case "centred": {
      const outer = outset(finished, half);
      return { outer, inner: inset(outer, width) };
    }
  }
}

/** The share of the upper and lower reveal by which an optically centred opening sits higher. */
const OPTICAL = 0.08;

function matBands(
  mat: Mat,
  from: Rect,
  corner: Um,
  run: Rect | null,
  bands: Band[],
): { opening: Rect; corner: Um } {
  let opening = from;
  mat.layers.forEach(({ reveal, colour }, i) => {
    const edges = i === 0 && mat.optical ? raisedReveal(reveal) : reveal;
    const inner = inset(opening, edges);
    const outer = i === 0 && run ? ranOn(opening, run) : opening;
    bands.push({ outer, inner, outerCorner: i === 0 ? corner : um(0), innerCorner: um(0), colour });
    opening = inner;
    if (!mat.bevel) return;
    const { width, colour: edge } = mat.bevel;
    const cut = inset(opening, evenEdges(width));
    bands.push({ outer: opening, inner: cut, outerCorner: um(0), innerCorner: um(0), colour: edge });
    opening = cut;
  });
  return { opening, corner: um(0) };
}

/** The same opening a little higher: what is taken off above is added below. */
export function raisedReveal(reveal: Edges): Edges {
  const by = Math.min(reveal.top, Math.round(((reveal.top + reveal.bottom) / 2) * OPTICAL));
  return { ...reveal, top: um(reveal.top - by), bottom: um(reveal.bottom + by) };
}

const widest = ({ top, right: r, bottom: b, left }: Edges): number => Math.max(top, r, b, left);

const outset = (rect: Rect, e: Edges): Rect => ({
  x: um(rect.x - e.left),
  y: um(rect.y - e.top),
  width: um(rect.width + e.left + e.right),
  height: um(rect.height + e.top + e.bottom),
});

/** A rectangle that reaches as far as another one where that lies outside it. */
function ranOn(rect: Rect, run: Rect): Rect {
  const x = Math.min(rect.x, run.x);
  const y = Math.min(rect.y, run.y);
  const width = Math.max(right(rect), right(run)) - x;
  const height = Math.max(bottom(rect), bottom(run)) - y;
  return { x: um(x), y: um(y), width: um(width), height: um(height) };
}
