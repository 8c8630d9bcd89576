import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm, um } from "../base/length/index.ts";
import { paperById } from "../catalogue/paper/index.ts";
import { readJob, type Job, type Place } from "../job/index.ts";
import { isPicked } from "../job/stash/index.ts";
import { freshJob, type Kind } from "../kinds/index.ts";
import { AS_IT_IS } from "../photo/look/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { arrange } from "../plan/arrange.ts";
import type { CellPlan } from "../plan/index.ts";
import { check } from "../report/check/index.ts";
import { isAddedCell, photoNumber } from "../schema/index.ts";
import { applyEdit, diff, inverse, patched, type JobEdit, type Patch } from "./index.ts";

const RUNS = process.env.WIDE_QUILT_LONG ? 20_000 : 300;

const IDS = Array.from({ length: 12 }, (_, i) => `photo-${i}`);
const PHOTOS: Photos = Object.fromEntries(
  IDS.map((id, i) => [
    id,
    {
      width: 300 + 40 * (i % 4),
      height: 400,
      exposure: { takenAt: `2026-10-${String(28 - 2 * i).padStart(2, "0")}T10:00:00` },
    },
  ]),
);

/** What is to be done next; `which` and `other` choose among what there is then. */
interface Act {
  what: (typeof ACTS)[number];
  which: number;
  other: number;
}

const ACTS = [
  ...["add", "add", "remove", "remove", "move", "replace", "stars", "filter", "sort"],
  ...["crop", "crop", "style", "style", "place", "place", "unplace", "swap"],
  ...["remove cell", "duplicate", "bring back", "remove sheet", "order sheets", "add sheet"],
  ...["kind", "kind", "paper", "ticket", "ticket"],
] as const;

const KINDS: Kind[] = ["contact", "single", "copies", "collage", "mixed", "portraits", "free"];

/** Tickets of all sizes, for the kind that a job is of. */
const TICKETS: Partial<Record<Kind, Extract<JobEdit, { do: "ticket" }>["change"][]>> = {
  contact: [
    { columns: 5, rows: 2 },
    { columns: 2, rows: 1 },
    { columns: 3, rows: 3, breaks: "day" },
  ],
  single: [{ way: "border" }, { way: "whole" }],
  copies: [
    { of: "each", copies: 1 },
    { of: "each", copies: 3, size: { width: mm(30), height: mm(30) } },
    { of: "each", copies: 2, size: { width: mm(60), height: mm(40) } },
  ],
  collage: [
    { way: "whole" },
    { way: "lines" },
    { way: "grid", columns: 2, rows: 2, sheets: "all" },
    { way: "counts", counts: [1, 2], sheets: "all" },
  ],
};

const PAPERS = ["a4", "photo-10x15", "photo-20x30"];

/** What was set by hand: a mark of its own each, and which photo, or which place or line, it was set for. */
type Marks = Map<number, string>;

interface Told {
  crops: Marks;
  styles: Marks;
  places: Marks;
}

/** What was set by hand is kept for each kind of job on its own. */
type ToldByKind = Partial<Record<Kind, Told>>;

const cellsOf = (job: Job): CellPlan[] => arrange(job, PHOTOS).flatMap(({ cells }) => cells);

/** What a cell is of: a photo, and the how manieth of it, or the cell’s own name. */
function thing(job: Job, key: string): string {
  const number = photoNumber(key);
  if (number === null) return key;
  const copy = key.split(".")[1] ?? "1";
  return `${job.stash.find((ref) => ref.number === number)?.id} ${copy}`;
}

/** Sets a mark for a thing; the one before it is no more. */
function mark(marks: Marks, number: number, of: string): void {
  for (const [other, known] of marks) if (known === of) marks.delete(other);
  marks.set(number, of);
}

/** Whether a cell waits for the next photo, whose all that is that is set for it. */
const waits = (job: Job, { key }: CellPlan): boolean => {
  const number = photoNumber(key);
  return number !== null && job.stash.every((ref) => ref.number !== number);
};

