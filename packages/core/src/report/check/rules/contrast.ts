import { contrast, READABLE, readableOn } from "../../../base/contrast.ts";
import { contains } from "../../../base/geometry/index.ts";
import { writeNumber } from "../../../base/length/index.ts";
import { designOf, type DaysBlock, type Design } from "../../../finish/blocks/index.ts";
import type { Ink } from "../../../finish/graphics/index.ts";
import { inkedBox, type SetText } from "../../../finish/words/index.ts";
import { styleOfAll, type Job } from "../../../job/index.ts";
import { calendarOf } from "../../../kinds/index.ts";
import type { CellPlan, SheetPlan } from "../../../plan/index.ts";
import { behind, type Behind } from "../behind.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";

/** Words on what is known to lie behind them. */
interface Lying {
  text: SetText;
  /** The least contrast that they have with it. */
  ratio: number;
  on: Behind;
  sheet: SheetPlan;
  /** The cell that they belong to; null for words of the page. */
  cell: CellPlan | null;
  /** The block of days that they belong to; null for other words. */
  days: { name: string; block: Pick<DaysBlock, "style" | "own"> } | null;
}

/**
 * Words that are hard to read where they lie. Over photos it is what those are like there that counts; of one that was never
 * measured nothing is said, but where a month lies over it: there it is as dark and as light as can be.
 */
export const wordsContrast: Rule = (inspection) => {
  const all = inspection.sheets.flatMap((sheet) => lyingOn(sheet, inspection));
  const faint = all.filter(({ ratio }) => ratio < READABLE);
  const days = faint.filter((one) => one.days !== null);
  const others = faint.filter((one) => one.days === null && one.on.photo !== "unmeasured");
  return [...daysFinding(days, inspection), ...wordsFinding(others, all, inspection)];
};

function lyingOn(sheet: SheetPlan, inspection: Inspection): Lying[] {
  const { photos } = inspection;
  const daysOn = daysOf(sheet, inspection);
  const inCells = sheet.cells.flatMap((cell) =>
    lyingOf(cell.over, (box, before) => behind(box, sheet, [cell], before, photos)).map((one): Lying => ({
      ...one,
      sheet,
      cell,
      days: null,
    })),
  );
  const onPage = lyingOf(sheet.over, (box, before) => behind(box, sheet, sheet.cells, before, photos)).map(
    (one): Lying => ({
      ...one,
      sheet,
      cell: null,
      days: daysOn.find(({ box }) => contains(box, inkedBox(one.text))) ?? null,
    }),
  );
  return [...inCells, ...onPage];
}

/** Of inks in the order of painting the words, on what was painted before them. */
function lyingOf(
  inks: readonly Ink[],
  on: (box: ReturnType<typeof inkedBox>, before: readonly Ink[]) => Behind | null,
): Pick<Lying, "text" | "ratio" | "on">[] {
  const before: Ink[] = [];
  return inks.flatMap((ink) => {
    if (ink.kind !== "text") {
      // Lines hide nothing.
      if (ink.kind === "picture" || ink.fill !== null) before.push(ink);
      return [];
    }
    const { text } = ink;
    // Watermarks are meant to be faint.
    if (text.opacity < 1) return [];
    const found = on(inkedBox(text), before);
    if (found === null) return [];
    const ratio = Math.min(...found.colours.map((colour) => contrast(text.colour, colour)));
    return [{ text, ratio, on: found }];
  });
}

/** The blocks of days on a page, those that come with it and those that a hand put there. */
function daysOf({ id, items }: SheetPlan, { job, layout }: Inspection) {
  const laid = layout.sheets.find(({ name }) => name === id)?.blocks ?? [];
  return items.flatMap(({ kind, name, finished }) => {
    if (kind !== "block") return [];
    const block = laid.find((one) => one.name === name)?.days ?? job.blocks[name];
    return block && "style" in block ? [{ name, block, box: finished }] : [];
  });
}

/** So much of a white ground makes dark figures readable over any photo. */
const COVERING: Design["ground"] = { colour: "#ffffff", opacity: 0.9 };
const DARK: Partial<Design> = { ink: "#20242c", off: "#a8322a", quiet: "#4a515d" };

const worstOf = (faint: readonly Lying[]): Lying | undefined =>
  faint.reduce<Lying | undefined>(
    (worst, one) => (worst && worst.ratio <= one.ratio ? worst : one),
    undefined,
  );

const pages = (faint: readonly Lying[]): string => {
  const ids = [...new Set(faint.map(({ sheet }) => sheet.title ?? `page ${sheet.number}`))];
  return ids.length === 1 ? `on ${ids[0]}` : `on ${ids.length} pages`;
};

