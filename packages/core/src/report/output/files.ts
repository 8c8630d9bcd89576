import { fill } from "../../finish/words/index.ts";
import type { Job } from "../../job/index.ts";
import { kindOf } from "../../kinds/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import type { SheetPlan } from "../../plan/index.ts";
import { fieldSources } from "../../plan/sources.ts";
import type { ShotName } from "../../schema/index.ts";

/** A file that is written. */
export interface OutputFile {
  /** What it is to be called, without an ending; not yet made fit for a file system. */
  name: string;
  /** How many sheets it takes, one after the other. */
  sheets: number;
}

/** How the files of a job are divided and named. */
export interface OutputNaming {
  /** Whether the format has pages, so that a file can take several sheets. */
  pages: boolean;
  /** Whether every sheet gets a file of its own even then. */
  each?: boolean;
  /** The names, with fields: “[name] [sheet, 3 digits]”. Left out, files are named after people or after `base`. */
  rule?: string;
  /** What files are named after without a rule: the job’s name unless something else is given. */
  base?: string;
  /** The number of the first sheet in names. */
  start?: number;
}

/**
 * The files of a job, in the order of their sheets. Pixels are a file a sheet; a format with pages is one file, or where
 * everyone has sheets of their own, one for each of them.
 *
 *     rule "[name]-[sheet, 3 digits]", start 7   →   "Gull-007", "Tern-008" …
 */
export function outputFiles(
  job: Job,
  photos: Photos,
  sheets: readonly SheetPlan[],
  { pages, each = false, rule, base = job.name, start = 1 }: OutputNaming,
): OutputFile[] {
  const { sheetOnly, ofPhoto } = fieldSources(job, photos);
  const parts = divided(job, sheets, pages && !each);
  const digits = Math.max(2, String(start + parts.length - 1).length);
  return parts.map(({ person, sheets: those }, i) => {
    const first = those[0]!.cells.find(({ photo }) => photo !== null);
    const number = start + i;
    const { shows } = those[0]!;
    const place = {
      page: number,
      pages: sheets.length,
      sheet: number,
      sheets: sheets.length,
      ...(shows && { shows }),
    };
    const source = first ? ofPhoto(first.photo, place) : sheetOnly(place);
    const named = { ...source, own: { ...source.own, ...(person && { person }) } };
    const usual = parts.length === 1 ? base : `${base} ${String(number).padStart(digits, "0")}`;
    const name = rule === undefined ? (person ?? usual) : fill(rule, named).trim() || usual;
    return { name, sheets: those.length };
  });
}

/** The sheets of each file, and whose they are where everyone has sheets of their own. */
function divided(
  job: Job,
  sheets: readonly SheetPlan[],
  together: boolean,
): { person: string | null; sheets: SheetPlan[] }[] {
  const names = kindOf(job).owners(job);
  if (!names) {
    return together
      ? [{ person: null, sheets: [...sheets] }]
      : sheets.map((sheet) => ({ person: null, sheets: [sheet] }));
  }
  const files: { person: string | null; shot: ShotName | null; sheets: SheetPlan[] }[] = [];
  for (const sheet of sheets) {
    const shots = new Set(sheet.cells.map(({ shot }) => shot));
    const shot = shots.size === 1 ? [...shots][0]! : null;
    const last = files.at(-1);
    if (together && last && last.shot !== null && last.shot === shot) last.sheets.push(sheet);
    else files.push({ shot, person: shot === null ? null : (names.get(shot) ?? null), sheets: [sheet] });
  }
  return files;
}
