import { placePicture, turnedBy, type Picture } from "../crop/index.ts";
import { onItsSide, type Rect } from "../geometry/index.ts";
import { shotByNumber, type Job, type PhotoId } from "../job/index.ts";
import { um } from "../length/index.ts";
import { uprightPiece } from "./piece.ts";
import type { CellPlan, Photos } from "./types.ts";

/**
 * Places photos in cells. Cells of one shot and size are placed once, at the origin, and moved to every place: they are
 * the same to the micrometre wherever they lie.
 */
export function pictures(job: Job, photos: Photos) {
  const atOrigin = new Map<string, Picture | null>();
  const place = (shot: number, id: PhotoId, cell: Piece): Picture | null => {
    const facts = photos[id];
    if (!facts) return null;
    const { finished, cover } = uprightPiece(cell);
    const picture = placePicture(facts, finished, cover, shotByNumber(job, shot));
    return cell.turn % 180 === 0 ? picture : onItsSideToo(picture, finished.height);
  };
  return (shot: number, id: PhotoId | null, cell: Piece): Picture | null => {
    if (id === null) return null;
    const { finished, cover, turn } = cell;
    const [dx, dy] = [cover.x - finished.x, cover.y - finished.y];
    const key = `${shot} ${id} ${finished.width} ${finished.height} ${dx} ${dy} ${cover.width} ${cover.height} ${turn}`;
    let picture = atOrigin.get(key);
    if (picture === undefined) atOrigin.set(key, (picture = place(shot, id, cell)));
    if (!picture) return null;
    const { placed } = picture;
    return { ...picture, placed: { ...placed, x: um(placed.x + finished.x), y: um(placed.y + finished.y) } };
  };
}

type Piece = Pick<CellPlan, "finished" | "cover" | "turn">;

/**
 * A picture in an upright piece of height h, after the whole piece is laid on its side, a quarter clockwise:
 * (x, y) goes to (h − y, x).
 */
function onItsSideToo(picture: Picture, pieceHeight: number): Picture {
  const { placed } = picture;
  const lying: Rect = { x: um(pieceHeight - placed.y - placed.height), y: placed.x, ...onItsSide(placed) };
  return { ...picture, turn: turnedBy(picture.turn, 90), placed: lying };
}
