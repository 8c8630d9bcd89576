import { onItsSide, turnedBy, type Quarter, type Rect } from "../base/geometry/index.ts";
import { um } from "../base/length/index.ts";
import { remembered } from "../base/remembered.ts";
import type { DocumentRule } from "../catalogue/rules/index.ts";
import { headsIn, shotNamed, type Job } from "../job/index.ts";
import { kindOf, type Slot } from "../kinds/index.ts";
import {
  COMPUTED_SHOT,
  isByHand,
  placePicture,
  type Picture,
  type PixelSize,
  type Sits,
} from "../photo/crop/index.ts";
import { keepHeads } from "../photo/heads/index.ts";
import { placeFace, type Face } from "../photo/portrait/index.ts";
import type { Photos } from "../photo/record/index.ts";
import type { PhotoId, ShotName } from "../schema/index.ts";
import { uprightPiece, type UprightPiece } from "./piece.ts";
import type { CellPlan } from "./types.ts";

/**
 * Places photos in cells. Cells of one shot and size are placed once, at the origin, and moved to every place: they are
 * the same to the micrometre wherever they lie.
 */
export function pictures(job: Job, photos: Photos) {
  const atOrigin = new Map<string, Placed>();
  const kind = kindOf(job);
  const place = ({ shot, of }: Slot, id: PhotoId, cell: Piece): Placed => {
    const own = sitsFor(job, shot, of, id);
    const facts = photos[id];
    if (!facts) return { picture: null, sits: own, computed: COMPUTED_SHOT };
    const upright = uprightPiece(cell);
    const heads = headsIn(job, photos, id);
    const keeping = (turn: Quarter) => withHeadsIn(job, heads, facts, upright, turn);
    const computed = byRule(kind.ruleOf(job, shot), heads[0], facts, upright) ?? keeping(0);
    const turn = own.turn === "suit" && heads.length > 0 ? 0 : own.turn;
    const sits = isByHand(own, { ...COMPUTED_SHOT, turn: own.turn })
      ? { ...own, turn }
      : turn === 0
        ? computed
        : turn === "suit"
          ? own
          : keeping(turn);
    const picture = placePicture(facts, upright.opening, upright.cover, sits);
    return {
      picture: cell.turn % 180 === 0 ? picture : onItsSideToo(picture, upright.finished.height),
      sits,
      computed,
    };
  };
  return (slot: Slot, cell: Piece): Placed => {
    const { shot, photo: id } = slot;
    if (id === null) return { picture: null, sits: shotNamed(job, shot), computed: COMPUTED_SHOT };
    const { finished, opening, cover, turn } = cell;
    const [dx, dy] = [cover.x - finished.x, cover.y - finished.y];
    const open = opening === finished ? "" : from(opening, finished);
    const key = `${shot} ${id} ${turn} ${finished.width} ${finished.height} ${open} ${dx} ${dy} ${cover.width} ${cover.height}`;
    let known = atOrigin.get(key);
    if (known === undefined) atOrigin.set(key, (known = place(slot, id, cell)));
    if (!known.picture) return known;
    const { placed } = known.picture;
    const there = { ...placed, x: um(placed.x + finished.x), y: um(placed.y + finished.y) };
    return { ...known, picture: { ...known.picture, placed: there } };
  };
}

/** A photo in its cell: how it sits, how it would sit if nothing were set by hand, and where that puts it. */
interface Placed {
  picture: Picture | null;
  sits: Sits;
  computed: Sits;
}

/** How a photo sits by hand. A crop is of one photo: where a ring of swapped ones has brought another, it does not fit. */
function sitsFor(job: Job, shot: ShotName, of: PhotoId | null, photo: PhotoId): Sits {
  const { photo: put, ...sits } = shotNamed(job, shot);
  return of === null || (put ?? of) === photo ? sits : COMPUTED_SHOT;
}

/** How a face sits by its rule. Remembered: finding it takes milliseconds, and a plan is made at every step. */
const placedByRule = remembered(placeFace, 1000);

function byRule(
  rule: DocumentRule | null,
  face: Face | undefined,
  { width, height }: PixelSize,
  { opening, cover }: UprightPiece,
): Sits | null {
  if (!rule || !face) return null;
  return placedByRule(face, { width, height }, { finished: opening, cover }, rule)?.sits ?? null;
}

/** How a photo that is turned sits: so that its heads are in the cell where that is asked for, around its middle else. */
function withHeadsIn(
  { crop }: Job,
  heads: readonly Face[],
  { width, height }: PixelSize,
  { opening, cover }: UprightPiece,
  turn: Quarter,
): Sits {
  const keeps = crop === "heads" && heads.length > 0;
  const centre = keeps ? keepHeads({ width, height }, { opening, cover }, heads, turn) : COMPUTED_SHOT.centre;
  return { ...COMPUTED_SHOT, turn, centre };
}

type Piece = Pick<CellPlan, "finished" | "opening" | "cover" | "turn">;

const from = ({ x, y, width, height }: Rect, finished: Rect): string =>
  `${x - finished.x} ${y - finished.y} ${width} ${height}`;

/**
 * A picture in an upright piece of height h, after the whole piece is laid on its side, a quarter clockwise:
 * (x, y) goes to (h − y, x).
 */
function onItsSideToo(picture: Picture, pieceHeight: number): Picture {
  const { placed } = picture;
  const lying: Rect = { x: um(pieceHeight - placed.y - placed.height), y: placed.x, ...onItsSide(placed) };
  return { ...picture, turn: turnedBy(picture.turn, 90), placed: lying };
}
