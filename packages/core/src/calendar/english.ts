import { ISO_WEEKS } from "../base/day/index.ts";
import type { Calendar } from "./schema.ts";

const words = (text: string) => text.split(" ");

/** What days are drawn with where a job has no calendar yet: English names, and weeks as ISO 8601 counts them. */
export const ENGLISH: Calendar = {
  languages: [
    {
      tag: "en",
      months: words("January February March April May June July August September October November December"),
      shortMonths: words("Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec"),
      days: words("Monday Tuesday Wednesday Thursday Friday Saturday Sunday"),
      shortDays: words("Mon Tue Wed Thu Fri Sat Sun"),
      narrowDays: words("M T W T F S S"),
      year: "[year]",
      yearFirst: false,
      digits: null,
      leftwards: false,
    },
  ],
  week: { ...ISO_WEEKS, weekend: [6, 7] },
  sources: {},
};
