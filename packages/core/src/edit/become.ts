import { um } from "../base/length/index.ts";
import { NOT_BEGUN, shotNamed, type Aside, type CellByHand, type Job, type Place } from "../job/index.ts";
import { kindNamed, layOut, photoFlow, type Kind } from "../kinds/index.ts";
import { COMPUTED_SHOT, type Shot, type Sits } from "../photo/crop/index.ts";
import type { SheetPlan } from "../plan/index.ts";
import { offTheRoll } from "./roll.ts";
import {
  addedCell,
  addedSheet,
  isAddedCell,
  isAddedSheet,
  numberedSheet,
  numberedShot,
  photoNumber,
  shotNumber,
  type CellName,
  type PhotoId,
  type ShotName,
} from "../schema/index.ts";

/** A cell as it stands on its sheet, and how it shows its photo. */
export interface Stands {
  cell: CellName;
  place: Place;
  /** What it shares with the cells that show the same. */
  shot: ShotName;
  photo: PhotoId | null;
  sits: Sits;
}

/**
 * Another kind of job. Photos, paper, finish and cells that were added by hand go along; what was set by hand for the
 * old kind is put aside, and is there again when the job comes back to it.
 *
 *     copies ──▶ contact ──▶ copies
 *       │ ticket, cells, shots, sheets      ▲
 *       └──────────▶ aside ─────────────────┘
 *
 * Free has no layout of its own: the first time every cell stays where it stands (`stands`; computed without the photos'
 * proportions where it is left out).
 */
export function become(job: Job, kind: Kind, stands?: readonly Stands[]): Job {
  if (kind === job.ticket.kind) return job;
  const along = Object.entries(job.cells).filter(([key, cell]) => isAddedCell(key) && !cell.kept);
  const left: Aside = {
    ticket: job.ticket,
    cells: Object.fromEntries(
      Object.entries(job.cells).filter(([key]) => !along.some(([own]) => own === key)),
    ),
    shots: job.shots,
    sheets: job.sheets,
  };
  const { [kind]: back, ...others } = job.aside;
  const aside = { ...others, [left.ticket.kind]: left };
  const next = back ? { ...job, ...back, aside } : { ...fresh(job, kind, stands), aside };
  // Other pages, other sheets.
  const making = NOT_BEGUN;
  return withCells({ ...next, impose: offTheRoll(imposeFor(job, kind)), making }, job, along);
}

/** How pages come onto paper from now on: as the kind has to have it, and no longer as the one before had to. */
function imposeFor({ impose, ticket }: Job, kind: Kind): Job["impose"] {
  const [way, before] = [kindNamed(kind).way, kindNamed(ticket.kind).way];
  if (way) return { ...impose, way };
  return before === impose.way ? { ...impose, way: "one" } : impose;
}

/** The job as a kind that it never was before. */
function fresh(job: Job, kind: Kind, stands: readonly Stands[] | undefined): Job {
  const ticket = kindNamed(kind).fresh({ gap: job.ticket.gap, letter: false, photos: job.stash.length });
  const bare: Job = { ...job, ticket, cells: {}, shots: {}, sheets: { order: [], gone: [] } };
  if (kind === "free") return standing(bare, job, stands ?? computed(job));
  return { ...bare, ticket: kindNamed(kind).withPhotos(bare, job.stash) };
}

/** Where the cells of planned sheets stand. */
export const standsOf = (sheets: readonly SheetPlan[]): Stands[] =>
  sheets.flatMap(({ id, cells }) =>
    cells.map(({ key, slot, finished, angle, turn: piece, photo, sits, locked }, order): Stands => {
      const { fit, scale, centre, level } = sits;
      // Free knows no pieces that are turned as a whole: the photo is turned in its cell instead.
      const turn = piece === 0 ? sits.turn : turned(sits.turn === "suit" ? 0 : sits.turn, piece);
      const place = { ...PLACED, ...finished, sheet: id, angle, order: Math.min(order, MOST_ORDER), locked };
      return { cell: key, place, shot: slot, photo, sits: { fit, scale, centre, turn, level } };
    }),
  );

const turned = (turn: number, piece: number) => ((turn + piece) % 360) as Exclude<Sits["turn"], "suit">;

/** Cells lie over each other in their order, up to this number. */
const MOST_ORDER = 9999;

