import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { NO_EDGES, overlap } from "../base/geometry/index.ts";
import { mm, um } from "../base/length/index.ts";
import { readJob, type Job } from "../job/index.ts";
import { freshJob, type Kind } from "../kinds/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { arrange } from "../plan/arrange.ts";
import { applyEdit, readEdit, sayEdit, standsOf, type JobEdit } from "./index.ts";

const photo = (id: string) => ({ id, name: `${id}.jpg` });

describe("readEdit", () => {
  it("reads edits and refuses what is none, with a sentence", () => {
    const edit: JobEdit = { do: "ticket", change: { gap: mm(3) } };
    expect(readEdit(edit)).toEqual({ ok: true, edit });
    // What pages before job version 8 sent.
    expect(readEdit({ do: "sheet", change: { ppi: 600 } })).toEqual({
      ok: true,
      edit: { do: "target", change: { ppi: 600 } },
    });
    expect(readEdit({ do: "press", change: { medium: "matte" } })).toEqual({
      ok: true,
      edit: { do: "target", change: { medium: "matte" } },
    });
    const about = { title: "", creator: "A. Tern", copyright: "", keepPlace: false };
    expect(readEdit({ do: "press", change: { about } })).toEqual({
      ok: true,
      edit: { do: "about", change: about },
    });
    expect(readEdit({ do: "explode" })).toMatchObject({ ok: false, faults: [{ field: "do" }] });
    expect(readEdit({ do: "ticket", change: { gap: -1 } })).toMatchObject({
      ok: false,
      faults: [{ field: "change.gap", why: expect.stringContaining("at least 0 mm") }],
    });
    expect(readEdit(null).ok).toBe(false);
  });

  it("says what it changes", () => {
    expect(sayEdit({ do: "ticket", change: { gap: mm(3) } })).toBe("gap");
    expect(sayEdit({ do: "sheet", change: { lie: "portrait", margins: NO_EDGES } })).toBe(
      "how the paper lies and margins",
    );
  });
});

