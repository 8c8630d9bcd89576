import type { Picture } from "../../photo/crop/index.ts";
import type { CellPlan } from "../../plan/index.ts";
import type { PhotoId, ShotName } from "../../schema/index.ts";
import type { Inspection } from "./finding.ts";

/** The cells of one shot that have a picture. They show it in the same way, as far as their sizes are the same. */
export interface ShownShot {
  shot: ShotName;
  photo: PhotoId;
  /** The photo's file name. */
  name: string;
  picture: Picture;
  cells: CellPlan[];
}

/** Every shot that is seen on the sheets, in the order of its first cell. */
export function shownShots({ job, sheets }: Inspection): ShownShot[] {
  const shots = new Map<ShotName, ShownShot>();
  const names = new Map(job.stash.map(({ id, name }) => [id, name]));
  for (const cell of sheets.flatMap((sheet) => sheet.cells)) {
    if (!cell.picture || cell.photo === null) continue;
    const known = shots.get(cell.shot);
    if (known) known.cells.push(cell);
    else {
      const name = names.get(cell.photo) ?? "The photo";
      shots.set(cell.shot, {
        shot: cell.shot,
        photo: cell.photo,
        name,
        picture: cell.picture,
        cells: [cell],
      });
    }
  }
  return [...shots.values()];
}

export const keysOf = (cells: readonly CellPlan[]): string[] => cells.map(({ key }) => key);
