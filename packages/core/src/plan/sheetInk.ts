import { inside, NO_EDGES, type Rect, type Size } from "../base/geometry/index.ts";
import { drawBlock } from "../finish/blocks/index.ts";
import { coverWith, placeIn, type Graphic, type GraphicSource, type Ink } from "../finish/graphics/index.ts";
import { fill, setWords, type FieldSource } from "../finish/words/index.ts";
import type { Job } from "../job/index.ts";
import type { LaidWords } from "../kinds/index.ts";

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

/** Words and stamps over all cells of a sheet. `trim` is the finished sheet, which stamps keep away from the edges of. */
export function sheetInk(
  sheet: string,
  { paper, trim }: { paper: Size; trim: Rect },
  { texts, blocks }: Pick<Job, "texts" | "blocks">,
  laid: readonly LaidWords[],
  stamps: readonly Graphic[],
  source: FieldSource,
  proportions: Proportions,
): Ink[] {
  const words = [
    ...laid.map(({ text, type, box }) => ({ text, type, box, turn: 0, most: 2 })),
    ...Object.values(texts)
      .filter((text) => isOn(sheet, text.sheet))
      .map(({ text, type, x, y, width, height, turn }) => ({
        text,
        type,
        box: { x, y, width, height },
        turn,
        most: 200,
      })),
  ].flatMap(({ text, type, box, turn, most }): Ink[] => {
    const set = setWords(fill(text, source), { box, type, most, stand: "middle", turn });
    return set ? [{ kind: "text", text: set, clip: null }] : [];
  });
  const stamped = stamps
    .filter((graphic) => isOn(sheet, graphic.sheet))
    .flatMap((graphic) =>
      placeIn(graphic, { box: trim, turn: 0, clip: inside(paper, NO_EDGES) }, source, proportions),
    );
  const drawn = Object.values(blocks)
    .filter((block) => isOn(sheet, block.sheet))
    .flatMap((block) => drawBlock(block, source));
  return [...drawn, ...words, ...stamped];
}
