import { rectOf } from "../base/geometry/index.ts";
import type { Job } from "../job/index.ts";
import { placeCell, placeNumber } from "../schema/index.ts";
import { photoFlow, waitingSlot, type Flowing } from "./flow.ts";
import type { LaidCell } from "./layout.ts";

/** What a place is, before any photo comes to it. */
export type Standing = Pick<LaidCell, "finished" | "angle" | "order" | "runsOn" | "within">;

/**
 * Places that photos come to in their order, on one sheet or on as many as they fill. A place that was taken out, or given
 * the photo of a shot of its own, is passed over; one that was put by hand stays when the sheet has fewer of them by now.
 */
export function photosInPlaces(
  job: Job,
  sheets: "one" | "all",
  coming: readonly Flowing[],
  places: readonly Standing[],
): LaidCell[][] {
  const flow = photoFlow(job);
  const laid: LaidCell[][] = [];
  let next = 0;
  do {
    const sheet = laid.length + 1;
    const here = [
      ...places.map((place, i) => ({ key: placeCell(sheet, i + 1), ...place })),
      ...putByHand(job, sheet, places.length),
    ].filter(({ key }) => !job.cells[key]?.gone);
    laid.push(
      here.map((place): LaidCell => {
        const own = job.cells[place.key]?.shot;
        const { slot, shot, of, photo } =
          own !== undefined
            ? flow.at(own)
            : (coming[next] ?? waitingSlot(job.numbered + 1 + next - coming.length));
        if (own === undefined) next++;
        return { ...place, slot, shot, of, photo, turn: 0 };
      }),
    );
  } while (sheets === "all" && next < coming.length);
  return laid;
}

/** Places of a sheet that were put by hand and are beyond those that it has now. */
const putByHand = ({ cells }: Job, sheet: number, places: number) =>
  Object.entries(cells).flatMap(([key, { place }]) => {
    const number = placeNumber(key, sheet);
    return place && number !== null && number > places ? [{ key, finished: rectOf(place) }] : [];
  });
