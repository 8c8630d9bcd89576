import { area, overlap, type Rect, type Size } from "../../base/geometry/index.ts";
import { inch, mm, nearest, um, type WriteOptions } from "../../base/length/index.ts";
import { once } from "../../base/remembered.ts";
import type { Ink } from "../../finish/graphics/index.ts";
import type { Job } from "../../job/index.ts";
import type { PagePart, SheetPlan } from "../../plan/index.ts";
import { wallOf, type Piece } from "../../solve/panels/index.ts";
import type { Tiling } from "../../solve/tiles/index.ts";
import { bareSheet } from "../bareSheet.ts";
import { line, outlined, plate, words } from "./ink.ts";
import { measures, type Measured } from "./measures.ts";
import { takesOf, told } from "./told.ts";

/** What is kept free at the edges of a map at least, and beside the picture for its measures. */
const MARGIN = mm(10);
const BESIDE = mm(9);
const TITLE = mm(5);
const TEXT = mm(3.2);
/** The picture has no more of the height than this. */
const PICTURE = 0.55;
/** What a map is printed on where the picture comes from a roll. */
const A4 = { name: "A4", width: mm(210), height: mm(297) };
const LETTER_PAPER = { name: "Letter", width: inch(8.5), height: inch(11) };
/** Letters on the picture; sheets smaller than that on the map have none. */
const LETTER = { size: mm(3), least: mm(4) };

/**
 * How a page is put together, on a sheet of its own:
 *
 *     Panorama for the hide wall
 *         ├ 200 ┼ 200 ┼ 200 ┤
 *     ┬   ┌─────┬─────┬─────┐
 *     287 │A1   │B1   │C1   │      the picture in small, with its seams
 *     ┴   └─────┴─────┴─────┘
 *     Together 600 × 287 mm …      what it takes, and what is done in which order
 *     A1 □ □ □   B1 □ □ □          printed, cut, glued
 */
export function mapSheet(
  job: Job,
  page: SheetPlan,
  tilings: readonly Tiling[],
  { id, number, of, paper: used }: Pick<SheetPlan, "id" | "number" | "of"> & { paper: number },
): SheetPlan {
  const { impose, target } = job;
  const [first] = tilings as readonly [Tiling];
  // A length of roll is too dear for that, and too wide to be held.
  const office: SheetPlan["stock"] = job.unit === "in" ? LETTER_PAPER : A4;
  const lying: Size = impose.roll ? { width: office.width, height: office.height } : first.lying;
  const write: WriteOptions = { unit: job.unit, ppi: target.ppi };
  const room: Rect = {
    x: um(Math.max(MARGIN, first.area.x)),
    y: um(Math.max(MARGIN, first.area.y)),
    width: um(lying.width - 2 * Math.max(MARGIN, first.area.x)),
    height: um(lying.height - 2 * Math.max(MARGIN, first.area.y)),
  };
  const wall = wallOf(page.trim, impose.panels);
  const box: Rect = {
    x: um(room.x + BESIDE),
    y: um(room.y + TITLE * 1.6 + BESIDE),
    width: um(room.width - BESIDE),
    height: um(Math.floor(room.height * PICTURE)),
  };
  const scale = Math.min(box.width / wall.width, box.height / wall.height, 1);
  const at = (x: number, y: number) => ({ x: nearest(box.x + x * scale), y: nearest(box.y + y * scale) });
  const small = (rect: Rect, { face, wall: hung }: Piece): Rect => {
    const corner = at(rect.x - face.x + hung.x, rect.y - face.y + hung.y);
    const end = at(rect.x - face.x + hung.x + rect.width, rect.y - face.y + hung.y + rect.height);
    return { ...corner, width: um(end.x - corner.x), height: um(end.y - corner.y) };
  };
  const parts = tilings.map(({ piece }): PagePart => {
    const { x, y, width, height } = piece.face;
    const shown: Rect = { x: um(x + page.trim.x), y: um(y + page.trim.y), width, height };
    return {
      name: piece.number === null ? (page.title ?? job.name) : `${piece.number}`,
      page,
      scale,
      prints: shown,
      shows: shown,
      wrap: null,
      pale: [],
      joint: impose.tiles.joint,
      strips: [],
      turn: 0,
      at: at(piece.wall.x, piece.wall.y),
    };
  });
  const over = once((): Ink[] => {
    const takes = takesOf(tilings, impose.tiles.joint, used, impose.roll);
    const foot = box.y + wall.height * scale;
    const title = { ...room, height: um(TITLE * 1.6) };
    const lines = told(job, tilings, wall, takes, write);
    const below: Rect = { ...room, y: um(Math.round(foot + mm(6))), height: um(0) };
    return [
      ...words(page.of > 1 ? `${job.name}, page ${page.number}` : job.name, title, TITLE),
      ...tilings.flatMap((tiling) => onPicture(tiling, (rect) => small(rect, tiling.piece))),
      ...measures("above", box.y - mm(2.5), acrossOf(tilings, box.x, scale), write),
      ...measures("left", box.x - mm(2.5), downOf(tilings, box.y, scale), write),
      ...written(lines, below, room.y + room.height, tilings),
    ];
  });
  const stock = impose.roll ? office : impose.paper;
  return {
    ...bareSheet({ id, number, of }, stock, lying, target.ppi),
    title: page.of > 1 ? `Map of page ${page.number}` : "Map",
    get over() {
      return over();
    },
    parts,
  };
}