/** The edit of an act, with the marks that it sets; null where there is nothing to do it to. */
function editOf(job: Job, { what, which, other }: Act, number: number, all: ToldByKind): JobEdit | null {
  const told = (all[job.ticket.kind] ??= { crops: new Map(), styles: new Map(), places: new Map() });
  const one = <T>(list: readonly T[], n = which): T | undefined => list[n % Math.max(1, list.length)];
  const ref = one(job.stash);
  const sheets = arrange(job, PHOTOS);
  const cell = one(sheets.flatMap(({ cells }) => cells));
  const place = (sheet: string): Place => ({
    ...{ sheet, x: um(1000 + number), y: mm(20), width: mm(20), height: mm(20) },
    ...{ angle: 0, order: 0, locked: false, proportion: false },
  });
  switch (what) {
    case "add": {
      const id = one(IDS.filter((free) => job.stash.every((known) => known.id !== free)));
      return id === undefined ? null : { do: "add photos", photos: [{ id, name: `${id}.jpg` }] };
    }
    case "remove":
      return ref ? { do: "remove photo", photo: ref.id } : null;
    case "move":
      return ref ? { do: "move photo", photo: ref.id, to: other % job.stash.length } : null;
    case "replace": {
      const to = one(
        IDS.filter((free) => job.stash.every((known) => known.id !== free)),
        other,
      );
      if (!ref || to === undefined) return null;
      for (const { crops, styles, places } of Object.values(all))
        for (const marks of [crops, styles, places])
          for (const [own, of] of marks) {
            const [id, copy] = of.split(" ");
            if (id === ref.id) marks.set(own, copy === undefined ? to : `${to} ${copy}`);
          }
      return { do: "relink photo", photo: ref.id, to: { id: to, name: `${to}.jpg` } };
    }
    case "stars":
      return ref ? { do: "mark photos", photos: [ref.id], change: { stars: other % 3 } } : null;
    case "filter":
      return { do: "pick", change: { stars: other % 2 } };
    case "sort":
      return {
        do: "pick",
        change: { by: (["order", "name", "taken"] as const)[other % 3]!, down: which % 2 === 0 },
      };
    case "crop": {
      if (!cell?.photo) return null;
      told.crops.set(number, cell.photo);
      return { do: "shot", shot: cell.shot, change: { scale: 1 + number / 1000, photo: cell.photo } };
    }
    case "style": {
      if (!cell || waits(job, cell)) return null;
      mark(told.styles, number, thing(job, cell.key));
      return {
        do: "style cells",
        cells: [cell.key],
        change: { look: { ...AS_IT_IS, exposure: number / 100 } },
      };
    }
    case "place": {
      if (!cell || waits(job, cell)) return null;
      mark(told.places, number, thing(job, cell.key));
      return {
        do: "place",
        cells: { [cell.key]: { place: place(one(sheets, other)!.id), shot: cell.slot } },
      };
    }
    case "unplace":
      return cell ? { do: "unplace", cells: [cell.key] } : null;
    case "swap": {
      const with_ = one(job.stash, other);
      return cell && with_ ? { do: "put in one", cell: cell.key, photo: with_.id } : null;
    }
    case "remove cell":
      return cell ? { do: "remove cells", cells: [cell.key] } : null;
    case "duplicate":
      return cell
        ? {
            do: "add cells",
            cells: [{ place: place(one(sheets, other)!.id), photo: cell.photo, like: cell.key }],
          }
        : null;
    case "bring back":
      return { do: "bring back" };
    case "remove sheet": {
      const sheet = one(sheets);
      return sheet && sheet.cells.length > 0
        ? { do: "remove sheet", sheet: sheet.id, on: sheet.cells.map(({ key }) => key) }
        : null;
    }
    case "order sheets":
      return { do: "order sheets", sheets: sheets.map(({ id }) => id).reverse() };
    case "add sheet":
      return { do: "add sheet", after: one(sheets)?.id ?? null, sheets: sheets.map(({ id }) => id) };
    case "kind":
      return { do: "become", kind: one(KINDS)! };
    case "paper": {
      const { name, width, height } = paperById(one(PAPERS)!);
      return { do: "sheet", change: { paper: { name, width, height } } };
    }
    case "ticket": {
      const change = one(TICKETS[job.ticket.kind] ?? []);
      return change ? { do: "ticket", change } : null;
    }
  }
}

/** How often a photo that is to be seen is seen; null for kinds whose ticket says which photos they show. */
function timesEach({ ticket }: Job): number | null {
  if (ticket.kind === "copies") return ticket.of === "each" && ticket.copies !== "fit" ? ticket.copies : null;
  const oneSheet = ticket.kind === "collage" && ticket.sheets === "one";
  const counted = ticket.kind === "collage" && (ticket.way === "grid" || ticket.way === "counts");
  return ["contact", "single", "collage"].includes(ticket.kind) && !(oneSheet && counted) ? 1 : null;
}

/** Photos that a job shows by itself: a collage shows all of them. */
const comes = ({ stash, pick, ticket }: Job): string[] =>
  stash.filter((ref) => ticket.kind === "collage" || isPicked(pick, ref)).map(({ id }) => id);