describe("applyEdit", () => {
  it("puts the first photo that comes into the cells, and adds each photo once", () => {
    const job = applyEdit(freshJob("copies", "Badges"), {
      do: "add photos",
      photos: [photo("a"), photo("b"), photo("a")],
    });
    expect(job.stash.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(applyEdit(job, { do: "add photos", photos: [photo("b")] })).toBe(job);
  });

  it("forgets a crop with the photo it was made for", () => {
    let job = applyEdit(freshJob("copies", "Badges"), { do: "add photos", photos: [photo("a"), photo("b")] });
    job = applyEdit(job, { do: "shot", shot: "1", change: { scale: 2 } });
    expect(applyEdit(job, { do: "put in all", photo: "a" }).shots["1"]!.scale).toBe(2);
    expect(applyEdit(job, { do: "put in all", photo: "b" }).shots["1"]!.scale).toBe(1);
  });

  it("takes a removed photo out of its cells", () => {
    const job = applyEdit(freshJob("copies", "Badges"), { do: "add photos", photos: [photo("a")] });
    const cropped = applyEdit(job, { do: "shot", shot: "1", change: { scale: 2 } });
    const without = applyEdit(cropped, { do: "remove photo", photo: "a" });
    expect(without.stash).toEqual([]);
    expect(arrange(without, {})[0]!.cells.every(({ photo: shown }) => shown === null)).toBe(true);
    // The crop is kept under the photo’s name, told, and there for whoever comes instead.
    expect(without.shots).toMatchObject({ p1: { photo: null, scale: 2 } });
  });

  it("keeps what was set by hand when a photo's file is replaced", () => {
    let job = applyEdit(freshJob("copies", "Badges"), { do: "add photos", photos: [photo("a"), photo("b")] });
    job = applyEdit(job, { do: "shot", shot: "1", change: { scale: 2 } });
    const relinked = applyEdit(job, { do: "relink photo", photo: "a", to: photo("c") });
    expect(relinked.stash.map(({ id }) => id)).toEqual(["c", "b"]);
    expect(arrange(relinked, {})[0]!.cells[0]).toMatchObject({ photo: "c", sits: { scale: 2 } });
    expect(applyEdit(job, { do: "relink photo", photo: "a", to: photo("b") }).stash).toEqual([
      { ...photo("b"), number: 2 },
    ]);
  });

  it("gives a single cell its own shot, once, and takes it back", () => {
    let job = applyEdit(freshJob("copies", "Badges"), { do: "add photos", photos: [photo("a"), photo("b")] });
    job = applyEdit(job, { do: "put in one", cell: "3", photo: "b" });
    job = applyEdit(job, { do: "put in one", cell: "3", photo: "a" });
    expect(job.cells).toEqual({ "3": { shot: "2" } });
    job = applyEdit(job, { do: "back to computed", cell: "3" });
    expect([job.cells, Object.keys(job.shots)]).toEqual([{}, []]);
  });

  it("changes nothing of the job it is given, and always makes a job that reads back", () => {
    const edits = fc.array(
      fc.oneof<fc.Arbitrary<JobEdit>[]>(
        fc.constantFrom<JobEdit>(
          { do: "add photos", photos: [photo("a"), photo("b")] },
          { do: "remove photo", photo: "a" },
          { do: "put in all", photo: "b" },
          { do: "rename", name: "Open day" },
          { do: "ticket", change: { copies: "fit", gap: mm(3) } },
          { do: "shot", shot: "1", change: { scale: 3, fit: "free" } },
        ),
        fc
          .integer({ min: 1, max: 9 })
          .map((n): JobEdit => ({ do: "put in one", cell: String(n), photo: "a" })),
        fc.integer({ min: 1, max: 9 }).map((n): JobEdit => ({ do: "back to computed", cell: String(n) })),
      ),
      { maxLength: 15 },
    );
    fc.assert(
      fc.property(edits, (list) => {
        let job: Job = freshJob("copies", "Badges");
        for (const edit of list) {
          const before = JSON.stringify(job);
          const next = applyEdit(job, edit);
          expect(JSON.stringify(job)).toBe(before);
          job = next;
        }
        expect(readJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
      }),
    );
  });

  it("always makes a job that reads back and can be laid out, whatever is done by hand in whatever kind", () => {
    const length = (most: number) => fc.integer({ min: 3000, max: most }).map(um);
    const cell = fc.constantFrom("1", "2", "5", "1.1", "2.1", "p1", "p2.2", "o1", "o2");
    const place = fc.record({
      sheet: fc.constantFrom("1", "2", "a1", "7"),
      x: fc.integer({ min: -50_000, max: 300_000 }).map(um),
      y: fc.integer({ min: -50_000, max: 300_000 }).map(um),
      width: length(150_000),
      height: length(150_000),
      angle: fc.constantFrom(0, 0, 15, -90),
      order: fc.integer({ min: -3, max: 3 }),
      locked: fc.boolean(),
      proportion: fc.boolean(),
    });
    const edit = fc.oneof<fc.Arbitrary<JobEdit>[]>(
      fc
        .constantFrom("copies", "mixed", "single", "collage", "free")
        .map((kind): JobEdit => ({ do: "become", kind: kind as Kind })),
      fc.constant<JobEdit>({ do: "add photos", photos: [photo("a"), photo("b"), photo("c")] }),
      fc.constantFrom("a", "b", "c").map((id): JobEdit => ({ do: "remove photo", photo: id })),
      fc.constantFrom("a", "b", "c").map((id): JobEdit => ({ do: "move photo", photo: id, to: 0 })),
      fc.constantFrom("a", "b").map((id): JobEdit => ({ do: "put in all", photo: id })),
      cell.map((key): JobEdit => ({ do: "put in one", cell: key, photo: "b" })),
      cell.map((key): JobEdit => ({ do: "back to computed", cell: key })),
      cell.map((key): JobEdit => ({ do: "remove cells", cells: [key] })),
      cell.map((key): JobEdit => ({ do: "unplace", cells: [key] })),
      cell.map((key): JobEdit => ({ do: "share shot", cells: [key], shot: "2" })),
      fc
        .tuple(cell, place)
        .map(([key, where]): JobEdit => ({ do: "place", cells: { [key]: { place: where } } })),
      place.map((where): JobEdit => ({ do: "add cells", cells: [{ place: where, photo: "a" }] })),
      fc.constantFrom<JobEdit>(
        { do: "bring back" },
        { do: "turn to suit" },
        { do: "add sheet", after: "1", sheets: ["1"] },
        { do: "remove sheet", sheet: "1" },
        { do: "remove sheet", sheet: "a1" },
        { do: "order sheets", sheets: ["a1", "1"] },
        { do: "sheet", change: { lie: "landscape" } },
        { do: "target", change: { bleed: mm(3), enlarged: 2 } },
        { do: "shot", shot: "2", change: { scale: 2 } },
      ),
    );
    const photos = {
      a: { width: 400, height: 600 },
      b: { width: 600, height: 400 },
      c: { width: 500, height: 500 },
    };
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 14 }), (edits) => {
        let job: Job = freshJob("copies", "By hand");
        for (const one of edits) {
          const before = JSON.stringify(job);
          const next = applyEdit(job, one);
          expect(JSON.stringify(job)).toBe(before);
          job = next;
        }
        expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual({
          ok: true,
          job: JSON.parse(JSON.stringify(job)),
        });
        const sheets = arrange(job, photos);
        expect(sheets.map(({ number, of }) => [number, of])).toEqual(
          sheets.map((_, i) => [i + 1, sheets.length]),
        );
        const keys = sheets.flatMap(({ cells }) => cells.map(({ key }) => key));
        expect(new Set(keys).size).toBe(keys.length);
        for (const { cells, paper } of sheets) {
          for (const { image, angle, finished } of cells) {
            const on = overlap(finished, { x: um(0), y: um(0), ...paper });
            if (angle === 0 && on) expect(overlap(image, finished)).not.toBeNull();
          }
        }
      }),
      { numRuns: 80 },
    );
  }, 30_000);
});

