import { languageOf } from "./names.ts";
import type { Calendar } from "./schema.ts";
import { weeksOf } from "./weeks.ts";

/** A calendar as a reader of this locale expects it, without any days of its own. */
export const freshCalendar = (locale: string): Calendar => ({
  languages: [languageOf(locale)],
  week: weeksOf(locale),
  sources: {},
});
