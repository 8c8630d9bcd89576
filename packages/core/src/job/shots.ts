import { COMPUTED_SHOT, type Shot, type Sits } from "../photo/crop/index.ts";
import type { ShotName } from "../schema/index.ts";
import type { Job } from "./schema.ts";

/** How the cells of a shot show their photo. A name never used before is as computed. */
export const shotNamed = (job: Pick<Job, "shots">, shot: ShotName, computed: Sits = COMPUTED_SHOT): Shot =>
  job.shots[shot] ?? { photo: null, ...computed };
