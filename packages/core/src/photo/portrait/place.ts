import type { Rect } from "../../base/geometry/index.ts";
import type { DocumentRule, RuleSpan } from "../../catalogue/rules/index.ts";
import { leaning, type PixelSize, type Sits } from "../crop/index.ts";
import type { Face } from "./face.ts";
import { leastLinear, leastSquares, type Limit, type Wish } from "../../base/linear.ts";
import { uprightHead, type UprightHead } from "./upright.ts";

/** The crop of a portrait that meets a rule best. */
export interface FacePlacement {
  /** How the photo sits in the upright piece. */
  sits: Sits;
  /** Farthest that any figure is out of its range, in µm; 0 where the rule is met. */
  off: number;
  /** How much further the photo would have to reach at each side for the rule to be met, in µm; null where it is met. */
  short: { top: number; right: number; bottom: number; left: number } | null;
  /** Whether no crop of any photo with this head could meet the rule: its handles are wrong, or the rule is. */
  contradicts: boolean;
}

/** Sideways room of a face that cannot be in the middle, a share of the width (ISO/IEC 19794-5 allows 5 % either way). */
const ASIDE = 0.03;

/** Where the rule is silent: the space above the head and the head itself, shares of the height. */
const USUAL = { above: 0.09, head: 0.74 };

/** What counts as met, in mm. */
const MET = 1e-6;

/**
 * Places a face by a rule in an upright piece: every figure inside its range where the photo allows it, near the middles of
 * the ranges, the eyes level and in the middle across, hair that is not counted on the piece too, and the photo over all of it. Where the photo
 * does not allow it, the crop whose worst figure is least far out.
 *
 * The unknowns are the head's height u, the space above it t, and where the face's middle is, x, all in mm on paper.
 * Every figure and every edge of the photo is linear in them:
 *
 *        ┌───────────┐ ─┬─              head height  u
 *        │           │  t               eyes         h − t − u · (crown to eyes)
 *        │   .-^-.   │ ─┼─              head width   u · (ear to ear)
 *        │  ( o o )  │  u    (in heads) photo’s left edge  u · left + cos φ · X + sin φ · Y ≥ 0 at each corner
 *        │   `-_-'   │ ─┴─
 *        └─────x─────┘
 *
 * Returns null for a face that lies outside its photo.
 */
export function placeFace(
  face: Face,
  photo: PixelSize,
  piece: { finished: Rect; cover: Rect },
  rule: DocumentRule,
): FacePlacement | null {
  const head = uprightHead(face, photo, rule);
  if (head.crown + head.chin <= 0) return null;
  const level = attempt(head, photo, piece, rule);
  if (level && level.off === 0) return level;
  // Turning a photo needs room at its corners; where that is what is missing, slanted eyes are the smaller evil.
  const straight = attempt(uprightHead(face, photo, rule, 0), photo, piece, rule);
  return straight && (!level || straight.off === 0) ? straight : level;
}

function attempt(
  head: UprightHead,
  photo: PixelSize,
  { finished, cover }: { finished: Rect; cover: Rect },
  rule: DocumentRule,
): FacePlacement | null {
  const height = head.crown + head.chin;
  if (height <= 0) return null;
  const eyes = head.crown / height;
  const [w, h] = [finished.width / 1000, finished.height / 1000];
  const ranges = rangesOf(rule, h, eyes, head.width === null ? null : head.width / height);
  const edges = photoEdges(head, photo, { finished, cover });
  const middle = within([0, 0, 1], { from: w / 2, to: w / 2 });
  const aside = within([0, 0, 1], { from: w * (0.5 - ASIDE), to: w * (0.5 + ASIDE) });
  const upright: Limit = { a: [-1, 0, 0], b: -1 };
  // Hair above the skull is not measured, and yet nobody wants it cut off where the rule leaves room for it.
  const hair: Limit = { a: [head.hair / height, -1, 0], b: 0 };
  const wishes = wishesOf(rule, ranges, w, h);
  const inside = (wider: number) => ranges.flatMap(({ a, c, span }) => within(a, span, c, wider));
  const best = (limits: readonly Limit[]) => leastSquares(wishes, limits);

  let off = 0;
  let x = best([...inside(0), ...edges, ...middle, upright, hair]);
  x ??= best([...inside(0), ...edges, ...aside, upright, hair]);
  x ??= best([...inside(0), ...edges, ...middle, upright]);
  x ??= best([...inside(0), ...edges, ...aside, upright]);
  if (!x) {
    const widened = ranges.flatMap(({ a, c, span }) =>
      within(a, span, c).map((limit) => ({ a: [...limit.a, -1], b: limit.b })),
    );
    const hard = [...edges, ...aside, upright].map(({ a, b }) => ({ a: [...a, 0], b }));
    const nearest = leastLinear([0, 0, 0, 1], [...widened, ...hard, { a: [0, 0, 0, -1], b: 0 }]);
    if (!nearest) return null;
    off = nearest[3]!;
    x = best([...inside(off + MET), ...edges, ...aside, upright]) ?? nearest.slice(0, 3);
  }
  const free = off > MET ? best([...inside(0), ...middle, upright]) : x;
  return {
    sits: sitsAt(x as Spot, head, photo, { finished, cover }),
    off: off > MET ? off * 1000 : 0,
    short: off > MET && free ? shortOf(free as Spot, edges) : null,
    contradicts: free === null,
  };
}

