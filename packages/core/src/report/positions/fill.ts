import Papa from "papaparse";
import { readTable } from "../../job/stash/index.ts";
import type { CellPlan, SheetPlan } from "../../plan/index.ts";
import { counted, type Counted, type Counting } from "./frame.ts";
import { columnsOf, type PositionColumn } from "./headings.ts";
import { countingOf, Fault, lackingOf, whole, wholeIn } from "./line.ts";
import { DECIMALS } from "./write.ts";

/** A table that another program or a printer maker has for positions, filled in. */
export interface FilledTable {
  csv: string;
  /** Lines that were filled in, and cells that the table had no line for, which stand at its end. */
  filled: number;
  more: number;
  /** A sentence for every line that was left as it was, and why. */
  problems: string[];
}

/**
 * Writes where cells are into a table of one’s own: its headings, their order, its own columns and what separates them stay;
 * only what says where cells are is written anew, in the unit and from the corner that the table has.
 */
export function fillPositions(text: string, sheets: readonly SheetPlan[], usual: Counting): FilledTable {
  const { head, lines, problems, separator } = readTable(text);
  const { columns, unit: headed } = columnsOf(head);
  const lacking = lackingOf(columns);
  if (lacking) return { csv: text, filled: 0, more: 0, problems: [...problems, lacking] };
  // Where a comma parts the columns of a country that writes decimals with one, points are what is understood.
  const comma =
    separator !== "," && lines.some(({ cells }) => cells.some((cell) => /^\s*-?\d+,\d+\s*$/.test(cell)));
  const counts = new Map<number, number>();
  const written = new Set<CellPlan>();
  const found: PositionColumn[] = Object.keys(columns) as PositionColumn[];
  const fill = (cells: readonly string[], sheet: SheetPlan, cell: CellPlan, counting: Counting): string[] => {
    const at = counted(cell.finished, sheet.paper, counting);
    const out = head.map((_, i) => cells[i] ?? "");
    for (const column of found) {
      const place = columns[column]!;
      // What a table calls a cell is its own; a line that it did not have gets the cell’s number.
      if (column !== "cell") out[place] = said(column, { sheet, cell, at, counting, comma });
      else out[place] ||= String(cell.number);
    }
    written.add(cell);
    return out;
  };
  let filled = 0;
  let last = usual;
  const rows = lines.map(({ cells, line }) => {
    const value = (column: PositionColumn) => (cells[columns[column] ?? -1] ?? "").trim();
    try {
      const counting = countingOf(value, headed, usual);
      const page = value("page") === "" ? 1 : whole(value("page"), "page");
      const next = (counts.get(page) ?? 0) + 1;
      counts.set(page, next);
      const number = value("cell") === "" ? next : wholeIn(value("cell"), next);
      const sheet = sheets[page - 1];
      const cell = sheet?.cells.find((one) => one.number === number);
      if (!sheet || !cell)
        throw new Fault(`there is no cell ${number} on page ${page}, so it is left as it is.`);
      last = counting;
      filled++;
      return fill(cells, sheet, cell, counting);
    } catch (error) {
      if (!(error instanceof Fault)) throw error;
      problems.push(`Line ${line}: ${error.message}`);
      return [...cells];
    }
  });
  const more = sheets.flatMap((sheet) =>
    [...sheet.cells]
      .sort((a, b) => a.number - b.number)
      .filter((cell) => !written.has(cell))
      .map((cell) => fill([], sheet, cell, { ...last, unit: unitOf(last, headed, usual) })),
  );
  const csv = Papa.unparse([head, ...rows, ...more], { delimiter: separator, newline: "\r\n" });
  return { csv: `${csv}\r\n`, filled, more: more.length, problems };
}

/** Lines that are added count as the last one does, or as the headings say. */
const unitOf = (last: Counting, headed: string | null, usual: Counting): Counting["unit"] =>
  headed ? countingOf(() => "", headed, usual).unit : last.unit;

interface Telling {
  sheet: SheetPlan;
  cell: CellPlan;
  at: Counted;
  counting: Counting;
  /** Whether decimals are written with a comma. */
  comma: boolean;
}

/** What a column says of a cell. */
function said(
  column: Exclude<PositionColumn, "cell">,
  { sheet, cell, at, counting, comma }: Telling,
): string {
  const figure = (value: number, decimals = DECIMALS[counting.unit]) => {
    const text = String(Number(value.toFixed(decimals)));
    return comma ? text.replace(".", ",") : text;
  };
  switch (column) {
    case "page":
      return String(sheet.number);
    case "x":
    case "y":
    case "width":
    case "height":
      return figure(at[column]);
    case "right":
      return figure(at.x + at.width);
    case "bottom":
      return figure(at.y + at.height);
    case "tilt":
      return figure(cell.angle, 4);
    case "unit":
      return counting.unit;
    case "ppi":
      return counting.unit === "px" ? String(counting.ppi) : "";
    case "from":
      return counting.corner;
  }
}
