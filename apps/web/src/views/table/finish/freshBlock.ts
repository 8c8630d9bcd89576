import {
  daysOfMonth,
  layoutArea,
  LIMITS,
  mm,
  readMonth,
  um,
  writeDay,
  type Block,
  type DaysBlock,
  type Job,
  type SheetPlan,
  type TableBlock,
} from "@wide-quilt/core";

const column = (heading: string, share = 1, align: "left" | "right" = "left") => ({ heading, share, align });

/** What a table can begin as. */
export const TABLES: { name: string; about: Pick<TableBlock, "title" | "columns" | "rows" | "blank"> }[] = [
  {
    name: "An order form",
    about: {
      title: "Order, [job]",
      columns: [
        column("Photo", 2),
        column("Size", 2),
        column("How many", 1, "right"),
        column("Sum", 1, "right"),
      ],
      rows: [],
      blank: 6,
    },
  },
  {
    name: "A price list",
    about: {
      title: "Prices",
      columns: [column("Print", 3), column("Price", 1, "right")],
      rows: [
        ["9 × 13 cm", ""],
        ["10 × 15 cm", ""],
        ["13 × 18 cm", ""],
      ],
      blank: 0,
    },
  },
  {
    name: "A title block",
    about: {
      title: "",
      columns: [column("", 1), column("", 2)],
      rows: [
        ["Job", "[job]"],
        ["Page", "[page] of [pages]"],
        ["Checked", ""],
      ],
      blank: 0,
    },
  },
];

/** Between the margins, as wide as they are apart, above a foot line. */
export function freshTable(
  about: (typeof TABLES)[number]["about"],
  { sheet }: Job,
  { paper }: SheetPlan,
): Block {
  const area = layoutArea(sheet, paper);
  const count = about.rows.length + about.blank + 2;
  const height = um(count * mm(7));
  return {
    kind: "table",
    ...about,
    type: { font: "hanken", size: mm(3.5), least: mm(1.5), colour: "#20242c", align: "left" },
    line: { width: mm(0.2), colour: "#646b77" },
    head: "#e6e8f7",
    stands: "hand",
    x: area.x,
    y: um(area.y + area.height - height - mm(8)),
    width: um(Math.max(LIMITS.piece.least, area.width)),
    height,
    sheet: null,
  };
}

/** What days can begin as, from the month that the job’s calendar begins with. */
export const DAYS: { name: string; of(month: string): DaysBlock["of"]; style: DaysBlock["style"] }[] = [
  { name: "A month", of: (month) => ({ span: "month", month }), style: "large" },
  {
    name: "A year",
    of: (month) => ({ span: "months", first: `${month.slice(0, 4)}-01`, count: 12 }),
    style: "small",
  },
  {
    name: "A week",
    of: (month) => ({ span: "week", first: writeDay(daysOfMonth(readMonth(month)!).first) }),
    style: "write",
  },
];

/** In the lower right of the area between the margins, a third as wide. */
export function freshDays(
  { of, style }: (typeof DAYS)[number],
  month: string,
  { sheet }: Job,
  plan: SheetPlan,
): DaysBlock {
  const area = layoutArea(sheet, plan.paper);
  const width = um(Math.max(mm(20), Math.round(area.width * 0.4)));
  const height = um(Math.round(width * 0.8));
  return {
    kind: "days",
    of: of(month),
    style,
    own: { ground: { colour: "#ffffff", opacity: 1 } },
    stands: "hand",
    x: um(area.x + area.width - width),
    y: um(area.y + area.height - height),
    width,
    height,
    sheet: plan.of > 1 ? plan.id : null,
  };
}