type Spot = [u: number, t: number, x: number];

/** A figure as a linear function of (u, t, x), a · (u, t, x) + c, and its range in mm. */
interface Range {
  figure: keyof DocumentRule;
  a: [number, number, number];
  c: number;
  span: { from: number; to: number };
}

function rangesOf(rule: DocumentRule, h: number, eyes: number, width: number | null): Range[] {
  const range = (
    figure: "headHeight" | "aboveCrown" | "eyeLine" | "headWidth" | "belowChin",
    a: [number, number, number],
    c = 0,
  ): Range[] => {
    const span = rule[figure];
    return span ? [{ figure, a, c, span: inMm(span) }] : [];
  };
  return [
    ...range("headHeight", [1, 0, 0]),
    ...range("aboveCrown", [0, 1, 0]),
    ...range("eyeLine", [-eyes, -1, 0], h),
    ...(width === null ? [] : range("headWidth", [width, 0, 0])),
    ...range("belowChin", [-1, -1, 0], h),
  ];
}

const inMm = ({ from, to }: RuleSpan) => ({ from: from / 1000, to: to / 1000 });

/** from − wider ≤ a · x + c ≤ to + wider */
const within = (
  a: readonly number[],
  { from, to }: { from: number; to: number },
  c = 0,
  wider = 0,
): Limit[] => [
  { a, b: to - c + wider },
  { a: a.map((value) => -value), b: c - from + wider },
];

/** The middles of the ranges, weighed by how narrow they are; what is usual, faintly, where the rule is silent. */
function wishesOf(rule: DocumentRule, ranges: readonly Range[], w: number, h: number): Wish[] {
  const wish = (a: readonly number[], to: number, half: number): Wish => ({
    a: a.map((value) => value / half),
    to: to / half,
  });
  const faint = h / 2;
  return [
    ...ranges.map(({ a, c, span: { from, to } }) =>
      wish(a, (from + to) / 2 - c, Math.max(0.05, (to - from) / 2)),
    ),
    wish([0, 0, 1], w / 2, 0.1),
    wish([0, 1, 0], USUAL.above * h, rule.aboveCrown ? faint * 100 : faint),
    wish([1, 0, 0], USUAL.head * h, rule.headHeight ? faint * 100 : faint),
  ];
}

/**
 * The photo has to reach over every corner (X, Y) of what it covers. In the photo, in heads from the eyes, that corner is
 * R(−φ) · (X − x, Y − t − u · eyes) / u; of the four corners only the outermost one decides at each edge.
 */
function photoEdges(
  head: UprightHead,
  photo: PixelSize,
  { finished, cover }: { finished: Rect; cover: Rect },
): Limit[] {
  const height = head.crown + head.chin;
  const eyes = head.crown / height;
  const radians = (head.level * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const left = (cover.x - finished.x) / 1000;
  const top = (cover.y - finished.y) / 1000;
  const corners = [0, 1].flatMap((i) =>
    [0, 1].map((j) => [left + (i * cover.width) / 1000, top + (j * cover.height) / 1000] as const),
  );
  const most = (p: number, q: number) => Math.max(...corners.map(([x, y]) => p * x + q * y));
  // Room from the eyes to the photo's edges, in heads.
  const room = {
    left: head.origin.x / height,
    right: (photo.width - head.origin.x) / height,
    top: head.origin.y / height,
    bottom: (photo.height - head.origin.y) / height,
  };
  // Along a direction (p, q): p (X − x) + q (Y − t − u · eyes) ≤ u · room
  const edge = (p: number, q: number, most: number, space: number): Limit => ({
    a: [-q * eyes - space, -q, -p],
    b: -most,
  });
  return [
    edge(sin, -cos, most(sin, -cos), room.top),
    edge(cos, sin, most(cos, sin), room.right),
    edge(-sin, cos, most(-sin, cos), room.bottom),
    edge(-cos, -sin, most(-cos, -sin), room.left),
  ];
}

/** How far a crop would stick out of the photo at each side, in µm. */
function shortOf(spot: Spot, edges: readonly Limit[]): FacePlacement["short"] {
  const [top, right, bottom, left] = edges.map(({ a, b }) =>
    Math.max(0, 1000 * (a[0]! * spot[0] + a[1]! * spot[1] + a[2]! * spot[2] - b)),
  );
  return { top: top!, right: right!, bottom: bottom!, left: left! };
}

/** The shot that puts the face where the spot says. */
function sitsAt(
  [u, t, x]: Spot,
  head: UprightHead,
  photo: PixelSize,
  { finished, cover }: { finished: Rect; cover: Rect },
): FacePlacement["sits"] {
  const perPixel = (u * 1000) / (head.crown + head.chin);
  const need = leaning(cover, head.level);
  const least = Math.max(need.width / photo.width, need.height / photo.height);
  // From the eyes to the middle of what is covered, on paper, then in the photo.
  const right = cover.x - finished.x + cover.width / 2 - x * 1000;
  const down = cover.y - finished.y + cover.height / 2 - t * 1000 - head.crown * perPixel;
  const radians = (head.level * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return {
    fit: "fill",
    scale: Math.max(1, perPixel / least),
    centre: {
      x: (head.origin.x + (right * cos + down * sin) / perPixel) / photo.width,
      y: (head.origin.y + (down * cos - right * sin) / perPixel) / photo.height,
    },
    turn: 0,
    level: head.level,
  };
}
