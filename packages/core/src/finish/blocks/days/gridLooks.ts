import type { Type } from "../../words/index.ts";

/** How a style sets the weeks of a month below one another; shares are of the block’s height. */
export interface GridLook {
  heading: { share: number; as: "apart" | "left" | "middle" };
  /** The row of weekdays; 0 for none. */
  weekdays: number;
  /** Six rows whatever the month, so that figures stand alike from month to month; or as many as it has. */
  rows: "six" | "its own";
  align: Type["align"];
  /** Height of figures against that of their row and the width of their column. */
  figure: { row: number; column: number };
  lines: boolean;
  /** A line under the heading. */
  rule: boolean;
}

export const GRIDS = {
  large: {
    heading: { share: 0.2, as: "apart" },
    weekdays: 0.08,
    rows: "six",
    align: "middle",
    figure: { row: 0.74, column: 0.52 },
    lines: false,
    rule: false,
  },
  write: {
    heading: { share: 0.13, as: "left" },
    weekdays: 0.05,
    rows: "its own",
    align: "left",
    figure: { row: 0.26, column: 0.26 },
    lines: true,
    rule: false,
  },
  quiet: {
    heading: { share: 0.2, as: "apart" },
    weekdays: 0.1,
    rows: "six",
    align: "middle",
    figure: { row: 0.62, column: 0.5 },
    lines: false,
    rule: true,
  },
  small: {
    heading: { share: 0.16, as: "left" },
    weekdays: 0.11,
    rows: "six",
    align: "middle",
    figure: { row: 0.72, column: 0.56 },
    lines: false,
    rule: false,
  },
} as const satisfies Record<string, GridLook>;
