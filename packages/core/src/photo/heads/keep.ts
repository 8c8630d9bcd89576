import { turnedSize, type Quarter, type Rect } from "../../base/geometry/index.ts";
import type { PixelSize, Sits } from "../crop/index.ts";
import type { Face } from "../portrait/index.ts";
import { eyesOf, headBox, type Box } from "./box.ts";

/** Where a filled cell shows its photo through: what is seen, and what the photo has to cover. */
export interface Window {
  opening: Rect;
  cover: Rect;
}

/** Room around a head that looks right, shares of its height. */
const ROOM = { above: 0.3, below: 0.2, beside: 0.2 };
/** So much more than the head itself is kept in any case: less than a printer’s dot, more than a rounding. */
const HAIR_LINE = 0.01;

/** Where the eyes lie, shares of what is seen from its upper edge: of one person, and of several. */
const EYES = { one: 1 / 3, several: 2 / 5 };
/** What a head that is cut in any case weighs against one that may be held. */
const LOST = 1e-3;
/** Heads at least this large against the largest are whom the photo is of. */
const MAIN = 0.5;

/**
 * Where the middle of a filled cell lies on a photo for its heads to be kept in: 0…1 from left and top of the photo as it is
 * turned. The photo is no larger than it has to be to cover the cell, so that no more of it is lost than around its middle;
 * what is chosen is where along its longer side the cell lies.
 *
 *        ┌───────────┬───────┬───────────┐
 *        │           │ o  o  │           │    one length t, from the photo’s edge to the window’s
 *        │  t ──────▶│ cell  │           │    head i is whole where  bᵢ − w ≤ t ≤ aᵢ
 *        └───────────┴───────┴───────────┘
 *
 * In this order: all heads with as much room around them as there is; all heads; the most that can be held, weighed by how
 * large and how sure they are, with the least cut by the edges. Where that leaves a choice, the eyes lie a third from the top and
 * the face in the middle across; of several a little lower, and the middle of all of them.
 */
export function keepHeads(
  photo: PixelSize,
  window: Window,
  heads: readonly Face[],
  turn: Quarter = 0,
): Sits["centre"] {
  const lying = turnedSize(photo, turn);
  const { opening, cover } = window;
  const perPixel = Math.max(cover.width / lying.width, cover.height / lying.height);
  const kept = heads.map((head) => keptOf(head, photo, turn));
  const aims = aimOf(heads, photo, turn);
  const across: Seen = {
    photo: lying.width,
    cover: cover.width / perPixel,
    from: (opening.x - cover.x) / perPixel,
    length: opening.width / perPixel,
  };
  const down: Seen = {
    photo: lying.height,
    cover: cover.height / perPixel,
    from: (opening.y - cover.y) / perPixel,
    length: opening.height / perPixel,
  };
  const x = along(
    across,
    kept.map(({ x, y }) => (isLost(y, down) ? { ...x, weight: x.weight * LOST } : x)),
    aims.x,
  );
  const y = along(
    down,
    kept.map(({ x, y }) => (isLost(x, across) ? { ...y, weight: y.weight * LOST } : y)),
    aims.y,
  );
  return { x: tidy(x / lying.width), y: tidy(y / lying.height) };
}

/** A head along one side of the photo, in pixels, with the room it would like before and after it. */
interface Kept {
  from: number;
  to: number;
  before: number;
  after: number;
  weight: number;
}

/** One side of the photo in its pixels, how much of it is covered, and what of that is seen, from where on. */
interface Seen {
  photo: number;
  cover: number;
  from: number;
  length: number;
}

/** A place along one side, and the share of what is seen that it should lie at. */
interface Aim {
  at: number;
  share: number;
}

/** Whether a head is cut along the other side wherever the cell lies, as the photo has no room there. */
const isLost = ({ from, to }: Kept, { photo, cover, from: edge, length }: Seen): boolean =>
  photo - cover < 1 && (from < edge || to > edge + length);

/** The middle of what is covered, along one side of the photo. */
function along({ photo, cover, from, length }: Seen, heads: readonly Kept[], aim: Aim): number {
  const most = Math.max(0, photo - cover);
  // Places of the window’s edge, not of what is covered.
  const [least, last] = [from, from + most];
  const wish = clamp(aim.at - aim.share * length, least, last);
  // A head that the photo itself cuts is whole where all that there is of it is seen.
  const inside = heads.map((head) => ({
    from: Math.max(0, head.from),
    to: Math.min(photo, head.to),
    before: head.before,
    after: head.after,
    weight: head.weight,
  }));
  const span = (room: number) => {
    let [from, to] = [least, last];
    for (const head of inside) {
      from = Math.max(from, Math.min(photo, head.to + head.after * room) - length);
      to = Math.min(to, Math.max(0, head.from - head.before * room));
    }
    return { from, to };
  };
  const holds = (room: number) => {
    const { from, to } = span(room);
    return from <= to;
  };
  const edge = holds(0)
    ? within(span(mostRoom(holds)), wish)
    : mostHeld(inside, { least, last, length }, wish);
  return edge - from + cover / 2;
}

