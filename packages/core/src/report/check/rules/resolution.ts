import { toPx, writeNumber } from "../../../base/length/index.ts";
import type { JobEdit } from "../../../edit/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";
import { keysOf, shownShots, type ShownShot } from "../shots.ts";

/** Under this many photo pixels an inch a print looks soft at reading distance; a common rule of photo labs. */
export const SOFT_PPI = 200;

/** Photos with too few pixels for their size on paper, and photos that must be enlarged for the file's ppi. */
export const resolution: Rule = (inspection) => {
  const shots = shownShots(inspection);
  const { ppi } = inspection.job.target;
  const few = shots.filter(({ picture }) => picture.ppi < ppi && picture.ppi >= SOFT_PPI);
  return [
    ...shots.flatMap((shown) => soft(shown, inspection) ?? []),
    ...(few.length > FEW ? [enlargedMany(few, inspection)] : few.map((shown) => enlarged(shown, inspection))),
  ];
};

/** Photos that are named one by one; of more than this it is said once. */
const FEW = 3;

function soft(shown: ShownShot, { words }: Inspection): Finding | null {
  const { ppi } = shown.picture;
  if (ppi >= SOFT_PPI) return null;
  const first = shown.cells[0]!;
  const needed = [first.image.width, first.image.height].map((side) => Math.ceil(toPx(side, SOFT_PPI)));
  const { scale, fit } = first.sits;
  const atFull = fit === "whole" ? ppi : ppi * scale;
  return {
    rule: "low-ppi",
    level: ppi < SOFT_PPI / 2 ? "wrong" : "look",
    sentence: `${shown.name} prints at ${write(ppi, words.locale)} ppi and will look soft. This cell wants at least ${needed.join("\u00a0×\u00a0")} px of photo.`,
    cells: keysOf(shown.cells),
    mend:
      scale > 1 && atFull >= SOFT_PPI
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
