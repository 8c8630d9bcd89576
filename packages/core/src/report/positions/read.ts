import type { JobEdit } from "../../edit/index.ts";
import type { Job, Place } from "../../job/index.ts";
import { readTable } from "../../job/stash/index.ts";
import type { CellPlan, SheetPlan } from "../../plan/index.ts";
import { LIMITS, type CellName } from "../../schema/index.ts";
import { placed, type Counted, type Counting } from "./frame.ts";
import { columnsOf, type PositionColumn } from "./headings.ts";
import { countingOf, Fault, figure, lackingOf, whole, wholeIn, type Value } from "./line.ts";

/** What a table of positions comes to: nothing in it stops the rest from being read. */
export interface PositionsReading {
  /** What brings the cells where the table has them; empty where all are there already. */
  edits: JobEdit[];
  /** Lines that were read, cells that stand elsewhere by them, and cells that are new. */
  lines: number;
  moved: number;
  added: number;
  /** A sentence for every line that was left out, and why. */
  problems: string[];
}

/**
 * Reads where cells are to stand from a table of text (RFC 4180; comma, semicolon or tab), its columns found by what they are
 * headed here and elsewhere. `usual` is how it counts where the table itself does not say. A line of a cell that the page does
 * not have adds one; a cell that is no line of the table stays where it is.
 */
export function readPositions(
  text: string,
  job: Job,
  sheets: readonly SheetPlan[],
  usual: Counting,
): PositionsReading {
  const { head, lines, problems } = readTable(text);
  const read: PositionsReading = { edits: [], lines: 0, moved: 0, added: 0, problems };
  const { columns, unit } = columnsOf(head);
  const lacking = lackingOf(columns);
  if (lacking) {
    problems.push(lacking);
    return read;
  }
  const places: Record<CellName, { place: Place }> = {};
  const added: { place: Place; photo: null }[] = [];
  const seen = new Map<string, number>();
  const counts = new Map<number, number>();
  for (const line of lines.slice(0, LIMITS.pieces)) {
    const value = (column: PositionColumn) => (line.cells[columns[column] ?? -1] ?? "").trim();
    try {
      const counting = countingOf(value, unit, usual);
      const page = value("page") === "" ? 1 : whole(value("page"), "page");
      const sheet = sheets[page - 1];
      if (!sheet)
        throw new Fault(`there is no page ${page}: this job has ${sheets.length}. Add a sheet first.`);
      const next = (counts.get(page) ?? 0) + 1;
      counts.set(page, next);
      const number = value("cell") === "" ? next : wholeIn(value("cell"), next);
      const before = seen.get(`${page} ${number}`);
      if (before !== undefined)
        throw new Fault(`cell ${number} of page ${page} is in line ${before} already, which is taken.`);
      const cell = sheet.cells.find((one) => one.number === number);
      // A table that says nothing of tilts leaves them.
      const tilt = columns.tilt === undefined && cell ? String(cell.angle) : value("tilt");
      const place = placeOf(sheet, countedIn(value, columns), counting, tilt);
      seen.set(`${page} ${number}`, line.line);
      read.lines++;
      if (!cell) added.push({ place, photo: null });
      else if (!isThere(cell, place)) {
        const { order, locked, proportion } = job.cells[cell.key]?.place ?? place;
        places[cell.key] = { place: { ...place, order, locked, proportion } };
      }
    } catch (error) {
      if (!(error instanceof Fault)) throw error;
      problems.push(`Line ${line.line}: ${error.message}`);
    }
  }
  if (lines.length > LIMITS.pieces)
    problems.push(`The table has ${lines.length} lines; the first ${LIMITS.pieces} were read.`);
  read.moved = Object.keys(places).length;
  read.added = added.length;
  if (read.moved > 0) read.edits.push({ do: "place", cells: places });
  if (read.added > 0) read.edits.push({ do: "add cells", cells: added });
  return read;
}

function countedIn(value: Value, columns: Partial<Record<PositionColumn, number>>): Counted {
  const [x, y] = [figure(value("x"), "x"), figure(value("y"), "y")];
  if (columns.width === undefined || columns.height === undefined)
    return {
      x,
      y,
      width: figure(value("right"), "right") - x,
      height: figure(value("bottom"), "bottom") - y,
    };
  return { x, y, width: figure(value("width"), "width"), height: figure(value("height"), "height") };
}

function placeOf({ id, paper }: SheetPlan, counted: Counted, counting: Counting, tilt: string): Place {
  const rect = placed(counted, paper, counting);
  const { least, most } = LIMITS.piece;
  for (const side of ["width", "height"] as const) {
    if (rect[side] < least || rect[side] > most)
      throw new Fault(
        `a ${side} of ${rect[side] / 1000} mm is not from ${least / 1000} to ${most / 1000} mm. Is the unit right?`,
      );
  }
  for (const at of ["x", "y"] as const) {
    if (rect[at] < LIMITS.away.least || rect[at] > LIMITS.away.most)
      throw new Fault(
        `${at} lies ${rect[at] / 1000} mm from the page’s corner, which is too far. Is the unit right?`,
      );
  }
  const angle = tilt === "" ? 0 : figure(tilt, "tilt");
  if (angle < -180 || angle > 180) throw new Fault(`a tilt of ${angle}° is not from −180 to 180.`);
  return { sheet: id, ...rect, angle, order: 0, locked: false, proportion: false };
}

/** Whether a cell is where the table has it, to the micrometre. */
const isThere = ({ finished, angle }: CellPlan, place: Place): boolean =>
  finished.x === place.x &&
  finished.y === place.y &&
  finished.width === place.width &&
  finished.height === place.height &&
  Math.abs(angle - place.angle) < 1e-3;
