import type { WriteOptions } from "../../base/length/index.ts";
import type { DocumentRule } from "../../catalogue/rules/index.ts";
import { headsIn, type Job } from "../../job/index.ts";
import { peopleTicket, personName, quantityOf, ruleFor, type Person } from "../../kinds/index.ts";
import { measureFace, placeFace, sayShort, type Face, type FaceOnPiece } from "../../photo/portrait/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { uprightPiece, type CellPlan, type SheetPlan } from "../../plan/index.ts";
import { numberedShot, type PhotoId, type ShotName } from "../../schema/index.ts";
import { checksOf } from "./checksOf.ts";
import { sayFigure } from "./geometry.ts";
import type { PersonCheck } from "./personCheck.ts";

/**
 * How someone stands to their rule. Only who was measured in all that a document photo is looked at for, and is right in all of
 * it, passes. "unsure" is for a person to look at; "not measured" is right as far as anything was measured.
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
  /** Everything that the photo was looked at for; empty where there is no head to begin with. */
  checks: PersonCheck[];
  /** What to do about it, in a sentence; empty for who passes. */
  advice: string;
  /** Whether the crop that the rule would make passes, and only the one set by hand does not. */
  mendable?: boolean;
}

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
    const own = { person, name: personName(person), quantity: quantityOf(job, ticket, person), rule, cell };
    const photo = cell?.photo ?? person.photo;
    return { ...own, photo, ...judge(job, photos, cell, photo, rule, write) };
  });
}

type Judged = Pick<PersonReport, "state" | "measured" | "checks" | "advice" | "mendable">;

const nothing = (state: PersonState, advice: string): Judged => ({
  state,
  measured: null,
  checks: [],
  advice,
});

function judge(
  job: Job,
  photos: Photos,
  cell: CellPlan | undefined,
  photo: PhotoId | null,
  rule: DocumentRule,
  write: WriteOptions,
): Judged {
  const facts = photo === null ? undefined : photos[photo];
  if (photo === null || !facts || !cell)
    return nothing("no photo", "Add the photo; it goes to who is listed by its name.");
  const heads = headsIn(job, photos, photo);
  const face = heads[0];
  if (!face) {
    return nothing(
      "no handles",
      facts.seen
        ? "No head was found in this photo. Set the crown, the chin and the eyes on it by hand."
        : "Nobody has looked for the head in this photo yet.",
    );
  }
  const { opening, cover } = uprightPiece(cell);
  const piece = { finished: opening, cover };
  const measured = measureFace(face, facts, piece, cell.sits, rule);
  const made = job.backdrops[photo]?.made;
  const study = facts.seen?.study;
  const checks = checksOf(
    {
      heads,
      photo: facts,
      measured,
      size: opening,
      ppi: cell.picture?.ppi ?? null,
      study,
      behind: made === undefined ? study : photos[made]?.seen?.study,
      hasLook: cell.look !== null,
    },
    rule,
    write,
  );
  const wrong = checks.filter(({ state }) => state === "wrong");
  const isOff = wrong.some(({ name }) => GEOMETRY.has(name));
  if (measured.figures.some(({ value }) => value === null)) {
    const advice = "The rule has a head width: set the ears on the photo.";
    return { state: "no handles", measured, checks, advice };
  }
  if (isOff) {
    const best = placeFace(face, facts, piece, rule);
    const short = best && sayShort(best, write);
    const figures = measured.figures
      .filter(({ passes }) => !passes)
      .map((figure) => sayFigure(figure, write));
    const advice =
      short ??
      `${figures.join(" ")} A crop that passes is there: give the photo back to the rule.`.trimStart();
    return { state: "fails", measured, checks, advice, mendable: short === null };
  }
  const state = stateOf(checks, face);
  return { state, measured, checks, advice: state === "passes" ? "" : adviceOf(checks, face) };
}

/** Checks that a crop decides. */
const GEOMETRY: ReadonlySet<string> = new Set([
  "headHeight",
  "aboveCrown",
  "eyeLine",
  "headWidth",
  "belowChin",
  "centre",
  "level",
]);

function stateOf(checks: readonly PersonCheck[], { sure }: Face): PersonState {
  const is = (state: PersonCheck["state"]) => checks.some((check) => check.state === state);
  if (is("wrong")) return "fails";
  if (is("look") || !sure) return "unsure";
  return is("not measured") ? "not measured" : "passes";
}

/** What to do first: about what is wrong, what has to be looked at, what was not measured. */
function adviceOf(checks: readonly PersonCheck[], { sure }: Face): string {
  for (const wanted of ["wrong", "look", "not measured"] as const) {
    if (wanted === "look" && !sure) return "Look whether the handles are where they should be.";
    const those = [...new Set(checks.filter(({ state }) => state === wanted).map(({ todo }) => todo))];
    if (those.length > 0) return those.slice(0, 2).join(" ");
  }
  return "";
}
