import { bottom, waysToLie, type Rect, type Size } from "../../base/geometry/index.ts";
import { mm, nearest, um } from "../../base/length/index.ts";
import { linesHeight, type Type } from "../../finish/words/index.ts";
import { layoutArea, styleOfAll, type Job } from "../../job/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { numberedSheet } from "../../schema/index.ts";
import type { LaidBlock, LaidCell, LaidSheet, LaidWords, Layout } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";
import { sectionsOf, type Frame, type Section } from "./sections.ts";

type ContactTicket = TicketOf<"contact">;

/** Width over height of a photo that is not there yet. */
const COMMON_PROPORTION = 3 / 2;
/** Between a thumbnail and the words under it, and under a headline or a section's heading. */
const AWAY = mm(0.8);
const BELOW = mm(2);

const HEAD: Type = { font: "hanken", size: mm(4.2), least: mm(2.4), colour: "#20242c", align: "left" };
const FOOT: Type = { font: "hanken", size: mm(2.8), least: mm(2), colour: "#5a5f69", align: "right" };
const HEADING: Type = { font: "hanken", size: mm(3.2), least: mm(2), colour: "#20242c", align: "left" };

/** How one sheet is divided. */
interface Mesh {
  lying: Size;
  /** Between headline and foot line. */
  area: Rect;
  columns: number;
  rows: number;
  /** Room of a thumbnail, and of the words under it. */
  thumb: Size;
  words: number;
  gap: number;
  /** Blocks across the foot, one below the other. */
  blocks: LaidBlock[];
}

/**
 * Every picked photo whole in a room of its own, row by row, standing on the words under the room:
 *
 *     headline
 *     ┌────┐ ┌────┐ ┌────┐
 *     │    │ │┌──┐│ │────│  room = thumbnail + words
 *     └────┘ └┴──┴┘ └────┘
 *      001    002    003
 *     heading of the next section …
 *     ┌─────────────────────┐
 *     │ block across the foot
 *     └─────────────────────┘
 *                  foot line
 */
export function layOutContact(job: Job, ticket: ContactTicket, photos: Photos): Layout {
  const ways = waysToLie(job.sheet, job.sheet.paper).map((lying) => meshOf(job, ticket, lying));
  const mesh = ways.reduce((best, next) => (fits(next) > fits(best) ? next : best));
  const perSheet = fits(mesh);
  const sections = sectionsOf(job, ticket.breaks, photos);
  const pieces = sections.reduce((sum, { frames }) => sum + frames.length, 0);
  const sheets = perSheet === 0 ? [] : flow(job, ticket, mesh, sections, photos);
  return {
    sheets,
    sums: { columns: mesh.columns, rows: mesh.rows, perSheet, pieces, mostPerSheet: perSheet },
  };
}

const fits = ({ columns, rows, thumb }: Mesh): number =>
  thumb.width < mm(3) || thumb.height < mm(3) ? 0 : columns * rows;

function meshOf(job: Job, ticket: ContactTicket, lying: Size): Mesh {
  const { gap, by, head, foot } = ticket;
  const whole = layoutArea(job.sheet, lying);
  const above = head === "" ? 0 : linesHeight(1, HEAD.size) + BELOW;
  const below = foot === "" ? 0 : linesHeight(1, FOOT.size) + BELOW;
  const { blocks, height: taken } = footBlocks(job, whole, below);
  const area: Rect = {
    ...whole,
    y: um(whole.y + above),
    height: um(Math.max(0, whole.height - above - below - taken)),
  };
  const { caption } = styleOfAll(job);
  const words = caption?.place === "under" ? AWAY + linesHeight(caption.lines, caption.type.size) : 0;
  if (by === "size") {
    const { size } = ticket;
    const columns = Math.max(0, Math.floor((area.width + gap) / (size.width + gap)));
    const rows = Math.max(0, Math.floor((area.height + gap) / (size.height + words + gap)));
    return { lying, area, columns, rows, thumb: size, words, gap, blocks };
  }
  const { columns, rows } = ticket;
  const thumb: Size = {
    width: um(Math.floor((area.width - (columns - 1) * gap) / columns)),
    height: um(Math.floor((area.height - (rows - 1) * gap) / rows - words)),
  };
  return { lying, area, columns, rows, thumb, words, gap, blocks };
}