function daysFinding(faint: readonly Lying[], { job, words }: Inspection): Finding[] {
  const worst = worstOf(faint);
  if (!worst?.days) return [];
  const figure = writeNumber(worst.ratio, words.locale, 1, 1);
  const needed = `to be read, ${writeNumber(READABLE, words.locale, 1, 1)} : 1 is needed`;
  const mend = daysMend(worst, faint, job);
  return [
    {
      rule: "days-contrast",
      level: "look",
      sentence: {
        unmeasured: `Days lie over a photo whose light was never measured. Where it is as light or as dark as they are, they stand out by ${figure} : 1; ${needed}. A ground of their own makes sure of it.`,
        measured: `Words of days ${pages(faint)} stand out from the photo behind them by no more than ${figure} : 1; ${needed}.`,
        none: `Words of days ${pages(faint)} stand out by no more than ${figure} : 1 from what they lie on; ${needed}.`,
      }[worst.on.photo],
      cells: [],
      ...(mend && { mend }),
    },
  ];
}

function daysMend({ days, on }: Lying, faint: readonly Lying[], job: Job): Finding["mend"] {
  const { name, block } = days!;
  const { ground, ink, off, quiet } = designOf(block);
  const overPhoto = on.photo !== "none";
  const own = [ink, off, quiet];
  if (!overPhoto && faint.every(({ text }) => !own.includes(text.colour))) return darkerSources(faint, job);
  const change: Partial<Design> =
    overPhoto && ground?.opacity !== 1
      ? { ...block.own, ...DARK, ground: COVERING }
      : { ...block.own, ...DARK, tint: null, ground: null };
  const label = change.ground ? "Put a ground behind the days" : "Use dark colours";
  const byHand = job.blocks[name];
  // Days that come with the page are set by the ticket, others by themselves.
  if (!byHand) return { label, edit: { do: "ticket", change: { own: change } } };
  return byHand.kind === "days"
    ? { label, edit: { do: "blocks", blocks: { [name]: { ...byHand, own: change } } } }
    : undefined;
}

/** Dates whose words are too pale, as dark as they have to be. */
function darkerSources(faint: readonly Lying[], job: Job): Finding["mend"] {
  const { sources } = calendarOf(job);
  const darker = Object.entries(sources).flatMap(([name, source]) => {
    const pale = faint.filter(({ text }) => text.colour === source.colour);
    const colour = readableOn(
      source.colour,
      pale.flatMap(({ on }) => on.colours),
    );
    return pale.length > 0 && colour !== null ? [[name, { ...source, colour }] as const] : [];
  });
  if (darker.length === 0) return undefined;
  const names = darker.length === 1 ? `the colour of “${darker[0]![1].name}”` : "their colours";
  return { label: `Darken ${names}`, edit: { do: "days", sources: Object.fromEntries(darker) } };
}

/** Colours that captions may have instead. */
const PLAIN_COLOURS = ["#ffffff", "#20242c"] as const;

function wordsFinding(faint: readonly Lying[], all: readonly Lying[], { job, words }: Inspection): Finding[] {
  const worst = worstOf(faint);
  if (!worst) return [];
  const cells = [...new Set(faint.flatMap(({ cell }) => cell?.key ?? []))];
  const where =
    cells.length === 1 ? "in one cell" : cells.length > 1 ? `in ${cells.length} cells` : pages(faint);
  const what = worst.on.photo === "none" ? "what they lie on" : "the photo behind them";
  const mend = captionMend(faint, all, job);
  return [
    {
      rule: "words-contrast",
      level: "look",
      sentence: `Words ${where} stand out from ${what} by no more than ${writeNumber(worst.ratio, words.locale, 1, 1)} : 1; to be read, ${writeNumber(READABLE, words.locale, 1, 1)} : 1 is needed. Give them another colour, or another place.`,
      cells,
      ...(mend && { mend }),
    },
  ];
}

/** Another colour of all captions, where one is read on every photo that has words. */
function captionMend(faint: readonly Lying[], all: readonly Lying[], job: Job): Finding["mend"] {
  const { caption } = styleOfAll(job);
  if (!caption || faint.some(({ cell, text }) => cell === null || text.colour !== caption.type.colour))
    return undefined;
  const grounds = all.flatMap(({ cell, on }) => (cell === null ? [] : on.colours));
  const colour = PLAIN_COLOURS.find((one) => grounds.every((ground) => contrast(one, ground) >= READABLE));
  if (colour === undefined) return undefined;
  const label = colour === "#ffffff" ? "Write them in white" : "Write them in a dark colour";
  return {
    label,
    edit: { do: "style", change: { caption: { ...caption, type: { ...caption.type, colour } } } },
  };
}
