import { bottom, right, type Rect, type Size } from "../../base/geometry/index.ts";
import {
  inch,
  um,
  writeLength,
  writeMeasure,
  writeNumber,
  writeSize,
  type WriteOptions,
} from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { hooksOf, type Hook } from "../../solve/panels/index.ts";
import { seamLength, stripsOf, type Tile, type Tiling } from "../../solve/tiles/index.ts";

/** What a page that is spread takes, all sheets together. */
export interface Takes {
  sheets: number;
  /** All paper, in µm². */
  paper: number;
  /** How long all seams are that are glued or laid edge to edge, in µm. */
  seams: number;
  /** Cuts of all sheets: sides at which paper is left beside what is kept. */
  cuts: number;
}

/** What is left of a sheet once it is cut: what is seen, and what the next one is glued over. */
export function keptOf(tile: Tile, tiling: Tiling, joint: "glue" | "butt"): Rect {
  const { shows, prints } = tile;
  if (joint === "butt") return shows;
  const sides = new Set(stripsOf(tile, tiling).map(({ side }) => side));
  const r = sides.has("right") ? right(prints) : right(shows);
  const b = sides.has("bottom") ? bottom(prints) : bottom(shows);
  return { x: shows.x, y: shows.y, width: um(r - shows.x), height: um(b - shows.y) };
}

/** What it takes to make a page. From a roll every piece is cut out on all sides. */
export function takesOf(
  tilings: readonly Tiling[],
  joint: "glue" | "butt",
  paper: number,
  isRoll: boolean,
): Takes {
  const sum = (of: (tiling: Tiling) => number) => tilings.reduce((all, tiling) => all + of(tiling), 0);
  return {
    sheets: sum(({ tiles }) => tiles.length),
    paper,
    seams: sum(seamLength),
    cuts: sum((tiling) =>
      tiling.tiles.reduce((all, tile) => all + (isRoll ? 4 : cutsOf(tile, tiling, joint)), 0),
    ),
  };
}

/** Sides of a sheet at which there is paper beside what is kept. */
function cutsOf(tile: Tile, tiling: Tiling, joint: "glue" | "butt"): number {
  const { lying, area: room } = tiling;
  const kept = keptOf(tile, tiling, joint);
  const x = kept.x - tile.prints.x + room.x;
  const y = kept.y - tile.prints.y + room.y;
  return [x > 0, y > 0, x + kept.width < lying.width, y + kept.height < lying.height].filter(Boolean).length;
}

/** In µm². */
const SQUARE_METRE = 1e12;
const SQUARE_FOOT = inch(12) ** 2;

const writeArea = (area: number, { unit }: WriteOptions): string =>
  unit === "in"
    ? `${writeNumber(area / SQUARE_FOOT, undefined, 1, 1)} sq ft`
    : `${writeNumber(area / SQUARE_METRE, undefined, 2, 2)} m²`;

/** How a page is put together, in the order of doing it. */
export function told(
  job: Job,
  tilings: readonly Tiling[],
  wall: Size,
  takes: Takes,
  write: WriteOptions,
): string[] {
  const { impose } = job;
  const { tiles, panels, roll } = impose;
  const sheets = roll
    ? `${takes.sheets} ${takes.sheets === 1 ? "piece" : "pieces"} from the roll`
    : `${takes.sheets} ${takes.sheets === 1 ? "sheet" : "sheets"} of ${impose.paper.name}`;
  const joined =
    takes.seams === 0
      ? ""
      : `, ${writeLength(um(takes.seams), write)} of ${tiles.joint === "glue" ? "glue edge" : "seams"}`;
  const lines = [
    `Together ${writeSize(wall, write)}. ${sheets}, ${writeArea(takes.paper, write)} of paper${joined}; ${takes.cuts} cuts.`,
  ];
  const several = tilings.filter((tiling) => tiling.tiles.length > 1);
  if (several.length > 0) lines.push(...joining(job, several, write));
  else lines.push("1. Cut every piece out along its marks.");
  if (panels && panels.wrap.way !== "none") {
    const deep = writeMeasure(panels.wrap.deep, write);
    lines.push(
      `${lines.length}. Fold ${deep} around each frame; ${panels.wrap.way === "colour" ? "the colour" : "what is printed there"} lies on its edges.`,
    );
  }
  if (panels)
    lines.push(
      ...hanging(
        hooksOf(
          tilings.map(({ piece }) => piece),
          panels.hang,
        ),
        lines.length,
        write,
      ),
    );
  return lines;
}

function joining({ impose: { tiles } }: Job, tilings: readonly Tiling[], write: WriteOptions): string[] {
  const wide = writeMeasure(tiles.overlap, write);
  const cut =
    tiles.joint === "butt"
      ? "1. Cut every sheet along its marks, at the seams exactly on them."
      : `1. Cut every sheet along its marks. At the right and below a strip of ${wide} stays wherever another sheet follows.`;
  const glue =
    tiles.joint === "butt"
      ? "Lay the sheets edge to edge"
      : "Glue each sheet over the strip of the one before";
  const order = tilings
    .map(({ tiles: all }) => all)
    .map((all) =>
      all.length <= MOST_NAMED ? rowsOf(all) : `${all[0]!.name} to ${all.at(-1)!.name}, row by row`,
    )
    .join("; ");
  return [cut, `2. ${glue}, row by row from the top: ${order}.`];
}

/** More sheets than these are not listed one by one. */
const MOST_NAMED = 40;

const rowsOf = (all: readonly Tile[]): string =>
  [...new Set(all.map(({ row }) => row))]
    .map((row) =>
      all
        .filter((tile) => tile.row === row)
        .map(({ name }) => name)
        .join(" "),
    )
    .join(" / ");

function hanging(hooks: readonly Hook[], before: number, write: WriteOptions): string[] {
  const at = (value: number) => writeMeasure(um(value), write);
  const all = hooks.map(({ panel, x, y }, i) => {
    const last = hooks[i - 1];
    const apart = last && last.y === y ? ` (${at(x - last.x)} from the one before)` : "";
    return `panel ${panel}: ${at(x)} from the left edge${apart}, ${at(y)} above the floor`;
  });
  return [`${before}. Hooks: ${all.join("; ")}.`];
}
