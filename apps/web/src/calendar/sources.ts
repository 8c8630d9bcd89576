import {
  prefersLetter,
  readDayList,
  workedFor,
  type DaySource,
  type DaysFrom,
  type Job,
} from "@wide-quilt/core";
import { server } from "../api/client.ts";
import { sayGuess, textOf } from "../api/tableText.ts";
import { LOCALE } from "../app/preferences.ts";
import { THIS_ZONE } from "./today.ts";

/** Colours that days get one after the other; each goes with its name in the list. */
const COLOURS = ["#34409c", "#1f6f54", "#8a4f00", "#7a2a73", "#0f6180", "#5b5f1c"];
const RED = "#a8322a";
const GREY = "#646b77";

/** A kind of days as it first comes into a job. */
export const freshSource = (
  name: string,
  from: DaysFrom,
  count: number,
  more: Partial<DaySource> = {},
): DaySource => ({
  name: name.slice(0, 200) || "Days",
  from,
  colour: COLOURS[count % COLOURS.length]!,
  words: true,
  mark: "dot",
  off: false,
  shown: true,
  days: [],
  ...more,
});

export const HOLIDAYS: Partial<DaySource> = { colour: RED, mark: "none", off: true };
export const SKY: Partial<DaySource> = { colour: GREY, mark: "none" };

/** Days that came in, and what is to be said of them. */
export interface Came {
  source: DaySource;
  said: string[];
}

/** The days of a source for what a job shows. Throws a Problem that says why there are none. */
export async function withDays(job: Job, source: DaySource): Promise<Came> {
  if (source.from.kind === "typed") return { source, said: [] };
  const worked = workedFor(job);
  if (!worked) return { source, said: ["No month is shown yet that it could have days in."] };
  const { days, said } = await server.askDays(worked.from, worked.to, source.from);
  return { source: { ...source, worked, days }, said };
}

/** The days of a file: events (.ics), or a list (CSV). Throws what says why there are none. */
export async function daysFromFile(job: Job, file: File, count: number): Promise<Came> {
  const plain = file.name.replace(/\.[^.]{1,5}$/, "");
  if (/\.(ics|ical|ifb|vcs)$/i.test(file.name) || file.type === "text/calendar") {
    const kept = await server.addCalendarFile(file);
    const from: DaysFrom = { kind: "file", file: kept.file, zone: THIS_ZONE };
    return withDays(job, freshSource(plain, from, count));
  }
  const { text, guess } = await textOf(file);
  const { days, problems } = readDayList(text, prefersLetter(LOCALE));
  return {
    source: freshSource(plain, { kind: "typed" }, count, { days }),
    said: [...sayGuess(guess), ...problems],
  };
}

/** Whether a file holds days. */
export const holdsDays = (file: File): boolean =>
  /\.(ics|ical)$/i.test(file.name) || file.type === "text/calendar";
