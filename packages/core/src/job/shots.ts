import type { ShotName } from "./names.ts";
import type { Job, Shot } from "./schema.ts";

/** A shot as it is computed, nothing set by hand: the photo fills the cell around its middle. */
export const COMPUTED_SHOT: Sits = {
  fit: "fill",
  scale: 1,
  centre: { x: 0.5, y: 0.5 },
  turn: 0,
  level: 0,
};

/** How a shot sits where nothing was set by hand: as its kind of job computes it. */
export type Sits = Omit<Shot, "photo">;

/** How the cells of a shot show their photo. A name never used before is as computed. */
export const shotNamed = (job: Pick<Job, "shots">, shot: ShotName, computed: Sits = COMPUTED_SHOT): Shot =>
  job.shots[shot] ?? { photo: null, ...computed };

/** Whether a shot sits otherwise than would be computed for its photo. */
export const isByHand = (shot: Sits, computed: Sits = COMPUTED_SHOT): boolean =>
  shot.fit !== computed.fit ||
  shot.turn !== computed.turn ||
  shot.level !== computed.level ||
  shot.scale !== computed.scale ||
  shot.centre.x !== computed.centre.x ||
  shot.centre.y !== computed.centre.y;
