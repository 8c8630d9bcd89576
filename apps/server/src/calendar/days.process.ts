/** A process that works days out: from files that others wrote, and from packages that hold much in memory. */
import { CALENDAR_LIMITS, type Day, type DayEntry, type DaysFrom } from "@wide-quilt/core";
import { readFile } from "node:fs/promises";
import type { HolidayPlace } from "../contract.ts";
import { serve } from "../processes/child.ts";
import { otherDates } from "./sources/dates.ts";
import { holidayDays, holidayPlaces } from "./sources/holidays.ts";
import { readIcs, type IcsReading } from "./sources/ics.ts";
import { moonDays, sunDays } from "./sources/sky.ts";

export interface DaysAsked {
  from: Day;
  to: Day;
  source: Exclude<DaysFrom, { kind: "typed" | "file" }>;
}

serve({
  places: ({ language }: { language: string }): Promise<HolidayPlace[]> =>
    Promise.resolve(holidayPlaces(language)),
  days: ({ from, to, source }: DaysAsked): Promise<DayEntry[]> =>
    Promise.resolve(daysOf(from, to, source).slice(0, CALENDAR_LIMITS.days)),
  ics: async ({
    path,
    from,
    to,
    zone,
  }: {
    path: string;
    from: Day;
    to: Day;
    zone: string;
  }): Promise<IcsReading> => readIcs(await readFile(path, "utf8"), from, to, zone),
});

function daysOf(from: Day, to: Day, source: DaysAsked["source"]): DayEntry[] {
  switch (source.kind) {
    case "holidays":
      return holidayDays(from, to, source);
    case "moon":
      return moonDays(from, to, source.zone);
    case "sun":
      return sunDays(from, to, source);
    case "dates":
      return otherDates(from, to, source.calendar, source.language);
  }
}