/** The area of all paper of these sheets, in µm². */
export const paperOf = (sheets: readonly Size[]): number =>
  sheets.reduce((sum, sheet) => sum + area(sheet), 0);

/** The sheets of a panel over the picture in small, with their letters. */
function onPicture({ tiles, piece }: Tiling, small: (rect: Rect) => Rect): Ink[] {
  const seen = tiles.flatMap(({ shows }) => overlap(shows, piece.face) ?? []);
  return [
    ...seen.flatMap((rect) => [outlined(small(rect), mm(0.5), "#ffffff"), outlined(small(rect), mm(0.15))]),
    ...tiles.flatMap(({ name, shows }) => {
      const rect = small(shows);
      if (Math.min(rect.width, rect.height) < LETTER.least) return [];
      const width = Math.min(rect.width, LETTER.size * (0.62 * name.length + 0.8));
      const on: Rect = { x: rect.x, y: rect.y, width: nearest(width), height: um(LETTER.size * 1.3) };
      return [plate(on), ...words(name, on, LETTER.size, { align: "middle" })];
    }),
  ];
}

/** Columns on the wall: of sheets of a page in one piece, else of panels and the gaps between them. */
const acrossOf = (tilings: readonly Tiling[], from: number, scale: number): Measured[] =>
  stretchesOf(
    tilings,
    ({ row }) => row === 0,
    ({ x, width }) => [x, width],
    from,
    scale,
  );

const downOf = (tilings: readonly Tiling[], from: number, scale: number): Measured[] =>
  stretchesOf(
    tilings,
    ({ column }) => column === 0,
    ({ y, height }) => [y, height],
    from,
    scale,
  );

function stretchesOf(
  tilings: readonly Tiling[],
  isIn: (of: { row: number; column: number }) => boolean,
  along: (rect: Rect) => [from: number, length: number],
  from: number,
  scale: number,
): Measured[] {
  const [one] = tilings;
  const rects =
    tilings.length === 1
      ? one!.tiles.filter(isIn).flatMap(({ shows }) => overlap(shows, one!.piece.face) ?? [])
      : tilings.filter(({ piece }) => isIn(piece)).map(({ piece }) => piece.wall);
  let end: number | null = null;
  return rects.flatMap((rect): Measured[] => {
    const [at, long] = along(rect);
    const gap =
      end !== null && at > end ? [{ from: from + end * scale, to: from + at * scale, long: at - end }] : [];
    end = at + long;
    return [...gap, { from: from + at * scale, to: from + end * scale, long }];
  });
}

/** What is told below the picture, and a row of boxes to tick for every sheet, as far as there is room. */
function written(
  lines: readonly string[],
  { x, y, width }: Rect,
  foot: number,
  tilings: readonly Tiling[],
): Ink[] {
  let at: number = y;
  const inks = lines.flatMap((text) => {
    const room: Rect = { x, y: um(Math.round(at)), width, height: um(Math.max(1, Math.round(foot - at))) };
    const set = words(text, room, TEXT, { most: MOST_LINES });
    const count = set.reduce((sum, ink) => sum + (ink.kind === "text" ? ink.text.lines.length : 0), 0);
    at += count * TEXT * LEADING + mm(1);
    return set;
  });
  return [...inks, ...ticks(tilings, { x, y: um(Math.round(at + mm(2))), width, height: um(0) }, foot)];
}

/** From baseline to baseline, as words are set; and lines of one instruction. */
const LEADING = 1.25;
const MOST_LINES = 12;

const TICKED = ["printed", "cut", "glued"];
const CELL = { width: mm(30), height: mm(5.5), box: mm(3) };

function ticks(tilings: readonly Tiling[], { x, y, width }: Rect, foot: number): Ink[] {
  const names = tilings.flatMap(({ tiles }) => tiles.map(({ name }) => name));
  const columns = Math.max(1, Math.floor(width / CELL.width));
  const rows = Math.ceil(names.length / columns);
  if (y + CELL.height * (rows + 1) > foot) return [];
  const heading: Rect = { x, y, width, height: CELL.height };
  return [
    ...words(`To tick: ${TICKED.join(", ")}`, heading, TEXT * 0.9),
    ...names.flatMap((name, i) => {
      const left = x + (i % columns) * CELL.width;
      const top = y + CELL.height * (1 + Math.floor(i / columns));
      const own: Rect = { x: um(left), y: um(top), width: mm(14), height: CELL.height };
      return [
        ...words(name, own, TEXT),
        ...TICKED.map((_, n) =>
          outlined(
            {
              x: um(left + mm(14) + n * mm(4.5)),
              y: um(top + Math.round((CELL.height - CELL.box) / 2)),
              width: CELL.box,
              height: CELL.box,
            },
            mm(0.2),
          ),
        ),
      ];
    }),
    line(x, y, x + width, y, um(120), "#9aa0aa"),
  ];
}
