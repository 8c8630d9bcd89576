export { dateOf, dayOf, daysInMonth, isLeap, YEARS, type CivilDate, type Day } from "./civil.ts";
export { easter, julianEaster } from "./easter.ts";
export {
  daysOfMonth,
  inYear,
  isDate,
  monthOf,
  monthOfDay,
  readDay,
  readMonth,
  writeDay,
  writeMonth,
  type Month,
} from "./text.ts";
export { ISO_WEEKS, weekdayOf, weekOf, weekStart, type Weekday, type WeekRule } from "./week.ts";
