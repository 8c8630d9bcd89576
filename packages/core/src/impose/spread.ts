import { bottom, right, type Rect, type Size } from "../base/geometry/index.ts";
import { mm, um } from "../base/length/index.ts";
import { once } from "../base/remembered.ts";
import type { Ink, Stroke } from "../finish/graphics/index.ts";
import { cutMarks } from "../finish/marks/index.ts";
import { setWords, type Type } from "../finish/words/index.ts";
import { pagesOnSheets, type Job } from "../job/index.ts";
import { movedInk, movedStroke, type Move, type PagePart, type SheetPlan } from "../plan/index.ts";
import { numberedSheet } from "../schema/index.ts";
import { tilingsOfPage, type Imposed, type PageSlot } from "../solve/slots/index.ts";
import { stripsOf, type StripOf, type Tile, type Tiling } from "../solve/tiles/index.ts";
import { bareSheet } from "./bareSheet.ts";
import { keptOf, mapSheet, paperOf } from "./map/index.ts";
import { moveTo } from "./moveTo.ts";

const LETTERS: Type = { font: "hanken", size: mm(3.5), least: mm(1.5), colour: "#20242c", align: "middle" };
/** What letters stand on where a strip is printed in full. */
const PLATE = "#ffffff";
/** Less room beside a picture than this holds no letters. */
const ROOM = mm(3);

/**
 * The sheets that pages are spread over: each with its parts of them, where they are cut, and where they belong; then the
 * map that says so, where it is wanted.
 */
export function spread(job: Job, pages: readonly SheetPlan[]): SheetPlan[] {
  const sheets = pagesOnSheets(
    job,
    pages.map(({ trim }) => trim),
  );
  const maps = (job.impose.map ? pages : []).flatMap((page, index) => {
    const tilings = tilingsOfPage(sheets, index);
    return tilings.length === 0 ? [] : [{ page, tilings, paper: paperFor(sheets, index) }];
  });
  const of = sheets.length + maps.length;
  const as = (index: number) => ({ id: numberedSheet(index + 1), number: index + 1, of });
  return [
    ...sheets.map(({ lying, slots }, index) =>
      spreadSheet(
        job,
        lying,
        slots.map((slot) => partOf(job, pages[slot.page]!, slot)),
        as(index),
      ),
    ),
    ...maps.map(({ page, tilings, paper }, i) =>
      mapSheet(job, page, tilings, { ...as(sheets.length + i), paper }),
    ),
  ];
}

/** The paper of all sheets that show a page; of a roll that several share, all of it. */
const paperFor = (sheets: readonly Imposed[], page: number): number =>
  paperOf(sheets.filter(({ slots }) => slots.some((slot) => slot.page === page)).map(({ lying }) => lying));

/** A part of a page on its sheet: what is painted of it, what is left once it is cut, and what is written beside it. */
interface PartOnSheet {
  part: PagePart;
  /** On the sheet: what is printed, what is left once it is cut, and what is seen of that. */
  printed: Rect;
  kept: Rect;
  seen: Rect;
  over(): Ink[];
  /** Where what goes around a frame is folded. */
  folds: Stroke[];
}

function partOf(job: Job, page: SheetPlan, { at, part: of }: PageSlot): PartOnSheet {
  const { tile, tiling } = of!;
  const { impose } = job;
  const { tiles, panels } = impose;
  const onPage = moved(page.trim.x, page.trim.y);
  const move = moveTo(at, tile.prints);
  const strips = stripsOf(tile, tiling);
  const { face } = tiling.piece;
  const part: PagePart = {
    name: tile.name,
    page,
    scale: 1,
    prints: onPage(tile.prints),
    shows: onPage(tile.shows),
    wrap:
      panels && panels.wrap.way !== "none" && panels.wrap.way !== "picture"
        ? { way: panels.wrap.way, face: onPage(face), colour: panels.wrap.colour }
        : null,
    pale: tiles.under === "pale" ? strips.map(({ rect }) => onPage(rect)) : [],
    joint: tiles.joint,
    strips: strips.map(({ side, next, rect }) => ({
      side,
      next,
      width: um(Math.min(rect.width, rect.height)),
    })),
    turn: at.turn,
    at: { x: at.x, y: at.y },
  };
  const printed = move.rect(tile.prints);
  const bare = impose.roll ? [] : besideOf(printed, tiling.area);
  return {
    part,
    printed,
    kept: move.rect(keptOf(tile, tiling, tiles.joint)),
    seen: move.rect(tile.shows),
    over: () => (tiles.letters ? letters(job, tile, strips, move, bare) : []),
    folds: foldsOf(tile, tiling).map((fold) => movedStroke(fold, move)),
  };
}

/** A sheet with parts of pages, and lines to cut them by. */
function spreadSheet(
  { impose, target, finish }: Job,
  paper: Size,
  parts: readonly PartOnSheet[],
  as: Pick<SheetPlan, "number" | "of" | "id">,
): SheetPlan {
  const [first] = parts as readonly [PartOnSheet];
  const isOne = parts.length === 1;
  // Drawn when they are looked at: of hundreds of sheets one is on the table.
  const over = once(() => parts.flatMap((part) => part.over()));
  const marks = once(() => {
    const cuts = parts.flatMap(({ kept, seen, printed }) =>
      [kept, seen].map((finished) => ({ finished, image: printed })),
    );
    return [
      ...cutMarks(paper, cuts, { ...finish.marks, kind: impose.marks }),
      ...parts.flatMap(({ folds }) => folds),
    ];
  });
  const stock = impose.roll ? { ...impose.paper, height: paper.height } : impose.paper;
  return {
    ...bareSheet(as, stock, paper, target.ppi),
    ...(isOne && {
      title: first.part.name,
      shows: first.part.page.shows,
      trim: first.kept,
      bleed: first.printed,
      safe: first.seen,
    }),
    get over() {
      return over();
    },
    get marks() {
      return marks();
    },
    freed: parts.map(({ kept }) => kept),
    parts: parts.map(({ part }) => part),
  };
}

