import { toPx, writeNumber } from "../../../base/length/index.ts";
import { ppiSeenFrom, sharpFrom, writeAway } from "../../../base/sight.ts";
import type { JobEdit } from "../../../edit/index.ts";
import type { Job } from "../../../job/index.ts";
import { kindOf } from "../../../kinds/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";
import { keysOf, shownShots, type ShownShot } from "../shots.ts";

/** Under this many photo pixels an inch a print looks soft at reading distance; a common rule of photo labs. */
export const SOFT_PPI = 200;

/** The least that does not look soft: what is looked at from further away needs less. */
const leastPpi = (job: Job): number => {
  const distance = kindOf(job).seenFrom(job);
  return distance === null ? SOFT_PPI : Math.min(SOFT_PPI, ppiSeenFrom(distance));
};

/** Photos with too few pixels for their size on paper, and photos that must be enlarged for the file's ppi. */
export const resolution: Rule = (inspection) => {
  const shots = shownShots(inspection);
  const { ppi } = inspection.job.target;
  const least = leastPpi(inspection.job);
  const few = shots.filter(({ picture }) => picture.ppi < ppi && picture.ppi >= least);
  return [
    ...shots.flatMap((shown) => soft(shown, inspection) ?? []),
    ...(few.length > FEW ? [enlargedMany(few, inspection)] : few.map((shown) => enlarged(shown, inspection))),
  ];
};

/** Photos that are named one by one; of more than this it is said once. */
const FEW = 3;

function soft(shown: ShownShot, { job, words }: Inspection): Finding | null {
  const { ppi } = shown.picture;
  const least = leastPpi(job);
  if (ppi >= least) return null;
  const distance = kindOf(job).seenFrom(job);
  const first = shown.cells[0]!;
  const needed = [first.image.width, first.image.height].map((side) => Math.ceil(toPx(side, least)));
  const { scale, fit } = first.sits;
  const atFull = fit === "whole" ? ppi : ppi * scale;
  const wants = `at least ${needed.join("\u00a0×\u00a0")} px of photo`;
  return {
    rule: "low-ppi",
    level: ppi < least / 2 ? "wrong" : "look",
    sentence:
      distance === null
        ? `${shown.name} prints at ${write(ppi, words.locale)} ppi and will look soft. This cell wants ${wants}.`
        : `${shown.name} prints at ${write(ppi, words.locale)} ppi, which looks sharp from ${writeAway(sharpFrom(ppi), words)} away. From ${writeAway(distance, words)} it wants ${write(least, words.locale)} ppi, ${wants}.`,
    cells: keysOf(shown.cells),
    mend:
      scale > 1 && atFull >= least
        ? {
            label: "Show more of the photo",
            edit: { do: "shot", shot: shown.shot, change: { photo: shown.photo, scale: 1 } },
          }
        : undefined,
  };
}

function enlarged(shown: ShownShot, { job, words }: Inspection): Finding {
  const { ppi } = shown.picture;
  const times = writeNumber(job.target.ppi / ppi, words.locale, 0, 2);
  const enough = Math.floor(ppi / 10) * 10;
  const edit: JobEdit = { do: "target", change: { ppi: enough } };
  return {
    rule: "upscaled",
    level: "look",
    sentence: `${shown.name} has ${write(ppi, words.locale)} ppi and is enlarged ${times}\u00a0× for the file’s ${write(job.target.ppi, words.locale)} ppi. That adds pixels, not detail.`,
    cells: keysOf(shown.cells),
    mend: { label: `Write at ${enough} ppi`, edit },
  };
}

function enlargedMany(few: readonly ShownShot[], { job, words }: Inspection): Finding {
  const worst = few.reduce((a, b) => (b.picture.ppi < a.picture.ppi ? b : a));
  const enough = Math.floor(worst.picture.ppi / 10) * 10;
  return {
    rule: "upscaled",
    level: "look",
    sentence: `${few.length} photos are enlarged for the file’s ${write(job.target.ppi, words.locale)} ppi, ${worst.name} most: it has ${write(worst.picture.ppi, words.locale)} ppi. That adds pixels, not detail.`,
    cells: keysOf(few.flatMap(({ cells }) => cells)),
    mend: { label: `Write at ${enough} ppi`, edit: { do: "target", change: { ppi: enough } } },
  };
}

const write = (ppi: number, locale: string | undefined) => writeNumber(ppi, locale, 0, 0);
