import { writeDay, type Day, type DayEntry } from "@wide-quilt/core";
import { getMoonIllumination, getTimes } from "suncalc";
import { clockAt, writeClock } from "./zone.ts";

const HOUR = 3_600_000;
const MINUTE = 60_000;
const PHASES = ["new", "first quarter", "full", "last quarter"] as const;
const NAMES = {
  new: "New moon",
  "first quarter": "First quarter",
  full: "Full moon",
  "last quarter": "Last quarter",
};

/** The quarter of its course that the moon is in, 0 to 3. */
const quarterAt = (instant: number): number =>
  Math.floor(getMoonIllumination(new Date(instant)).phase * 4) % 4;

/** The days on which the moon is new, full, or half. */
export function moonDays(from: Day, to: Day, zone: string): DayEntry[] {
  const found: DayEntry[] = [];
  let last = quarterAt((from - 1) * 24 * HOUR);
  for (let instant = (from - 1) * 24 * HOUR + HOUR; instant < (to + 2) * 24 * HOUR; instant += HOUR) {
    const quarter = quarterAt(instant);
    if (quarter === last) continue;
    last = quarter;
    // Between this hour and the one before, to the minute.
    let [early, late] = [instant - HOUR, instant];
    while (late - early > MINUTE) {
      const middle = (early + late) / 2;
      if (quarterAt(middle) === quarter) late = middle;
      else early = middle;
    }
    const { day } = clockAt(late, zone);
    const moon = PHASES[quarter]!;
    if (day >= from && day <= to) found.push({ day: writeDay(day), text: NAMES[moon], moon });
  }
  return found;
}

/** When the sun rises and sets; days on which it does not are left out. */
export function sunDays(
  from: Day,
  to: Day,
  { latitude, longitude, zone }: { latitude: number; longitude: number; zone: string },
): DayEntry[] {
  const found: DayEntry[] = [];
  for (let day = from; day <= to; day++) {
    const { sunrise, sunset } = getTimes(new Date((day + 0.5) * 24 * HOUR), latitude, longitude);
    if (!sunrise || !sunset || Number.isNaN(sunrise.getTime()) || Number.isNaN(sunset.getTime())) continue;
    const [up, down] = [clockAt(sunrise.getTime(), zone), clockAt(sunset.getTime(), zone)];
    found.push({ day: writeDay(day), text: `${writeClock(up)}–${writeClock(down)}` });
  }
  return found;
}