/** How far a tick at a fold reaches in from the edge of what goes around a frame, at most; its line. */
const FOLD = { length: mm(4), width: um(150), colour: "#20242c" };

/** Ticks at the outermost edge of what goes around a frame, which lies at its back: in line with its front. */
function foldsOf({ prints }: Tile, { piece: { face, whole } }: Tiling): Stroke[] {
  const deep = face.x - whole.x;
  const long = Math.min(FOLD.length, Math.floor(deep / 3));
  if (long === 0) return [];
  const { width, colour } = FOLD;
  const [r, b] = [right(whole), bottom(whole)];
  const upright = [face.x, right(face)].flatMap((x) => [
    { x1: x, x2: x, y1: whole.y, y2: um(whole.y + long) },
    { x1: x, x2: x, y1: um(b - long), y2: b },
  ]);
  const level = [face.y, bottom(face)].flatMap((y) => [
    { y1: y, y2: y, x1: whole.x, x2: um(whole.x + long) },
    { y1: y, y2: y, x1: um(r - long), x2: r },
  ]);
  const isHere = ({ x1, y1, x2, y2 }: Pick<Stroke, "x1" | "x2" | "y1" | "y2">) =>
    x1 >= prints.x && x2 <= right(prints) && y1 >= prints.y && y2 <= bottom(prints);
  return [...upright, ...level].filter(isHere).map((tick) => ({ ...tick, width, colour }));
}

const moved =
  (x: number, y: number) =>
  (rect: Rect): Rect => ({ ...rect, x: um(rect.x + x), y: um(rect.y + y) });

/**
 * Where a sheet belongs, and which comes over it: in its strips, or beside the picture where it has none.
 *
 *     ┌───────────┬─┐
 *     │           │D│  “C1 · D1 goes here”, along the strip
 *     │           │1│
 *     ├───────────┼─┤
 *     │ C2 goes here│
 */
function letters(
  { impose }: Job,
  { name, shows }: Tile,
  strips: readonly StripOf[],
  move: Move,
  beside: readonly Rect[],
): Ink[] {
  const goes = impose.tiles.joint === "glue" ? "goes here" : "lies here";
  const inks = strips.flatMap(({ side, rect, next }, i) => {
    const upright = side === "left" || side === "right";
    // Along what is seen: where two strips cross, neither has words.
    const along = upright
      ? { ...rect, y: shows.y, height: shows.height }
      : { ...rect, x: shows.x, width: shows.width };
    const text = i === 0 ? `${name} · ${next} ${goes}` : `${next} ${goes}`;
    return lettersIn(text, along, upright, impose.tiles.under === "full");
  });
  if (inks.length > 0) return inks.map((ink) => movedInk(ink, move));
  const below = beside.find(({ width, height }) => Math.min(width, height) >= ROOM);
  if (!below) return [];
  return lettersIn(name, below, below.height > below.width, false);
}

/** Where a sheet has bare paper: below, at the right, above. */
const besideOf = (printed: Rect, area: Rect): Rect[] => [
  { ...printed, y: bottom(printed), height: um(bottom(area) - bottom(printed)) },
  { ...printed, x: right(printed), width: um(right(area) - right(printed)) },
  { ...area, y: um(0), height: area.y },
];

function lettersIn(text: string, strip: Rect, upright: boolean, plate: boolean): Ink[] {
  const { x, y, width, height } = strip;
  const [long, wide] = upright ? [height, width] : [width, height];
  // Words along an upright strip are set level about its middle, and turned there.
  const box: Rect = upright
    ? {
        x: um(x + Math.round((width - long) / 2)),
        y: um(y + Math.round((height - wide) / 2)),
        width: long,
        height: wide,
      }
    : strip;
  const size = um(Math.min(LETTERS.size, Math.round(wide * 0.5)));
  if (size < LETTERS.least) return [];
  const set = setWords(text, {
    box,
    type: { ...LETTERS, size },
    most: 1,
    stand: "middle",
    turn: upright ? 90 : 0,
  });
  if (!set) return [];
  const words: Ink = { kind: "text", text: set, clip: null };
  return plate ? [plateUnder(box, size, text, upright), words] : [words];
}

/** A light plate about as wide as its words. */
function plateUnder(box: Rect, size: number, text: string, upright: boolean): Ink {
  const width = um(Math.min(box.width, Math.round(size * (0.62 * text.length + 1))));
  const height = um(Math.min(box.height, Math.round(size * 1.5)));
  const x = um(box.x + Math.round((box.width - width) / 2));
  const y = um(box.y + Math.round((box.height - height) / 2));
  const plate = { x, y, width, height };
  return {
    kind: "path",
    commands: [["M", x, y], ["L", x + width, y], ["L", x + width, y + height], ["L", x, y + height], ["Z"]],
    fill: PLATE,
    stroke: null,
    shadow: null,
    opacity: 1,
    cut: [],
    box: plate,
    turn: upright ? 90 : 0,
    clip: null,
  };
}
