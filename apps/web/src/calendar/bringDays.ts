import { freshCalendar, toWorkOut, type Job } from "@wide-quilt/core";
import { newId } from "../app/ids.ts";
import { LOCALE } from "../app/preferences.ts";
import { store } from "../app/store.ts";
import { edit } from "../table/edits.ts";
import { freeName } from "../views/table/finish/freeName.ts";
import { daysFromFile, withDays, type Came } from "./sources.ts";

/**
 * Has days worked out and puts them into the job on the table, under a name of their own or the one given. Gives what is
 * to be said of them; throws what says why there are none.
 */
export async function bringDays(find: (job: Job) => Promise<Came>, name?: string): Promise<string[]> {
  const { job, id } = store.getState().openJob;
  if (!job) return [];
  const { source, said } = await find(job);
  const now = store.getState().openJob;
  // Another job is open by now: the days are not its own.
  if (!now.job || now.id !== id) return [];
  const gesture = newId();
  if (!now.job.calendar)
    void store.dispatch(edit({ do: "calendar", calendar: freshCalendar(LOCALE) }, gesture));
  const own = name ?? freeName("s", now.job.calendar?.sources ?? {});
  void store.dispatch(edit({ do: "days", sources: { [own]: source } }, gesture));
  const none = source.from.kind !== "typed" && source.days.length === 0 && said.length === 0;
  return none ? ["There is no such day in the months that are shown."] : said;
}

/** Brings files of days in, one after the other. */
export async function bringDayFiles(files: readonly File[]): Promise<string[]> {
  const said: string[] = [];
  for (const file of files)
    said.push(
      ...(await bringDays((job) => daysFromFile(job, file, Object.keys(job.calendar?.sources ?? {}).length))),
    );
  return said;
}

/** Works out again what was worked out for other months than are shown now. */
export async function renewDays(): Promise<string[]> {
  const { job } = store.getState().openJob;
  const said: string[] = [];
  for (const [name, source] of job ? toWorkOut(job) : [])
    said.push(...(await bringDays((own) => withDays(own, source), name)));
  return said;
}