/** The blocks that stand across the foot, above the foot line, and the height that they take. */
function footBlocks({ blocks }: Job, whole: Rect, below: number): { blocks: LaidBlock[]; height: number } {
  const standing = Object.entries(blocks).filter(([, { stands }]) => stands === "foot");
  const height = standing.reduce((sum, [, block]) => sum + block.height + BELOW, 0);
  let y = bottom(whole) - below - height;
  const laid = standing.map(([name, block]): LaidBlock => {
    y += BELOW;
    const box = { x: whole.x, y: um(y), width: whole.width, height: block.height };
    y += block.height;
    return { name, box };
  });
  return { blocks: laid, height };
}

/** Lets the sections flow over sheets; a heading never stands without a row under it. */
function flow(
  job: Job,
  ticket: ContactTicket,
  mesh: Mesh,
  sections: readonly Section[],
  photos: Photos,
): LaidSheet[] {
  const { area, thumb, words, gap, columns, lying } = mesh;
  const room = thumb.height + words;
  const heading = linesHeight(1, HEADING.size) + AWAY;
  const sheets: LaidSheet[] = [];
  let y = Infinity;
  const open = (needed: number): LaidSheet => {
    const last = sheets.at(-1);
    if (last && y + needed <= bottom(area) + 1) return last;
    y = area.y;
    const sheet: LaidSheet = {
      name: numberedSheet(sheets.length + 1),
      paper: job.sheet.paper,
      lying,
      cells: [],
      words: lines(job, ticket, mesh),
      blocks: mesh.blocks,
    };
    sheets.push(sheet);
    return sheet;
  };
  for (const { title, frames } of sections) {
    if (title !== null) {
      const box = (): Rect => ({
        x: area.x,
        y: um(y),
        width: area.width,
        height: linesHeight(1, HEADING.size),
      });
      open(heading + room).words!.push({ text: title, type: HEADING, box: box() });
      y += heading;
    }
    for (let i = 0; i < frames.length; i += columns) {
      const sheet = open(room);
      const row = frames.slice(i, i + columns);
      row.forEach((frame, column) => sheet.cells.push(cellOf(mesh, frame, column, y, photos)));
      y += room + gap;
    }
  }
  return sheets;
}

function cellOf(
  { area, columns, thumb, words }: Mesh,
  frame: Frame,
  column: number,
  y: number,
  photos: Photos,
): LaidCell {
  // Columns are spread over the whole width, so that the last one ends at the margin.
  const step = columns > 1 ? (area.width - thumb.width) / (columns - 1) : 0;
  const x = area.x + Math.round(column * step);
  const facts = frame.photo === null ? undefined : photos[frame.photo];
  const proportion = facts ? facts.width / facts.height : COMMON_PROPORTION;
  const width = Math.min(thumb.width, nearest(thumb.height * proportion));
  const height = Math.min(thumb.height, nearest(thumb.width / proportion));
  return {
    ...frame,
    finished: {
      x: um(x + Math.floor((thumb.width - width) / 2)),
      // Right above its words; without any in the middle of its room.
      y: um(y + (words > 0 ? thumb.height - height : Math.floor((thumb.height - height) / 2))),
      width: um(width),
      height: um(height),
    },
    turn: 0,
    under: {
      x: um(x),
      y: um(y + thumb.height + AWAY),
      width: thumb.width,
      height: um(Math.max(0, words - AWAY)),
    },
  };
}

/** Headline and foot line of a sheet. */
function lines(job: Job, { head, foot }: ContactTicket, { lying }: Mesh): LaidWords[] {
  const { x, y, width, height } = layoutArea(job.sheet, lying);
  const [above, below] = [linesHeight(1, HEAD.size), linesHeight(1, FOOT.size)];
  return [
    ...(head === "" ? [] : [{ text: head, type: HEAD, box: { x, y, width, height: above } }]),
    ...(foot === ""
      ? []
      : [{ text: foot, type: FOOT, box: { x, y: um(y + height - below), width, height: below } }]),
  ];
}
