import type { Job, Shot } from "./schema.ts";

/** A shot as it is computed, nothing set by hand: the photo fills the cell around its middle. */
export const COMPUTED_SHOT: Omit<Shot, "photo"> = {
  fit: "fill",
  scale: 1,
  centre: { x: 0.5, y: 0.5 },
  turn: 0,
};

/** How the cells of a shot show their photo. A number never used before is as computed. */
export const shotByNumber = (job: Job, shot: number): Shot =>
  job.shots[String(shot)] ?? { photo: null, ...COMPUTED_SHOT };

/** Whether a shot sits otherwise than would be computed for its photo. */
export const isByHand = (shot: Shot): boolean =>
  shot.fit !== COMPUTED_SHOT.fit ||
  shot.turn !== COMPUTED_SHOT.turn ||
  shot.scale !== COMPUTED_SHOT.scale ||
  shot.centre.x !== COMPUTED_SHOT.centre.x ||
  shot.centre.y !== COMPUTED_SHOT.centre.y;
