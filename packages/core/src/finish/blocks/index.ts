export { weekTitle } from "./days/week.ts";
export { drawDays } from "./days/draw.ts";
export type { DayBox, Drawn } from "./days/drawing.ts";
export { monthName, yearName } from "./days/heading.ts";
export {
  DAY_STYLES,
  MOST_MONTHS,
  type DaysBlock,
  type DaysOf,
  type DayStyle,
  type Design,
} from "./days/schema.ts";
export { designOf, DESIGNS, ON_PAPER } from "./days/styles.ts";
export type { Block } from "./schema.ts";
export { drawTable } from "./table/draw.ts";
export { TABLE_LIMITS, type TableBlock } from "./table/schema.ts";
