import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { applyEdit } from "../edit/index.ts";
import { freshJob, JOB_KINDS } from "../kinds/index.ts";
import { JOB_VERSION, jobJsonSchema, readJob, type Job } from "./index.ts";
import { asVersion7, asVersion8 } from "./testing/older.ts";

describe("readJob", () => {
  it("reads what it writes", () => {
    for (const { name } of JOB_KINDS) {
      const job = freshJob(name, "Badges");
      expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual({ ok: true, job });
    }
  });

  it.each<[string, (job: Record<string, never>) => unknown, string, RegExp]>([
    ["no job at all", () => [], "", /not a Wide Quilt job/],
    ["another format", (job) => ({ ...job, format: "poster" }), "", /“format”/],
    ["a newer version", (job) => ({ ...job, version: 99 }), "", /newer Wide Quilt \(version 99/],
    [
      "a size of nothing",
      (job) => set(job, "ticket", { size: { width: 0, height: 45_000 } }),
      "ticket.size.width",
      /at least 3 mm/,
    ],
    ["a negative gap", (job) => set(job, "ticket", { gap: -5 }), "ticket.gap", /at least 0 mm/],
    [
      "an absurd paper",
      (job) => set(job, "sheet", { paper: { name: "x", width: 1e12, height: 1 } }),
      "sheet.paper.width",
      /at most 20000 mm/,
    ],
    [
      "half a micrometre",
      (job) => set(job, "ticket", { gap: 0.5 }),
      "ticket.gap",
      /whole number of micrometres/,
    ],
    ["no copies", (job) => set(job, "ticket", { copies: 0 }), "ticket.copies", /./],
    [
      "something unknown",
      (job) => set(job, "ticket", { secret: 1 }),
      "ticket",
      /does not belong there: secret/,
    ],
    ["no name", (job) => ({ ...job, name: "  " }), "name", /must not be empty/],
  ])("refuses %s with a sentence", (_, change, field, why) => {
    const job = JSON.parse(JSON.stringify(freshJob("copies", "Badges")));
    const reading = readJob(change(job));
    if (reading.ok) throw new Error("was read");
    expect(reading.faults[0]!.field).toBe(field);
    expect(reading.faults[0]!.why).toMatch(why);
  });

  it("brings a job of version 1 up to date", () => {
    const { sheets: _sheets, ...job } = asVersion7(freshJob("copies", "Badges"));
    const { cuts: _cuts, ...ticket } = job.ticket as Record<string, unknown>;
    const {
      trim: _t,
      bleed: _b,
      safe: _s,
      enlarged: _e,
      facing: _f,
      ...sheet
    } = job.sheet as Record<string, unknown>;
    const old = { ...job, version: 1, ticket: { ...ticket, turnPieces: true }, sheet };
    const reading = readJob(JSON.parse(JSON.stringify(old)));
    if (!reading.ok) throw new Error(reading.faults[0]!.why);
    expect(reading.job).toEqual({
      ...applyEdit(freshJob("copies", "Badges"), { do: "ticket", change: { turnPieces: "all" } }),
      crop: "middle",
    });
  });

  it("keeps the head that version 8 had for a photo, and crops as that did", () => {
    const at = (y: number) => ({ x: 0.5, y });
    const face = {
      crown: at(0.2),
      skull: null,
      chin: at(0.6),
      leftEye: { x: 0.4, y: 0.4 },
      rightEye: { x: 0.6, y: 0.4 },
      ears: null,
      sure: true,
    };
    const old = { ...asVersion8(freshJob("portraits", "Badges")), faces: { ada: face } };
    const reading = readJob(JSON.parse(JSON.stringify(old)));
    expect(reading).toMatchObject({
      ok: true,
      job: { version: JOB_VERSION, heads: { ada: [{ ...face, pose: null }] }, crop: "middle" },
    });
  });

  it("brings names that were places up to date: version 6, of every way that cells came by", () => {
    const photos = ["a", "b", "c", "d", "e"].map((id) => ({ id, name: `${id}.jpg` }));
    const sits = { fit: "fill", scale: 2, centre: { x: 0.5, y: 0.5 }, turn: 0, level: 0 } as const;
    const place = { x: 0, y: 0, width: 30_000, height: 30_000 };
    const hand = { angle: 0, order: 0, locked: false, proportion: false };
    const old = (job: Job, more: object) => {
      const { numbered: _numbered, ...rest } = JSON.parse(JSON.stringify(asVersion7(job)));
      const { pieces } = rest.ticket;
      const ticket = pieces
        ? { ...rest.ticket, pieces: pieces.map(({ order: _order, ...line }: { order: number }) => line) }
        : rest.ticket;
      return { ...rest, version: 6, stash: photos, ticket, ...more };
    };
    const read = (job: Job, more: object): Job => {
      const reading = readJob(old(job, more));
      if (!reading.ok) throw new Error(reading.faults.map(({ why }) => why).join(" "));
      return reading.job;
    };
    // A contact sheet: cell 4 was moved, photo 2 cropped, another photo put in the place of photo 5.
    const contact = read(freshJob("contact", "Old"), {
      cells: {
        "4": { shot: 4, place: { sheet: "1", ...place, ...hand } },
        o1: { shot: 2, place: { sheet: "1", ...place, ...hand } },
      },
      shots: { "2": { photo: "b", ...sits }, "5": { photo: "a", ...sits } },
    });
    expect(contact.stash.map((ref) => ref.number)).toEqual([1, 2, 3, 4, 5]);
    expect([Object.keys(contact.cells), contact.cells.p4?.shot, contact.cells.o1?.shot]).toEqual([
      ["p4", "o1"],
      undefined,
      "p2",
    ]);
    expect([contact.shots.p2?.photo, contact.shots.p5?.photo]).toEqual([null, "a"]);
    // Copies of each, two of them: the second of photo 3 wears something.
    const each = applyEdit(freshJob("copies", "Old"), { do: "ticket", change: { of: "each", copies: 2 } });
    expect(Object.keys(read(each, { cells: { "3-2": { style: { border: null } } } }).cells)).toEqual([
      "p3.2",
    ]);
    // Copies of one: cells keep their numbers.
    const one = read(freshJob("copies", "Old"), {
      cells: { "3": { shot: 2 } },
      shots: { "2": { photo: "b", ...sits } },
    });
    expect([one.cells["3"]?.shot, one.shots["2"]?.photo]).toEqual(["2", "b"]);
    // A grid of 2 × 2: cell 7 is the third of the second sheet.
    const grid = applyEdit(freshJob("collage", "Old"), {
      do: "ticket",
      change: { way: "grid", columns: 2, rows: 2, sheets: "all" },
    });
    const collage = read(grid, {
      cells: { "7": { style: { border: null } } },
      shots: { "1": { photo: "a", ...sits }, "2": { photo: "d", ...sits } },
    });
    expect(Object.keys(collage.cells)).toEqual(["2.3", "1.2"]);
    expect([collage.shots.p1?.photo, collage.cells["1.2"]?.shot, collage.shots["2"]?.photo]).toEqual([
      null,
      "2",
      "d",
    ]);
    // One per sheet: the sheet of photo 3 comes first, that of photo 2 was taken out, and words stand on that of photo 4.
    const single = read(freshJob("single", "Old"), {
      sheets: { order: ["3", "1"], gone: ["2"] },
      cells: { o1: { shot: 9, place: { sheet: "3", ...place, ...hand } } },
    });
    expect([single.sheets, single.cells.p2, single.cells.o1?.place?.sheet]).toEqual([
      { order: ["p3", "p1"], gone: [] },
      { gone: true },
      "p3",
    ]);
    expect(read(freshJob("mixed", "Old"), {}).ticket).toMatchObject({ pieces: [{ order: 1 }, { order: 1 }] });
  });

  it("tells where a job of version 7 was made from what it makes", () => {
    const job = freshJob("contact", "Old");
    const { press, sheet, ...old } = asVersion7(job) as {
      press: Record<string, unknown>;
      sheet: Record<string, unknown>;
    };
    const reading = readJob({
      ...old,
      sheet: { ...sheet, ppi: 360, enlarged: 2, bleed: 3000, safe: 4000 },
      press: {
        ...press,
        medium: "matte",
        about: { title: "", creator: "A. Tern", copyright: "", keepPlace: true },
      },
    });
    if (!reading.ok) throw new Error(reading.faults[0]!.why);
    const { target, about, sheet: made } = reading.job;
    expect(target).toEqual({ ...job.target, ppi: 360, enlarged: 2, bleed: 3000, medium: "matte" });
    expect(about).toEqual({ title: "", creator: "A. Tern", copyright: "", keepPlace: true });
    expect(made).toEqual({ ...job.sheet, safe: 4000 });
  });

  it("refuses ten thousand pieces in one job, and says what to do", () => {
    const job = freshJob("mixed", "Much");
    const line = {
      shot: 1,
      width: 50_000,
      height: 50_000,
      quantity: 1000,
      mayTurn: true,
      photo: null,
      order: 1,
    };
    const much = { ...job, ticket: { ...job.ticket, pieces: Array.from({ length: 10 }, () => line) } };
    const reading = readJob(JSON.parse(JSON.stringify(much)));
    expect(reading).toMatchObject({
      ok: false,
      faults: [
        {
          field: "ticket.pieces",
          why: expect.stringContaining("at most 2000 pieces in all; print the rest in another job"),
        },
      ],
    });
  });

  it("has the schema that stands in docs, and the example there is a job", () => {
    const docs = (name: string) =>
      JSON.parse(readFileSync(new URL(`../../../../docs/${name}`, import.meta.url), "utf8"));
    expect(docs("job.schema.json")).toEqual(JSON.parse(JSON.stringify(jobJsonSchema())));
    expect(readJob(docs("example-job.json"))).toMatchObject({ ok: true });
  });
});

function set(job: Record<string, object>, part: string, change: object) {
  return { ...job, [part]: { ...job[part], ...change } };
}
