import { applyEdit } from "../edit/index.ts";
import type { Job } from "../job/index.ts";
import { kindOf } from "../kinds/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { arrange } from "../plan/arrange.ts";
import type { ShotName } from "../schema/index.ts";
import { EVENT_LIMITS } from "./setup.ts";
import type { EventSet } from "./state.ts";

/** How many photos make a set of a pattern: the shots that its pages have, each counted once. 0 where it shows none. */
export function shotsOfPattern(pattern: Job): number {
  return Math.min(EVENT_LIMITS.shots, shotsIn(pattern, {}).length);
}

/** The shots of a job’s pages, in the order in which its cells have them. */
const shotsIn = (job: Job, photos: Photos): ShotName[] => [
  ...new Set(
    arrange(job, photos).flatMap(({ cells }) =>
      [...cells].sort((a, b) => placeOf(a.key) - placeOf(b.key)).map(({ shot }) => shot),
    ),
  ),
];

/** Cells that lie over others come last in a plan; a set fills by their places. */
const placeOf = (key: string): number => Number(key.split(".").at(-1)!.replace(/^\D+/, ""));

/**
 * The job of a set: its pattern with the set’s photos, in its own words. `at` is when the set was full, by the clock on the
 * wall: "2026-10-03T14:05:00".
 */
export function jobOfSet(
  pattern: Job,
  event: string,
  { number, shots, crops }: EventSet,
  at: string,
  photos: Photos,
): Job {
  const there = shots.flatMap((shot) => (shot ? [{ id: shot.photo, name: shot.name }] : []));
  const name = `${event}, set ${number}`;
  const filled = applyEdit({ ...pattern, name }, { do: "add photos", photos: there });
  const shown =
    kindOf(filled).followsStash(filled) || there.length !== 1 ? filled : inAll(filled, there[0]!.id);
  const job: Job = { ...shown, occasion: { event, set: number, person: "", at } };
  const names = shotsIn(job, photos);
  return Object.entries(crops).reduce((made, [place, sits]) => {
    const shot = names[Number(place) - 1];
    return shot === undefined ? made : applyEdit(made, { do: "shot", shot, change: sits });
  }, job);
}

/** A single photo goes into every cell of a pattern that shows one photo. */
const inAll = (job: Job, photo: string): Job =>
  kindOf(job).showInAll(job, photo) ? applyEdit(job, { do: "put in all", photo }) : job;
