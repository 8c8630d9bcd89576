import { area, inside, overlap, type Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import type { JobEdit } from "../../../edit/index.ts";
import { headsIn } from "../../../job/index.ts";
import { kindOf } from "../../../kinds/index.ts";
import { COMPUTED_SHOT, type Sits } from "../../../photo/crop/index.ts";
import { keepHeads } from "../../../photo/heads/index.ts";
import { headsOn, uprightPiece, type CellPlan, type SheetPlan } from "../../../plan/index.ts";
import type { Finding, Inspection, Mend, Rule } from "../finding.ts";
import { keysOf } from "../shots.ts";
import { coversOn } from "./covers.ts";
import { keepAway } from "./paperEdge.ts";

/** Photos that are named one by one; of more than this it is said once. */
const FEW = 3;
/** Heads at least this large against the largest of their photo are looked after; others only happen to be there. */
const MATTERS = 1 / 3;
/** Less than this share of a head is no loss; of less than the other nothing is seen any more. */
const CUT = 0.03;
const OUT = 0.9;
/** More of a head than this under something else is worth a look. */
const COVERED = 0.05;

/** A cell with the heads that it shows, on its sheet. */
interface Shown {
  cell: CellPlan;
  sheet: SheetPlan;
  name: string;
  heads: Rect[];
}

/** Heads that a crop cuts, that lie under something, or where the paper may be lost. */
export const heads: Rule = (inspection) => {
  const shown = shownHeads(inspection);
  return [...cut(shown, inspection), ...covered(shown, inspection), ...nearEdge(shown, inspection)];
};

/** Every cell with heads in its photo; where a rule places the head, the rule looks after it. */
function shownHeads({ job, photos, sheets }: Inspection): Shown[] {
  const kind = kindOf(job);
  const names = new Map(job.stash.map(({ id, name }) => [id, name]));
  // Cells of one shot and size are one crop, wherever they lie: where their heads are is worked out once.
  const known = new Map<Sits, { x: number; y: number; boxes: Rect[] }>();
  return sheets.flatMap((sheet) =>
    sheet.cells.flatMap((cell): Shown[] => {
      const { photo, picture } = cell;
      const facts = photo === null ? undefined : photos[photo];
      if (photo === null || !picture || !facts || kind.ruleOf(job, cell.shot)) return [];
      const all = headsIn(job, photos, photo);
      if (all.length === 0) return [];
      const { x, y } = cell.finished;
      const alike = known.get(cell.sits) ?? { x, y, boxes: headsOn(cell, all, facts, cell.sits) };
      known.set(cell.sits, alike);
      const boxes = alike.boxes.map((box) => ({
        ...box,
        x: um(box.x + x - alike.x),
        y: um(box.y + y - alike.y),
      }));
      const largest = Math.max(...boxes.map(area));
      // What the photo itself cuts is no fault of the crop.
      const there = boxes
        .filter((box) => area(box) >= MATTERS ** 2 * largest)
        .flatMap((box) => overlap(box, picture.placed) ?? []);
      return [{ cell, sheet, name: names.get(photo) ?? "The photo", heads: there }];
    }),
  );
}

/** How much of a rectangle is not in another, 0…1. */
const outside = (rect: Rect, of: Rect): number => {
  const both = overlap(rect, of);
  return both ? 1 - area(both) / area(rect) : 1;
};

const isCut = (head: Rect, opening: Rect): boolean => outside(head, opening) > CUT;

/** Crops that cut heads or leave them out. */
function cut(shown: readonly Shown[], inspection: Inspection): Finding[] {
  const found = shown.filter(({ cell, heads }) => heads.some((head) => isCut(head, cell.opening)));
  if (found.length === 0) return [];
  if (new Set(found.map(({ name }) => name)).size <= FEW) {
    const byPhoto = new Map(found.map((one) => [`${one.name} ${one.cell.shot}`, one]));
    return [...byPhoto.values()].map((one) => {
      const those = found.filter(({ cell }) => cell.shot === one.cell.shot);
      return {
        rule: "head-cut",
        level: "look",
        sentence: `${sayCut(one)} Look whether that is meant.`,
        cells: keysOf(those.map(({ cell }) => cell)),
        mend: mendCut(one, inspection),
      };
    });
  }
  const names = [...new Set(found.map(({ name }) => name))];
  return [
    {
      rule: "head-cut",
      level: "look",
      sentence: `The crops of ${names.length} photos cut heads or leave them out: ${names.slice(0, FEW).join(", ")} and others. Look whether that is meant.`,
      cells: keysOf(found.map(({ cell }) => cell)),
      mend: inspection.job.crop === "middle" ? KEEP_IN : wholePhotos(found),
    },
  ];
}

const wholePhotos = (found: readonly Shown[]): Mend => ({
  label: "Show these photos whole",
  edit: { do: "shots", shots: [...new Set(found.map(({ cell }) => cell.shot))], change: { fit: "whole" } },
});

const KEEP_IN: Mend = { label: "Keep heads in", edit: { do: "crop", crop: "heads" } };

function sayCut({ cell, name, heads }: Shown): string {
  const lost = heads.map((head) => outside(head, cell.opening));
  const [out, half] = [
    lost.filter((share) => share >= OUT).length,
    lost.filter((share) => share > CUT && share < OUT).length,
  ];
  const parts = [
    ...(half > 0
      ? [`cuts ${half === 1 ? (heads.length === 1 ? "the head" : "a head") : `${half} heads`}`]
      : []),
    ...(out > 0 ? [`leaves ${out === 1 ? "a head" : `${out} heads`} out`] : []),
  ];
  return `The crop of ${name} ${parts.join(" and ")}.`;
}

/** The crop that keeps the heads in where there is one; the whole photo where not. */
function mendCut({ cell }: Shown, { job, photos }: Inspection): Mend {
  const photo = cell.photo!;
  const facts = photos[photo]!;
  const all = headsIn(job, photos, photo);
  const centre = keepHeads(facts, uprightPiece(cell), all);
  const largest = Math.max(...headsOn(cell, all, facts, cell.sits).map(area));
  const kept = headsOn(cell, all, facts, { ...COMPUTED_SHOT, centre });
  const holds = kept.every((head) => area(head) < MATTERS ** 2 * largest || !isCut(head, cell.opening));
  if (holds && job.crop === "middle" && !cell.byHand) return KEEP_IN;
  const back: JobEdit = { do: "shot", shot: cell.shot, change: { ...COMPUTED_SHOT } };
  if (holds && cell.byHand && job.crop === "heads") return { label: "Keep heads in", edit: back };
  return {
    label: "Show the whole photo",
    edit: { do: "shot", shot: cell.shot, change: { photo, fit: "whole" } },
  };
}

/** Heads under words, stamps, overlays or other cells. */
function covered(shown: readonly Shown[], { job }: Inspection): Finding[] {
  const covers = new Map<SheetPlan, ReturnType<typeof coversOn>>();
  const found = shown.flatMap((one) => {
    const coversOf = covers.get(one.sheet) ?? coversOn(job, one.sheet);
    covers.set(one.sheet, coversOf);
    const over = coversOf(one.cell).find(({ rect }) =>
      one.heads.some((head) => {
        const seen = overlap(head, one.cell.opening);
        const both = seen && overlap(seen, rect);
        return both !== null && area(both) > COVERED * area(head);
      }),
    );
    return over ? [{ ...one, over }] : [];
  });
  const ways = new Map(found.map((one) => [one.over.what, one]));
  return [...ways.values()].map(({ over }) => {
    const those = found.filter((one) => one.over.what === over.what);
    const names = [...new Set(those.map(({ name }) => name))];
    const whose = names.length === 1 ? `a head of ${names[0]}` : `heads in ${names.length} photos`;
    return {
      rule: "head-covered",
      level: "look",
      sentence: `${over.what} ${over.many ? "lie" : "lies"} over ${whose}.`,
      cells: keysOf(those.map(({ cell }) => cell)),
      mend: over.mend,
    };
  });
}

/** Heads where the printer may lose some of the paper. */
function nearEdge(shown: readonly Shown[], { job }: Inspection): Finding[] {
  const near = shown.filter(({ cell, sheet, heads }) => {
    const kept = inside(sheet.paper, sheet.mayLose);
    return heads.some((head) => {
      const seen = overlap(head, cell.opening);
      return seen !== null && outside(seen, kept) > CUT;
    });
  });
  const [first] = near;
  if (!first) return [];
  const names = [...new Set(near.map(({ name }) => name))];
  const edit = keepAway(job, first);
  const whole: JobEdit = {
    do: "shot",
    shot: first.cell.shot,
    change: { photo: first.cell.photo, fit: "whole" },
  };
  return [
    {
      rule: "head-near-edge",
      level: "look",
      sentence: `${names.length === 1 ? `A head of ${names[0]} lies` : `Heads of ${names.length} photos lie`} where ${job.target.printer.name} prints can lose some of the paper, so it may be cut.`,
      cells: keysOf(near.map(({ cell }) => cell)),
      mend: edit
        ? { label: "Keep away from the edge", edit }
        : { label: "Show the whole photo", edit: whole },
    },
  ];
}
