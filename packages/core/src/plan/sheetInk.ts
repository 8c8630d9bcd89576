import { inside, NO_EDGES, rectOf, type Rect, type Size } from "../base/geometry/index.ts";
import { drawDays, drawTable } from "../finish/blocks/index.ts";
import { coverWith, placeIn, type Graphic, type GraphicSource, type Ink } from "../finish/graphics/index.ts";
import { inOrder } from "../finish/shapes/index.ts";
import { fill, setWords, type FieldSource, type Type } from "../finish/words/index.ts";
import type { Job } from "../job/index.ts";
import { calendarOf, type LaidArt, type LaidBlock, type LaidSheet } from "../kinds/index.ts";
import type { SheetName } from "../schema/index.ts";
import type { ItemPlan } from "./types.ts";

type Proportions = (photo: string) => number | null;

const byRole = ({ graphics, stash }: Pick<Job, "graphics" | "stash">, role: Graphic["role"]): Graphic[] =>
  Object.values(graphics)
    .filter((graphic) => graphic.role === role)
    .map((graphic) => ({ ...graphic, of: chosen(graphic.of, stash) }));

/** A graphic that waits for the photo at its place among those of the job is of that photo. */
export const chosen = (of: GraphicSource, stash: Job["stash"]): GraphicSource =>
  of.kind === "photo" && of.photo === null ? { ...of, photo: stash[of.order - 1]?.id ?? null } : of;

/** The graphics of a job by what they are used for. */
export const graphicsByRole = (job: Pick<Job, "graphics" | "stash">) => ({
  overlays: byRole(job, "overlay"),
  watermarks: byRole(job, "watermark"),
  stamps: byRole(job, "stamp"),
  backings: byRole(job, "backing"),
});

const isOn = (sheet: string, on: string | null): boolean => on === null || on === sheet;

/** Artwork behind all cells of a sheet. */
export function backingInk(
  sheet: string,
  paper: Size,
  backings: readonly Graphic[],
  proportions: Proportions,
): Ink[] {
  const box = inside(paper, NO_EDGES);
  return backings
    .filter((graphic) => isOn(sheet, graphic.sheet))
    .flatMap((graphic) => coverWith(graphic, { box, turn: 0, clip: box }, proportions));
}

/** Artwork in front of all cells of a sheet, where the layout has it. */
export const frontInk = ({ file, rect }: LaidArt): Ink => ({
  kind: "picture",
  of: { kind: "file", id: file },
  rect,
  turn: 0,
  opacity: 1,
  blend: "normal",
  clip: null,
});

/** Shapes, blocks and boxes of words of a page, where they lie: as they were put, or as the layout has them. */
export function itemsOn(
  page: SheetName,
  { texts, blocks, shapes }: Pick<Job, "texts" | "blocks" | "shapes">,
  laid: readonly LaidBlock[],
): ItemPlan[] {
  const drawn = Object.entries(blocks).flatMap(([name, block]): ItemPlan[] => {
    if (!isOn(page, block.sheet)) return [];
    const box = laid.find((one) => one.name === name)?.box;
    return [{ kind: "block", name, finished: box ?? rectOf(block), angle: 0, laid: box !== undefined }];
  });
  const days = laid.flatMap(({ name, box, days: own }): ItemPlan[] =>
    own ? [{ kind: "block", name, finished: box, angle: 0, laid: true }] : [],
  );
  const words = Object.entries(texts).flatMap(([name, text]): ItemPlan[] =>
    isOn(page, text.sheet)
      ? [{ kind: "words", name, finished: rectOf(text), angle: text.turn, laid: false }]
      : [],
  );
  const shaped = inOrder(shapes).flatMap(([name, shape]): ItemPlan[] =>
    isOn(page, shape.sheet)
      ? [{ kind: "shape", name, finished: rectOf(shape), angle: shape.turn, laid: false }]
      : [],
  );
  return [...shaped, ...drawn, ...days, ...words];
}

/** Most lines of words that belong to the layout, and of a box. */
const LINES = { laid: 2, box: 200 } as const;

/** Blocks, words and stamps over all cells of a sheet. `trim` is the finished sheet, which stamps keep away from the edges of. */
export function sheetInk(
  sheet: SheetName,
  { paper, trim }: { paper: Size; trim: Rect },
  { texts, blocks, calendar }: Pick<Job, "texts" | "blocks" | "calendar">,
  items: readonly ItemPlan[],
  { words: laid = [], blocks: laidBlocks = [] }: Pick<LaidSheet, "words" | "blocks">,
  stamps: readonly Graphic[],
  source: FieldSource,
  proportions: Proportions,
): Ink[] {
  const words = (text: string, type: Type, box: Rect, most: number, turn = 0): Ink[] => {
    const set = setWords(fill(text, source), { box, type, most, stand: "middle", turn });
    return set ? [{ kind: "text", text: set, clip: null }] : [];
  };
  const blockInk = (name: string, box: Rect): Ink[] => {
    const block = laidBlocks.find((one) => one.name === name)?.days ?? blocks[name]!;
    if ("columns" in block) return drawTable({ ...block, ...box }, source);
    return drawDays({ ...block, ...box }, calendarOf({ calendar }), proportions).inks;
  };
  const inkOf = (wanted: ItemPlan["kind"]): Ink[] =>
    items
      .filter(({ kind }) => kind === wanted)
      .flatMap(({ kind, name, finished, angle }) => {
        if (kind === "block") return blockInk(name, finished);
        const { text, type } = texts[name]!;
        return words(text, type, finished, LINES.box, angle);
      });
  const stamped = stamps
    .filter((graphic) => isOn(sheet, graphic.sheet))
    .flatMap((graphic) =>
      placeIn(graphic, { box: trim, turn: 0, clip: inside(paper, NO_EDGES) }, source, proportions),
    );
  return [
    ...inkOf("block"),
    ...laid.flatMap(({ text, type, box, lines }) => words(text, type, box, lines ?? LINES.laid)),
    ...inkOf("words"),
    ...stamped,
  ];
}
