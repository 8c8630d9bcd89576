export { dayPhotos, withDayPhoto } from "./dayPhotos.ts";
export { ENGLISH } from "./english.ts";
export { freshCalendar } from "./fresh.ts";
export { writeIcs, type IcsAbout } from "./ics.ts";
export { languageOf, writeCount, writeYear } from "./names.ts";
export { notesIn, restDay, type Note, type Notes } from "./notes.ts";
export {
  CALENDAR_LIMITS,
  daysFromSchema,
  MARKS,
  MOONS,
  type Calendar,
  type DayEntry,
  type DaysFrom,
  type DaySource,
  type Language,
} from "./schema.ts";
export { countryOf, weeksOf, type WeekOf } from "./weeks.ts";