describe("another kind of job, there and back", () => {
  const photos = ["a", "b", "c", "d"].map(photo);
  const facts = Object.fromEntries(photos.map(({ id }) => [id, { width: 600, height: 400 }])) as Photos;
  const place = {
    sheet: "1",
    x: mm(5),
    y: mm(5),
    width: mm(20),
    height: mm(30),
    angle: 15,
    order: 1,
    locked: false,
    proportion: false,
  };
  /** A job with everything set by hand that its cells can have. */
  const made = (kind: Kind): Job =>
    (
      [
        { do: "add photos", photos },
        { do: "put in one", cell: "2", photo: "d" },
        { do: "shot", shot: "1", change: { scale: 2, fit: "free", centre: { x: 0.3, y: 0.4 } } },
        { do: "place", cells: { "1": { place } } },
        { do: "style cells", cells: ["2"], change: { border: null } },
        { do: "remove cells", cells: ["3"] },
        { do: "add sheet", after: null, sheets: ["1"] },
      ] as JobEdit[]
    ).reduce(applyEdit, freshJob(kind, "There and back"));
  const KINDS: Kind[] = ["copies", "portraits", "mixed", "single", "contact", "collage", "free", "ruler"];

  it.each(KINDS.flatMap((from) => KINDS.filter((to) => to !== from).map((to) => [from, to] as const)))(
    "%s, %s: everything is as it was",
    (from, to) => {
      const job = made(from);
      const back = [to, from].reduce((now, kind) => applyEdit(now, { do: "become", kind }), job);
      const { aside, ...rest } = back;
      const { aside: _none, ...before } = job;
      expect(rest).toEqual(before);
      expect(Object.keys(aside)).toEqual([to]);
      expect(readJob(JSON.parse(JSON.stringify(back)))).toMatchObject({ ok: true });
    },
  );

  it("finds photos that came and went meanwhile as if it had been there", () => {
    const edits: JobEdit[] = [
      { do: "remove photo", photo: "a" },
      { do: "add photos", photos: [photo("e")] },
      { do: "move photo", photo: "d", to: 0 },
    ];
    for (const kind of ["contact", "mixed", "portraits", "single"] as const) {
      const here = edits.reduce(applyEdit, made(kind));
      const away = edits.reduce(applyEdit, applyEdit(made(kind), { do: "become", kind: "copies" }));
      const { aside: _aside, ...back } = applyEdit(away, { do: "become", kind });
      const { aside: _none, ...stayed } = here;
      expect(back).toEqual(stayed);
    }
  });

  it("takes cells that were added by hand along, with their photos, wherever it goes", () => {
    let job = applyEdit(made("copies"), { do: "add cells", cells: [{ place, photo: "c" }] });
    for (const kind of ["contact", "free", "collage", "copies"] as const) {
      job = applyEdit(job, { do: "become", kind });
      const own = arrange(job, facts)
        .flatMap(({ cells }) => cells)
        .filter(({ angle }) => angle === 15);
      expect(own.filter((cell) => cell.photo === "c" && cell.finished.width === mm(20))).not.toEqual([]);
    }
  });

  it.each([
    ["single", [], 4],
    ["copies", [{ do: "ticket", change: { turnPieces: "all" } }], 1],
    ["collage", [], 1],
  ] as [Kind, JobEdit[], number][])(
    "from %s to Free leaves every cell and its photo where it stands",
    (kind, edits, count) => {
      const all: JobEdit[] = [{ do: "add photos", photos }, ...edits];
      const job = all.reduce(applyEdit, freshJob(kind, "Proofs"));
      const before = arrange(job, facts);
      const free = applyEdit(job, { do: "become", kind: "free", stands: standsOf(before) });
      expect(readEdit({ do: "become", kind: "free", stands: standsOf(before) })).toMatchObject({ ok: true });
      const seen = (sheets: typeof before) =>
        sheets.map(({ cells }) =>
          cells.map(({ finished, photo: shown, picture }) => ({
            finished,
            shown,
            placed: picture?.placed,
            turn: picture?.turn,
          })),
        );
      expect(seen(arrange(free, facts))).toEqual(seen(before));
      expect(before).toHaveLength(count);
    },
  );
});

it("leaves a locked cell where it is when it is to be removed", () => {
  const place = {
    sheet: "1",
    x: mm(1),
    y: mm(1),
    width: mm(20),
    height: mm(20),
    angle: 0,
    order: 0,
    locked: true,
    proportion: false,
  };
  const job = applyEdit(freshJob("copies", "Locked"), { do: "place", cells: { "1": { place } } });
  const after = applyEdit(job, { do: "remove cells", cells: ["1", "2"] });
  expect(after.cells).toEqual({ "1": job.cells["1"], "2": { gone: true } });
});
