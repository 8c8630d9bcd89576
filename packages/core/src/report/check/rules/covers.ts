import { area, around, boundsOf, overlap, type Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import type { Graphic, Ink } from "../../../finish/graphics/index.ts";
import { linesHeight, textWidth, type SetText } from "../../../finish/words/index.ts";
import { styleOfAll, styleOfCell, type Job } from "../../../job/index.ts";
import type { CellPlan, SheetPlan } from "../../../plan/index.ts";
import type { Mend } from "../finding.ts";

/** Something that lies over a cell: what it is in words, where, and how it goes elsewhere. */
export interface Cover {
  what: string;
  many: boolean;
  rect: Rect;
  mend: Mend | undefined;
}

/** What covers more of a cell than this is a frame or a watermark, seen through where it matters. */
const ALL = 0.8;
/** What shines through as much as this hides nothing. */
const FAINT = 0.35;

/**
 * What lies over the photos of a sheet’s cells: words and graphics on a cell, those of the sheet, and other cells. Only cells that
 * were put by hand lie over others, or have others over them.
 */
export function coversOn(job: Job, sheet: SheetPlan): (cell: CellPlan) => Cover[] {
  const ofSheet = sheet.over.flatMap((ink): Cover[] => {
    // What has windows cut into it leaves photos free: where one is too small, its cell is.
    if (ink.kind === "path" && ink.cut.length > 0) return [];
    const rect = rectOf(ink);
    return rect ? [{ what: "Something on the sheet", many: false, rect, mend: moveStamp(job) }] : [];
  });
  const places = new Map(sheet.cells.map((cell, i) => [cell, i]));
  const byHand = sheet.cells.filter(({ placed }) => placed);
  return (cell) => {
    const own = cell.over.flatMap((ink) => {
      const rect = rectOf(ink);
      return rect ? [ofCell(job, cell, ink, rect)] : [];
    });
    const cells = (cell.placed ? sheet.cells : byHand)
      .filter((other) => places.get(other)! > places.get(cell)!)
      .map(otherCell);
    return [...own, ...ofSheet, ...cells].filter(({ rect }) => {
      const both = overlap(rect, cell.opening);
      return both !== null && area(both) < ALL * area(cell.opening);
    });
  };
}

const otherCell = (other: CellPlan): Cover => ({
  what: "Another cell",
  many: false,
  rect: around(other),
  mend: other.placed
    ? { label: "Give the cell its place back", edit: { do: "unplace", cells: [other.key] } }
    : undefined,
});

function ofCell(job: Job, { key }: CellPlan, ink: Ink, rect: Rect): Cover {
  const { caption } = styleOfCell(styleOfAll(job), job.cells[key]?.style);
  if (ink.kind === "text" && caption) {
    const under = { caption: { ...caption, place: "under" as const } };
    const edit = job.cells[key]?.style?.caption
      ? { do: "style cells" as const, cells: [key], change: under }
      : { do: "style" as const, change: under };
    return { what: "The words", many: true, rect, mend: { label: "Put the words under the photo", edit } };
  }
  return { what: "A graphic", many: false, rect, mend: undefined };
}

/** The one stamp of a job at the other end of its sheet, where there is one. */
function moveStamp({ graphics }: Job): Mend | undefined {
  const stamps = Object.entries(graphics).filter(([, { role }]) => role === "stamp");
  const [[name, stamp] = []] = stamps;
  if (stamps.length !== 1 || name === undefined || !stamp) return undefined;
  const isLow = stamp.at.startsWith("bottom");
  const at = (
    isLow
      ? stamp.at.replace("bottom", "top")
      : `bottom${stamp.at.replace(/^(top|middle)/, "").replace(/^(left|right)$/, " $1")}`
  ) as Graphic["at"];
  const edit = { do: "graphics" as const, graphics: { [name]: { ...stamp, at } } };
  return { label: `Put the stamp at the ${at}`, edit };
}

/** What an ink takes on the sheet; null for one that hides nothing. */
function rectOf(ink: Ink): Rect | null {
  if (ink.kind === "text")
    return ink.text.opacity > FAINT ? around({ finished: linesOf(ink.text), angle: ink.text.turn }) : null;
  if (ink.kind === "path") return around({ finished: ink.box, angle: ink.turn });
  return ink.opacity > FAINT && ink.blend === "normal"
    ? around({ finished: ink.rect, angle: ink.turn })
    : null;
}

/** Words as far as they reach, less than their box. */
function linesOf({ lines, font, size, align, box }: SetText): Rect {
  const height = linesHeight(1, size);
  const rects = lines.map(({ text, x, y }): Rect => {
    const width = textWidth(text, font, size);
    const left = { left: x, middle: x - width / 2, right: x - width }[align];
    return { x: um(Math.round(left)), y: um(y - height), width: um(Math.round(width)), height };
  });
  return rects.length === 0 ? box : boundsOf(rects);
}
