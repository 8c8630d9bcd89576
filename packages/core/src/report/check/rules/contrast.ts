import { contrast, laidOver, READABLE } from "../../../base/contrast.ts";
import { overlap, type Rect } from "../../../base/geometry/index.ts";
import { writeNumber } from "../../../base/length/index.ts";
import { designOf, type Block, type DaysBlock, type Design } from "../../../finish/blocks/index.ts";
import type { Job } from "../../../job/index.ts";
import { calendarOf } from "../../../kinds/index.ts";
import type { SheetPlan } from "../../../plan/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";

const WHITE = "#ffffff";
/** As dark and as light as a photo can be. */
const ANY_PHOTO = ["#000000", WHITE];
/** So much of a white ground makes dark figures readable over any photo. */
const COVERING = { colour: WHITE, opacity: 0.9 } as const;

/** Days of a page: what they show, and how they are set. */
interface Days {
  name: string;
  block: Pick<DaysBlock, "style" | "own">;
  box: Rect;
  sheet: SheetPlan;
}

/** Days whose colours stand out too little from what they lie on. What photos are like is not known, so over them both extremes count. */
export const daysContrast: Rule = (inspection) => {
  const all = daysOf(inspection);
  const { job, words } = inspection;
  for (const { name, block, box, sheet } of all) {
    const design = designOf(block);
    const over = sheet.cells.some((cell) => overlap(cell.finished, box) !== null);
    const grounds = groundsOf(design, over, job);
    const least = Math.min(
      ...coloursOf(design, job, block.style).flatMap((colour) =>
        grounds.map((ground) => contrast(colour, ground)),
      ),
    );
    if (least >= READABLE) continue;
    const figure = writeNumber(least, words.locale, 1, 1);
    const own: Partial<Design> = over
      ? { ...block.own, ground: COVERING, ink: "#20242c", off: "#a8322a", quiet: "#4a515d" }
      : { ...block.own, ink: "#20242c", off: "#a8322a", quiet: "#4a515d", tint: null, ground: null };
    const mend = mendOf(name, own, job);
    return [
      {
        rule: "days-contrast",
        level: "look",
        sentence: over
          ? `Days lie over a photo. Where that is as light or as dark as they are, they stand out by ${figure} : 1; to be read, ${READABLE} : 1 is needed. A ground of their own makes sure of it.`
          : `Some words of the days stand out by no more than ${figure} : 1 from what they lie on; to be read, ${READABLE} : 1 is needed.`,
        cells: [],
        ...(mend && { mend }),
      } satisfies Finding,
    ];
  }
  return [];
};

/** The days of all pages, those that come with the pages and those that a hand put there. */
function daysOf({ job, sheets, layout }: Inspection): Days[] {
  const laid = new Map(layout.sheets.map((sheet) => [sheet.name, sheet.blocks ?? []]));
  return sheets.flatMap((sheet) =>
    sheet.items.flatMap(({ kind, name, finished }): Days[] => {
      if (kind !== "block") return [];
      const block: Block | Days["block"] | undefined =
        laid.get(sheet.id)?.find((one) => one.name === name)?.days ?? job.blocks[name];
      return block && "style" in block ? [{ name, block, box: finished, sheet }] : [];
    }),
  );
}

/** What days can lie on: their ground over paper or over any photo, and what weekends stand on. */
function groundsOf(
  { ground, tint }: Design,
  overPhoto: boolean,
  { ground: sheet }: Pick<Job, "ground">,
): string[] {
  const paper = sheet === null ? [WHITE] : sheet.kind === "flat" ? [sheet.colour] : [sheet.top, sheet.bottom];
  const below = overPhoto ? ANY_PHOTO : paper;
  const on = ground ? below.map((under) => laidOver(ground.colour, ground.opacity, under)) : below;
  return tint === null ? on : [...on, tint];
}

/** The colours that words of days have. What a bar says stands on a paler colour of its own. */
function coloursOf({ ink, off, quiet, texts }: Design, job: Job, style: DaysBlock["style"]): string[] {
  const sources = Object.values(calendarOf(job).sources).filter(({ shown, words }) => shown && words);
  const said = texts
    ? sources.filter(({ mark }) => mark !== "bar" && style !== "people").map(({ colour }) => colour)
    : [];
  return [ink, off, quiet, ...said];
}

/** Days that come with the page are set by the ticket, others by themselves. */
function mendOf(name: string, own: Partial<Design>, job: Job): Finding["mend"] {
  const label = own.ground ? "Put a ground behind the days" : "Use dark colours";
  const block = job.blocks[name];
  if (block)
    return block.kind === "days"
      ? { label, edit: { do: "blocks", blocks: { [name]: { ...block, own } } } }
      : undefined;
  return { label, edit: { do: "ticket", change: { own } } };
}
