import { NO_EDGES, inside, right, bottom, type Rect } from "../base/geometry/index.ts";
import { edgePx, mm, um } from "../base/length/index.ts";
import { once } from "../base/remembered.ts";
import type { Ink } from "../finish/graphics/index.ts";
import { cutMarks } from "../finish/marks/index.ts";
import { setWords, type Type } from "../finish/words/index.ts";
import type { Job } from "../job/index.ts";
import type { PagePart, SheetPlan } from "../plan/index.ts";
import { stripsOf, type StripOf, type Tile, type Tiling } from "../solve/tiles/index.ts";

const LETTERS: Type = { font: "hanken", size: mm(3.5), least: mm(1.5), colour: "#20242c", align: "middle" };
/** What letters stand on where a strip is printed in full. */
const PLATE = "#ffffff";
/** Less room beside a picture than this holds no letters. */
const ROOM = mm(3);

/** A sheet that shows a part of a page: what is printed of it, where it is cut, and where it belongs. */
export function spreadSheet(
  job: Job,
  page: SheetPlan,
  { tile, tiling }: { tile: Tile; tiling: Tiling },
  { number, of, id }: Pick<SheetPlan, "number" | "of" | "id">,
): SheetPlan {
  const { impose, target, finish } = job;
  const { lying: paper, area } = tiling;
  const whole = inside(paper, NO_EDGES);
  const onPage = moved(page.trim.x, page.trim.y);
  const onSheet = moved(um(area.x - tile.prints.x), um(area.y - tile.prints.y));
  const strips = stripsOf(tile, tiling);
  const printed = onSheet(tile.prints);
  const kept = keptOf(tile, strips, impose.tiles.joint);
  const part: PagePart = {
    name: tile.name,
    page,
    prints: onPage(tile.prints),
    shows: onPage(tile.shows),
    pale: impose.tiles.under === "pale" ? strips.map(({ rect }) => onPage(rect)) : [],
    joint: impose.tiles.joint,
    strips: strips.map(({ side, next, rect }) => ({
      side,
      next,
      width: um(Math.min(rect.width, rect.height)),
    })),
    at: { x: area.x, y: area.y },
  };
  // Drawn when they are looked at: of hundreds of sheets one is on the table.
  const over = once(() =>
    impose.tiles.letters ? letters(job, tile, strips, onSheet, { printed, area }) : [],
  );
  const cuts = [onSheet(kept), onSheet(tile.shows)].map((finished) => ({ finished, image: printed }));
  const marks = once(() => cutMarks(paper, cuts, { ...finish.marks, kind: impose.marks }));
  return {
    ...page,
    id,
    number,
    of,
    title: tile.name,
    stock: impose.paper,
    paper,
    printable: whole,
    trim: onSheet(kept),
    bleed: printed,
    safe: onSheet(tile.shows),
    mayLose: NO_EDGES,
    pixels: { width: edgePx(paper.width, target.ppi), height: edgePx(paper.height, target.ppi) },
    grounds: [],
    backing: [],
    cells: [],
    // Pages are changed as pages.
    items: [],
    get over() {
      return over();
    },
    get marks() {
      return marks();
    },
    freed: [onSheet(kept)],
    part,
  };
}

const moved =
  (x: number, y: number) =>
  (rect: Rect): Rect => ({ ...rect, x: um(rect.x + x), y: um(rect.y + y) });

/** What is left of a sheet once it is cut: what is seen, and what the next one is glued over. */
function keptOf({ shows, prints }: Tile, strips: readonly StripOf[], joint: "glue" | "butt"): Rect {
  if (joint === "butt") return shows;
  const runsOn = (side: StripOf["side"]) => strips.some((strip) => strip.side === side);
  const r = runsOn("right") ? right(prints) : right(shows);
  const b = runsOn("bottom") ? bottom(prints) : bottom(shows);
  return { x: shows.x, y: shows.y, width: um(r - shows.x), height: um(b - shows.y) };
}

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
  onSheet: (rect: Rect) => Rect,
  { printed, area }: { printed: Rect; area: Rect },
): Ink[] {
  const goes = impose.tiles.joint === "glue" ? "goes here" : "lies here";
  const inks = strips.flatMap(({ side, rect, next }, i) => {
    const upright = side === "left" || side === "right";
    // Along what is seen: where two strips cross, neither has words.
    const along = upright
      ? { ...rect, y: shows.y, height: shows.height }
      : { ...rect, x: shows.x, width: shows.width };
    const text = i === 0 ? `${name} · ${next} ${goes}` : `${next} ${goes}`;
    return lettersIn(text, onSheet(along), upright, impose.tiles.under === "full");
  });
  if (inks.length > 0) return inks;
  const beside = [
    { ...printed, y: bottom(printed), height: um(bottom(area) - bottom(printed)) },
    { ...printed, x: right(printed), width: um(right(area) - right(printed)) },
    { ...area, y: um(0), height: area.y },
  ];
  const below = beside.find(({ width, height }) => Math.min(width, height) >= ROOM);
  if (!below) return [];
  return lettersIn(name, below, below.height > below.width, false);
}

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
