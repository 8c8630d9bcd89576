import { um, writeMeasure, type WriteOptions } from "../../base/length/index.ts";
import type { DocumentRule } from "../../catalogue/rules/index.ts";
import { headsIn, type Job } from "../../job/index.ts";
import { peopleTicket, personName, quantityOf, ruleFor, type Person } from "../../kinds/index.ts";
import {
  FIGURE_WORDS,
  measureFace,
  placeFace,
  sayShort,
  type Face,
  type FaceOnPiece,
  type Figure,
} from "../../photo/portrait/index.ts";
import type { PixelSize } from "../../photo/crop/index.ts";
import { headBox } from "../../photo/heads/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { uprightPiece, type CellPlan, type SheetPlan } from "../../plan/index.ts";
import { numberedShot, type PhotoId, type ShotName } from "../../schema/index.ts";
import { backgroundOf, type BackgroundState } from "./background.ts";

/**
 * How someone stands to their rule. "unsure" has figures, but from handles that nobody has looked at and that were not
 * found beyond doubt. "not measured" is right in what was measured, but the rule states more than that. Only what was
 * measured in all that the rule states passes.
 */
export type PersonState = "passes" | "fails" | "unsure" | "not measured" | "no handles" | "no photo";

export interface PersonReport {
  person: Person;
  name: string;
  quantity: number;
  rule: DocumentRule;
  photo: PhotoId | null;
  /** The first of their cells; undefined where none is on a sheet. */
  cell: CellPlan | undefined;
  state: PersonState;
  measured: FaceOnPiece | null;
  background: BackgroundState;
  /** What to do about it, in a sentence; empty for who passes. */
  advice: string;
  /** Whether the crop that the rule would make passes, and only the one set by hand does not. */
  mendable?: boolean;
}

/** More slant than this an office refuses (ISO/IEC 19794-5: roll of at most 8°). */
export const MOST_SLANT = 8;

/** Everyone of a job of portraits against their rules; empty for a job of another kind. */
export function reportPeople(
  job: Job,
  photos: Photos,
  sheets: readonly SheetPlan[],
  write: WriteOptions,
): PersonReport[] {
  const ticket = peopleTicket(job);
  if (!ticket) return [];
  const cells = new Map<ShotName, CellPlan>();
  for (const cell of sheets.flatMap((sheet) => sheet.cells)) {
    if (!cells.has(cell.shot)) cells.set(cell.shot, cell);
  }
  return ticket.people.map((person) => {
    const cell = cells.get(numberedShot(person.shot));
    const rule = ruleFor(ticket, person);
    const own = { person, name: personName(person), quantity: quantityOf(ticket, person), rule, cell };
    const photo = cell?.photo ?? person.photo;
    const backdrop = photo === null ? undefined : job.backdrops[photo];
    const background = backgroundOf(rule, backdrop, (cell?.look ?? null) !== null);
    return { ...own, photo, background, ...judge(job, photos, cell, photo, rule, background, write) };
  });
}

type Judged = Pick<PersonReport, "state" | "measured" | "advice" | "mendable">;

function judge(
  job: Job,
  photos: Photos,
  cell: CellPlan | undefined,
  photo: PhotoId | null,
  rule: DocumentRule,
  background: BackgroundState,
  write: WriteOptions,
): Judged {
  const facts = photo === null ? undefined : photos[photo];
  if (photo === null || !facts || !cell) {
    return {
      state: "no photo",
      measured: null,
      advice: "Add the photo; it goes to who is listed by its name.",
    };
  }
  const face = headsIn(job, photos, photo)[0];
  if (!face) {
    return {
      state: "no handles",
      measured: null,
      advice: "Set the crown, the chin and the eyes on the photo.",
    };
  }
  const { opening, cover } = uprightPiece(cell);
  const piece = { finished: opening, cover };
  const measured = measureFace(face, facts, piece, cell.sits, rule);
  const failing = measured.figures.filter(({ passes }) => !passes);
  const slanted = Math.abs(measured.slant) > MOST_SLANT;
  if (failing.length === 0 && !slanted) {
    if (background.is === "put behind" && !background.passes)
      return { state: "fails", measured, advice: sayBackground(background, rule) };
    if (!face.sure)
      return { state: "unsure", measured, advice: "Look whether the handles are where they should be." };
    if (isSecond(headsIn(job, photos, photo)[1], face, facts) && facts.seen?.by === "found")
      return {
        state: "unsure",
        measured,
        advice:
          "There is a second head in this photo; the larger one was measured. Look whether that is who is meant.",
      };
    const open = sayNotMeasured(measured, background, rule);
    return { state: open === "" ? "passes" : "not measured", measured, advice: open };
  }
  if (failing.some(({ value }) => value === null)) {
    return { state: "no handles", measured, advice: "The rule has a head width: set the ears on the photo." };
  }
  const best = placeFace(face, facts, piece, rule);
  const short = best && sayShort(best, write);
  const advice =
    short ?? `${said(failing, write)} A crop that passes is there: give the photo back to the rule.`;
  return { state: "fails", measured, advice, mendable: short === null };
}

/** A second head at least this large against the first may be the one that is meant. */
const SECOND = 0.5;

const isSecond = (second: Face | undefined, first: Face, photo: PixelSize): boolean => {
  const height = (face: Face) => {
    const { top, bottom } = headBox(face, photo);
    return bottom - top;
  };
  return second !== undefined && height(second) > SECOND * height(first);
};

/** What a rule leaves to the eye, or states and nobody measured; empty where everything was measured. */
function sayNotMeasured(measured: FaceOnPiece, background: BackgroundState, rule: DocumentRule): string {
  return [
    ...(measured.figures.length === 0
      ? ["The rule gives no figures for the head: look at it yourself."]
      : []),
    ...(background.is === "not measured"
      ? [
          `The background was not measured. It should be ${rule.background!.words}: look at it, or put another behind.`,
        ]
      : []),
  ].join(" ");
}

const sayBackground = (
  { deviation }: Extract<BackgroundState, { is: "put behind" }>,
  { background }: DocumentRule,
): string =>
  `What was put behind is ΔE 2000 ${deviation.toFixed(1)} from ${background!.words}; up to ${background!.tolerance} will do. Put another colour behind.`;

/** "Head height is 38.2 mm, 2.2 mm too much." */
export function sayFigure({ name, value, allowed }: Figure, write: WriteOptions): string {
  if (value === null) return `${FIGURE_WORDS[name]} needs the handles at the ears.`;
  const length = (of: number) => writeMeasure(um(Math.round(of / 10) * 10), write);
  if (value > allowed.to)
    return `${FIGURE_WORDS[name]} is ${length(value)}, ${length(value - allowed.to)} too much.`;
  if (value < allowed.from)
    return `${FIGURE_WORDS[name]} is ${length(value)}, ${length(allowed.from - value)} too little.`;
  return `${FIGURE_WORDS[name]} is ${length(value)}.`;
}

const said = (failing: readonly Figure[], write: WriteOptions): string =>
  failing.map((figure) => sayFigure(figure, write)).join(" ");