/** The largest share of the wished room, 0…1, at which all heads are held. */
function mostRoom(holds: (room: number) => boolean): number {
  if (holds(1)) return 1;
  let [yes, no] = [0, 1];
  for (let step = 0; step < 24; step++) {
    const room = (yes + no) / 2;
    if (holds(room)) yes = room;
    else no = room;
  }
  return yes;
}

/**
 * The place that holds the most where not all can be held. A head is held between two places, both included, and cut between
 * two others, neither included: so that one of all those places, or the one that is wished, is as good as any.
 */
function mostHeld(
  heads: readonly Kept[],
  { least, last, length }: { least: number; last: number; length: number },
  wish: number,
): number {
  const count = heads.length;
  const from = Float64Array.from(heads, (head) => head.from);
  const to = Float64Array.from(heads, (head) => head.to);
  const weight = Float64Array.from(heads, (head) => head.weight);
  let best = wish;
  let bestHeld = -1;
  let bestCut = 0;
  const consider = (place: number) => {
    if (place < least || place > last) return;
    const end = place + length;
    let held = 0;
    let cut = 0;
    for (let i = 0; i < count; i++) {
      if (from[i]! >= place && to[i]! <= end) held += weight[i]!;
      else if (to[i]! > place && from[i]! < end) cut += weight[i]!;
    }
    if (held < bestHeld || (held === bestHeld && cut > bestCut)) return;
    const isNearer = Math.abs(place - wish) < Math.abs(best - wish);
    if (held === bestHeld && cut === bestCut && !isNearer) return;
    best = place;
    bestHeld = held;
    bestCut = cut;
  };
  consider(wish);
  for (let i = 0; i < count; i++) {
    consider(from[i]!);
    consider(to[i]! - length);
    consider(to[i]!);
    consider(from[i]! - length);
  }
  return best;
}

/** A head along both sides of the photo as it is turned; the room above it turns with it. */
function keptOf(head: Face, photo: PixelSize, turn: Quarter): { x: Kept; y: Kept } {
  const upright = headBox(head, photo);
  const height = upright.bottom - upright.top;
  const [line, beside] = [HAIR_LINE * height, ROOM.beside * height];
  const tight = grown(upright, { above: line, below: line, beside: line });
  const roomy = grown(upright, { above: ROOM.above * height, below: ROOM.below * height, beside });
  const [box, room] = [turned(tight, photo, turn), turned(roomy, photo, turn)];
  const weight = height * (head.pose?.score ?? 1);
  return {
    x: { from: box.left, to: box.right, before: box.left - room.left, after: room.right - box.right, weight },
    y: { from: box.top, to: box.bottom, before: box.top - room.top, after: room.bottom - box.bottom, weight },
  };
}

const grown = (box: Box, by: { above: number; below: number; beside: number }): Box => ({
  left: box.left - by.beside,
  top: box.top - by.above,
  right: box.right + by.beside,
  bottom: box.bottom + by.below,
});

/** Where the people that the photo is of should lie. */
function aimOf(heads: readonly Face[], photo: PixelSize, turn: Quarter): { x: Aim; y: Aim } {
  const boxes = heads.map((head) => headBox(head, photo));
  const heightOf = ({ top, bottom }: Box) => bottom - top;
  const largest = Math.max(...boxes.map(heightOf));
  const main = heads.filter((_, i) => heightOf(boxes[i]!) >= MAIN * largest);
  const around = boxes.filter((box) => heightOf(box) >= MAIN * largest);
  const eyes = main.reduce((sum, head) => sum + eyesOf(head, photo).y, 0) / main.length;
  const middle =
    (Math.min(...around.map(({ left }) => left)) + Math.max(...around.map(({ right }) => right))) / 2;
  const share = main.length > 1 ? EYES.several : EYES.one;
  const across: Aim = { at: middle, share: 1 / 2 };
  const back = (aim: Aim, side: number): Aim => ({ at: side - aim.at, share: 1 - aim.share });
  const down: Aim = { at: eyes, share };
  // A quarter clockwise takes what was down to what is, from the other end, across.
  switch (turn) {
    case 0:
      return { x: across, y: down };
    case 90:
      return { x: back(down, photo.height), y: across };
    case 180:
      return { x: back(across, photo.width), y: back(down, photo.height) };
    case 270:
      return { x: down, y: back(across, photo.width) };
  }
}

/** A box of the photo once the photo is turned clockwise: a quarter takes (x, y) to (height − y, x). */
function turned(box: Box, { width, height }: PixelSize, turn: Quarter): Box {
  const { left, top, right, bottom } = box;
  switch (turn) {
    case 0:
      return box;
    case 90:
      return { left: height - bottom, top: left, right: height - top, bottom: right };
    case 180:
      return { left: width - right, top: height - bottom, right: width - left, bottom: height - top };
    case 270:
      return { left: top, top: width - right, right: bottom, bottom: width - left };
  }
}

const clamp = (value: number, least: number, most: number) => Math.min(Math.max(value, least), most);
const within = ({ from, to }: { from: number; to: number }, wish: number) => clamp(wish, from, to);
const tidy = (value: number) => Math.round(value * 1e7) / 1e7;
