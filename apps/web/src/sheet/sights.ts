import type { CellPlan, Look, Picture, Rect } from "@wide-quilt/core";

/** A way in which cells show a photo, measured from the finished corner, and the cells that do. */
export interface Sight {
  /** The same for the same way in every layer. */
  key: string;
  photoId: string;
  picture: Picture;
  window: Rect;
  /** Radius of the window's corners. */
  corner: number;
  look: Look | null;
  /** The middle of what the photo covers. */
  middle: { x: number; y: number };
  cells: CellPlan[];
}

export function sightsOf(cells: readonly CellPlan[]): Sight[] {
  const sights = new Map<string, Sight>();
  for (const cell of cells) {
    const { picture, paints, finished, image, cover, shot, corner, look } = cell;
    if (!picture || paints === null) continue;
    const key = [
      shot,
      paints,
      picture.turn,
      finished.width,
      finished.height,
      image.width,
      image.height,
      image.x - finished.x,
      image.y - finished.y,
      corner,
      look === null ? "" : JSON.stringify(look),
    ].join();
    const known = sights.get(key);
    if (known) {
      known.cells.push(cell);
      continue;
    }
    const moved = (rect: Rect): Rect => ({
      ...rect,
      x: (rect.x - finished.x) as Rect["x"],
      y: (rect.y - finished.y) as Rect["y"],
    });
    const placed = moved(picture.placed);
    sights.set(key, {
      key,
      photoId: paints,
      picture: { ...picture, placed },
      window: moved(image),
      corner,
      look,
      middle: { x: cover.x - finished.x + cover.width / 2, y: cover.y - finished.y + cover.height / 2 },
      cells: [cell],
    });
  }
  return [...sights.values()];
}
