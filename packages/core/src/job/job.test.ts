import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { applyEdit } from "../edit/index.ts";
import { freshJob, JOB_KINDS } from "../kinds/index.ts";
import { jobJsonSchema, readJob } from "./index.ts";

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
    const job = JSON.parse(JSON.stringify(freshJob("copies", "Badges")));
    const reading = readJob(change(job));
    if (reading.ok) throw new Error("was read");
    expect(reading.faults[0]!.field).toBe(field);
    expect(reading.faults[0]!.why).toMatch(why);
  });

  it("brings a job of version 1 up to date", () => {
    const { sheets: _sheets, ...job } = freshJob("copies", "Badges") as Record<string, unknown>;
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
    expect(reading.job).toEqual(
      applyEdit(freshJob("copies", "Badges"), { do: "ticket", change: { turnPieces: "all" } }),
    );
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