/** Every cell as one put by hand, on sheets of its own order. */
function standing(bare: Job, job: Job, stands: readonly Stands[]): Job {
  const names = [...new Set(stands.map(({ place }) => place.sheet))];
  const sheets = new Map(names.map((name, i) => [name, i === 0 ? numberedSheet(1) : addedSheet(i)]));
  const here = stands.filter(({ cell }) => !isAddedCell(cell) || job.cells[cell]?.kept);
  // Free knows numbered shots alone.
  const slots = new Map(
    [...new Set(here.map(({ shot }) => shot))].map((slot, i) => [slot, numberedShot(i + 1)]),
  );
  const cells = here.map(({ cell, place, shot }, i): [CellName, CellByHand] => {
    const { style } = job.cells[cell] ?? {};
    const where = { ...place, sheet: sheets.get(place.sheet)! };
    return [addedCell(i + 1), { shot: slots.get(shot)!, place: where, kept: true, ...(style && { style }) }];
  });
  const shots = here.map(({ shot, photo, sits }): [ShotName, Shot] => [slots.get(shot)!, { ...sits, photo }]);
  const order = names.length > 1 ? [...sheets.values()] : [];
  return {
    ...bare,
    cells: Object.fromEntries(cells),
    shots: Object.fromEntries(shots),
    sheets: { order, gone: [] },
  };
}

/** Where cells stand by the layout alone. */
const computed = (job: Job): Stands[] => {
  const flow = photoFlow(job);
  return layOut(job, {}).sheets.flatMap(({ name, cells }) =>
    cells.flatMap((cell): Stands[] => {
      const own = job.cells[cell.key];
      if (own?.gone) return [];
      const { slot, shot, photo } = own?.shot === undefined ? cell : flow.at(own.shot);
      const place = { ...PLACED, sheet: name, ...cell.finished };
      const { photo: _put, ...sits } = shotNamed(job, shot, COMPUTED_SHOT);
      return [{ cell: cell.key, place: own?.place ?? place, shot: slot, photo, sits }];
    }),
  );
};

const PLACED = { angle: 0, order: 0, locked: false, proportion: false, x: um(0), y: um(0) };

/** The job with cells that come along: under names and shots that nothing else there has, on their sheets. */
function withCells(next: Job, from: Job, along: readonly [CellName, CellByHand][]): Job {
  if (along.length === 0) return next;
  const cells = { ...next.cells };
  const shots = { ...next.shots };
  const taken = new Set<ShotName>([
    ...Object.keys(shots),
    ...layOut(next, {}).sheets.flatMap((sheet) => sheet.cells.map(({ slot }) => slot)),
    ...Object.values(cells).flatMap(({ shot }) => shot ?? []),
  ]);
  const renamed = new Map<ShotName, ShotName>();
  const free = (shot: ShotName): ShotName => {
    // A photo that comes by itself is named the same everywhere.
    if (photoNumber(shot) !== null) return shot;
    const known = renamed.get(shot);
    if (known !== undefined) return known;
    let number = shotNumber(shot);
    while (taken.has(numberedShot(number))) number++;
    const name = numberedShot(number);
    taken.add(name);
    renamed.set(shot, name);
    const own = from.shots[shot];
    if (own) shots[name] = own;
    return name;
  };
  for (const [key, cell] of along) {
    let name = key;
    for (let i = 1; name in cells; i++) name = addedCell(i);
    cells[name] = { ...cell, shot: free(cell.shot ?? numberedShot(1)) };
  }
  const theirs = new Set(along.flatMap(([, { place }]) => place?.sheet ?? []));
  const added = from.sheets.order.filter(
    (sheet) => isAddedSheet(sheet) && theirs.has(sheet) && !next.sheets.order.includes(sheet),
  );
  return { ...next, cells, shots, sheets: { ...next.sheets, order: [...next.sheets.order, ...added] } };
}

/** A change that photos bring about, made for the job as it is and for what other kinds had. */
export function forAllKinds(job: Job, change: (job: Job) => Job): Job {
  const next = change(job);
  const kinds = Object.entries(job.aside) as [Kind, Aside][];
  if (kinds.length === 0) return next;
  const aside = kinds.map(([kind, own]): [Kind, Aside] => {
    const { ticket, cells, shots, sheets } = change({ ...job, ...own });
    return [kind, { ticket, cells, shots, sheets }];
  });
  return { ...next, aside: Object.fromEntries(aside) };
}
