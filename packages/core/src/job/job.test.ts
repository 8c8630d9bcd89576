import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm } from "../length/index.ts";
import { NO_EDGES } from "../geometry/index.ts";
import {
  applyEdit,
  freshCopiesJob,
  jobJsonSchema,
  readEdit,
  readJob,
  sayEdit,
  type Job,
  type JobEdit,
} from "./index.ts";

const photo = (id: string) => ({ id, name: `${id}.jpg` });

describe("readJob", () => {
  it("reads what it writes", () => {
    const job = applyEdit(freshCopiesJob("Badges"), { do: "add photos", photos: [photo("a")] });
    expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual({ ok: true, job });
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
      /at most 5000 mm/,
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
    const job = JSON.parse(JSON.stringify(freshCopiesJob("Badges")));
    const reading = readJob(change(job));
    if (reading.ok) throw new Error("was read");
    expect(reading.faults[0]!.field).toBe(field);
    expect(reading.faults[0]!.why).toMatch(why);
  });

  it("has the schema that stands in docs, and the example there is a job", () => {
    const docs = (name: string) =>
      JSON.parse(readFileSync(new URL(`../../../../docs/${name}`, import.meta.url), "utf8"));
    expect(docs("job.schema.json")).toEqual(JSON.parse(JSON.stringify(jobJsonSchema())));
    expect(readJob(docs("example-job.json"))).toMatchObject({ ok: true });
  });
});

describe("readEdit", () => {
  it("reads edits and refuses what is none, with a sentence", () => {
    const edit: JobEdit = { do: "ticket", change: { gap: mm(3) } };
    expect(readEdit(edit)).toEqual({ ok: true, edit });
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

function set(job: Record<string, object>, part: string, change: object) {
  return { ...job, [part]: { ...job[part], ...change } };
}

describe("applyEdit", () => {
  it("puts the first photo that comes into the cells, and adds each photo once", () => {
    const job = applyEdit(freshCopiesJob("Badges"), {
      do: "add photos",
      photos: [photo("a"), photo("b"), photo("a")],
    });
    expect(job.stash.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(job.shots["1"]!.photo).toBe("a");
    expect(applyEdit(job, { do: "add photos", photos: [photo("b")] })).toBe(job);
  });

  it("forgets a crop with the photo it was made for", () => {
    let job = applyEdit(freshCopiesJob("Badges"), { do: "add photos", photos: [photo("a"), photo("b")] });
    job = applyEdit(job, { do: "shot", shot: 1, change: { scale: 2 } });
    expect(applyEdit(job, { do: "put in all", photo: "a" }).shots["1"]!.scale).toBe(2);
    expect(applyEdit(job, { do: "put in all", photo: "b" }).shots["1"]!.scale).toBe(1);
  });

  it("takes a removed photo out of its cells", () => {
    const job = applyEdit(freshCopiesJob("Badges"), { do: "add photos", photos: [photo("a")] });
    const without = applyEdit(job, { do: "remove photo", photo: "a" });
    expect([without.stash, without.shots["1"]!.photo]).toEqual([[], null]);
  });

  it("keeps what was set by hand when a photo's file is replaced", () => {
    let job = applyEdit(freshCopiesJob("Badges"), { do: "add photos", photos: [photo("a"), photo("b")] });
    job = applyEdit(job, { do: "shot", shot: 1, change: { scale: 2 } });
    const relinked = applyEdit(job, { do: "relink photo", photo: "a", to: photo("c") });
    expect(relinked.stash.map(({ id }) => id)).toEqual(["c", "b"]);
    expect(relinked.shots["1"]).toMatchObject({ photo: "c", scale: 2 });
    expect(applyEdit(job, { do: "relink photo", photo: "a", to: photo("b") }).stash).toEqual([photo("b")]);
  });

  it("gives a single cell its own shot, once, and takes it back", () => {
    let job = applyEdit(freshCopiesJob("Badges"), { do: "add photos", photos: [photo("a"), photo("b")] });
    job = applyEdit(job, { do: "put in one", cell: "3", photo: "b" });
    job = applyEdit(job, { do: "put in one", cell: "3", photo: "a" });
    expect(job.cells).toEqual({ "3": { shot: 2 } });
    job = applyEdit(job, { do: "back to computed", cell: "3" });
    expect([job.cells, Object.keys(job.shots)]).toEqual([{}, ["1"]]);
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
          { do: "shot", shot: 1, change: { scale: 3, fit: "free" } },
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
        let job: Job = freshCopiesJob("Badges");
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
});