function verify(job: Job, all: ToldByKind): void {
  expect(readJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
  const sheets = arrange(job, PHOTOS);
  const cells = sheets.flatMap((sheet) => sheet.cells);
  expect(new Set(cells.map(({ key }) => key)).size).toBe(cells.length);
  const findings = check(job, PHOTOS, sheets);

  // Every photo as often as the kind says; what a person took out is back with “bring back”, and told until then.
  const times = timesEach(job);
  const isOverridden = Object.entries(job.cells).some(
    ([key, { shot }]) => shot !== undefined && !isAddedCell(key),
  );
  if (times !== null && sheets.length > 0 && !isOverridden) {
    const counts = (those: readonly CellPlan[]) => {
      const seen = new Map<string, number>();
      for (const { key, photo } of those)
        if (photo !== null && !isAddedCell(key)) seen.set(photo, (seen.get(photo) ?? 0) + 1);
      return seen;
    };
    const whole = counts(cellsOf(applyEdit(job, { do: "bring back" })));
    expect(Object.fromEntries(whole)).toEqual(Object.fromEntries(comes(job).map((id) => [id, times])));
    const now = counts(cells);
    const added = new Set(cells.map(({ photo }) => photo));
    const missing = comes(job).filter((id) => !now.has(id) && !added.has(id));
    expect(findings.some(({ rule }) => rule === "photo-on-no-sheet")).toBe(missing.length > 0);
  }

  // Nothing that was set by hand lies on another thing than it was set for.
  const told = all[job.ticket.kind];
  for (const { key, photo, sits, look, placed, finished } of cells) {
    if (isAddedCell(key)) continue;
    const named = { key, photo, kind: job.ticket.kind };
    if (sits.scale !== 1)
      expect({ ...named, of: told?.crops.get(Math.round((sits.scale - 1) * 1000)) }).toEqual({
        ...named,
        of: photo,
      });
    if (look)
      expect({ ...named, of: told?.styles.get(Math.round(look.exposure * 100)) }).toEqual({
        ...named,
        of: thing(job, key),
      });
    if (placed)
      expect({ ...named, of: told?.places.get(finished.x - 1000) }).toEqual({
        ...named,
        of: thing(job, key),
      });
  }

  // What has lost its thing is told.
  const ids = new Set(job.stash.map(({ id }) => id));
  const lost = [...(told?.styles ?? [])].filter(([number, of]) => {
    const isKept = Object.values(job.cells).some(({ style }) => style?.look?.exposure === number / 100);
    return isKept && of.includes(" ") && !ids.has(of.split(" ")[0]!);
  });
  if (lost.length > 0) expect(findings.map(({ rule }) => rule)).toContain("lost-by-hand");
}

describe("after any sequence of edits", () => {
  it("every photo is seen as often as its kind says, what was set by hand lies where it was set, and all can be undone", () => {
    const act = fc.record({ what: fc.constantFrom(...ACTS), which: fc.nat(99), other: fc.nat(99) });
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.array(act, { minLength: 3, maxLength: 40 }),
        fc.nat(39),
        (kind, acts, middle) => {
          const first = applyEdit(freshJob(kind, "Sequence"), {
            do: "add photos",
            photos: IDS.slice(0, 6).map((id) => ({ id, name: `${id}.jpg` })),
          });
          let job = first;
          const told: ToldByKind = {};
          const done: Patch[] = [];
          for (const [i, one] of acts.entries()) {
            const edit = editOf(job, one, i + 1, told);
            if (!edit) continue;
            const next = applyEdit(job, edit);
            done.push(diff(job, next));
            job = next;
            if (i === middle) verify(job, told);
          }
          verify(job, told);
          const undone = done.reduceRight((now, patch) => patched(now, inverse(patch)), job);
          expect(undone).toEqual(first);
        },
      ),
      { numRuns: RUNS },
    );
  }, 3_600_000);
});

