import type { PhotoId } from "../schema/index.ts";
import type { Calendar, DayEntry } from "./schema.ts";

/** The small photos in days, each once. */
export const dayPhotos = (calendar: Calendar | null): PhotoId[] => [
  ...new Set(entriesOf(calendar).flatMap(({ photo }) => photo ?? [])),
];

/** The calendar with another photo in the days of one, or with none; the same where no day has it. */
export function withDayPhoto(calendar: Calendar | null, photo: PhotoId, to: PhotoId | null): Calendar | null {
  if (calendar === null || !entriesOf(calendar).some((entry) => entry.photo === photo)) return calendar;
  const instead = (entry: DayEntry): DayEntry => {
    if (entry.photo !== photo) return entry;
    const { photo: _photo, ...rest } = entry;
    return to === null ? rest : { ...rest, photo: to };
  };
  const sources = Object.entries(calendar.sources).map(
    ([name, source]) => [name, { ...source, days: source.days.map(instead) }] as const,
  );
  return { ...calendar, sources: Object.fromEntries(sources) };
}

const entriesOf = (calendar: Calendar | null): DayEntry[] =>
  Object.values(calendar?.sources ?? {}).flatMap(({ days }) => days);