describe("what went astray while a thing had no name but its place", () => {
  const many = (kind: Kind, count: number) =>
    applyEdit(freshJob(kind, "Many"), {
      do: "add photos",
      photos: Array.from({ length: count }, (_, i) => ({ id: `n${i + 1}`, name: `n${i + 1}.jpg` })),
    });
  const shown = (job: Job) => cellsOf(job).map(({ photo }) => photo);
  const numbers = (from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, i) => `n${from + i}`);

  it.each(["contact", "single"] as const)(
    "photo 11 whose cell was moved stays once where it was put when photo 1 goes, or moves (%s)",
    (kind) => {
      const job = many(kind, 14);
      const cell = cellsOf(job)[10]!;
      const put = applyEdit(job, {
        do: "place",
        cells: {
          [cell.key]: {
            place: {
              ...{ sheet: "1", x: mm(50), y: mm(60), width: mm(40), height: mm(30) },
              ...{ angle: 0, order: 0, locked: false, proportion: false },
            },
            shot: cell.slot,
          },
        },
      });
      for (const edit of [
        { do: "remove photo", photo: "n1" },
        { do: "move photo", photo: "n1", to: 13 },
      ] satisfies JobEdit[]) {
        const after = applyEdit(put, edit);
        expect(shown(after).toSorted()).toEqual(after.stash.map(({ id }) => id).toSorted());
        const placed = cellsOf(after).filter((one) => one.placed);
        expect(placed.map(({ photo, finished }) => [photo, finished.x])).toEqual([["n11", mm(50)]]);
      }
    },
  );

  it("the sheet that is taken out of a contact sheet is its photos, however they are laid later", () => {
    // Five columns of two rows: the second sheet holds photos 11 to 20.
    const job = applyEdit(many("contact", 30), { do: "ticket", change: { columns: 5, rows: 2 } });
    const without = applyEdit(job, { do: "remove sheet", sheet: "2" });
    const left = [...numbers(1, 10), ...numbers(21, 30)];
    expect(shown(without)).toEqual(left);
    const laidAnew = applyEdit(without, { do: "ticket", change: { columns: 5, rows: 3 } });
    expect(shown(laidAnew)).toEqual(left);
    expect(check(laidAnew, {}, arrange(laidAnew, {})).map(({ rule }) => rule)).toContain("photo-on-no-sheet");
    expect(shown(applyEdit(laidAnew, { do: "bring back" }))).toEqual(numbers(1, 30));
  });

  it("what was set for a photo that is gone is told, and can be given to another or forgotten", () => {
    let job = applyEdit(many("contact", 4), { do: "shot", shot: "p2", change: { scale: 2 } });
    job = applyEdit(job, { do: "style cells", cells: ["p2"], change: { border: null } });
    job = applyEdit(job, { do: "remove photo", photo: "n2" });
    const told = (of: Job) =>
      check(of, PHOTOS, arrange(of, PHOTOS)).find(({ rule }) => rule === "lost-by-hand");
    expect(told(job)?.sentence).toBe(
      "One crop and one cell set by hand belong to a photo that is no longer here.",
    );
    const given = applyEdit(job, told(job)!.orElse!.edit);
    expect(told(job)!.orElse!.label).toBe("Give it to n3.jpg");
    expect([given.shots.p3?.scale, given.cells.p3?.style, told(given)]).toEqual([
      2,
      { border: null },
      undefined,
    ]);
    const forgotten = applyEdit(job, told(job)!.mend!.edit);
    expect([forgotten.shots, forgotten.cells, told(forgotten)]).toEqual([{}, {}, undefined]);
    // The same file again is another photo: what is kept for the first one is not taken by it unasked.
    const again = applyEdit(job, { do: "add photos", photos: [{ id: "n2", name: "n2.jpg" }] });
    expect(again.stash.at(-1)).toMatchObject({ id: "n2", number: 5 });
  });

  it("two photos that change places keep their crops, and each comes once whichever is filtered away", () => {
    let job = many("contact", 4);
    job = applyEdit(job, { do: "shot", shot: "p1", change: { scale: 2 } });
    job = applyEdit(job, { do: "put in one", cell: "p1", photo: "n3" });
    expect(shown(job)).toEqual(["n3", "n2", "n1", "n4"]);
    const crops = (of: Job) =>
      cellsOf(of)
        .filter(({ sits }) => sits.scale === 2)
        .map(({ photo }) => photo);
    expect(crops(job)).toEqual(["n1"]);
    job = applyEdit(job, { do: "put in one", cell: "p2", photo: "n1" });
    expect(shown(job)).toEqual(["n3", "n1", "n2", "n4"]);
    const without = (id: string) => {
      const others = job.stash.map((ref) => ref.id).filter((other) => other !== id);
      const marked = applyEdit(job, { do: "mark photos", photos: others, change: { stars: 3 } });
      return applyEdit(marked, { do: "pick", change: { stars: 3 } });
    };
    for (const id of ["n1", "n2", "n3"]) {
      expect(shown(without(id)).toSorted()).toEqual(
        job.stash.map((ref) => ref.id).filter((one) => one !== id),
      );
      expect(crops(without(id))).toEqual(id === "n1" ? [] : ["n1"]);
    }
    const back = applyEdit(job, { do: "back to computed", cell: "p1" });
    expect(shown(back).toSorted()).toEqual(["n1", "n2", "n3", "n4"]);
    expect(shown(applyEdit(job, { do: "remove photo", photo: "n1" })).toSorted()).toEqual(["n2", "n3", "n4"]);
  });
});
