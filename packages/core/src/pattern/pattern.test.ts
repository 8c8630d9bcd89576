import { describe, expect, it } from "vitest";
import { applyEdit } from "../edit/index.ts";
import { freshJob } from "../kinds/index.ts";
import { mm } from "../length/index.ts";
import { arrange } from "../plan/arrange.ts";
import { PATTERN_VERSION, readPattern, withoutPhotos, writePattern } from "./index.ts";

const strip = () => {
  let job = freshJob("copies", "Open day");
  job = applyEdit(job, {
    do: "add photos",
    photos: [
      { id: "a", name: "a.jpg" },
      { id: "b", name: "b.jpg" },
    ],
  });
  job = applyEdit(job, { do: "ticket", change: { size: { width: mm(30), height: mm(40) } } });
  job = applyEdit(job, { do: "share shot", cells: ["2", "4"], shot: 2 });
  return applyEdit(job, { do: "shot", shot: 1, change: { scale: 2, fit: "free" } });
};

describe("a pattern", () => {
  it("has everything of the job but its photos and what was made for them", () => {
    const kept = withoutPhotos(strip());
    expect(kept).toMatchObject({ stash: [], shots: {}, cells: { "2": { shot: 2 }, "4": { shot: 2 } } });
    const places = (job: typeof kept) =>
      arrange(job, {})[0]!.cells.map(({ finished, shot }) => ({ finished, shot }));
    expect(places(kept)).toEqual(places(strip()));
  });

  it("is read as it was written", () => {
    const pattern = { name: "Strip", folder: "Open day", job: withoutPhotos(strip()) };
    expect(readPattern(JSON.parse(JSON.stringify(writePattern(pattern))))).toEqual({ ok: true, pattern });
  });

  it("of a newer version, or none at all, is refused with a sentence", () => {
    const file = writePattern({ name: "Strip", folder: "", job: withoutPhotos(strip()) });
    const why = (value: unknown) => {
      const reading = readPattern(value);
      return reading.ok ? "" : reading.faults[0]!.why;
    };
    expect(why({ ...file, version: PATTERN_VERSION + 1 })).toMatch(/newer Wide Quilt .* Update Wide Quilt/);
    expect(why({ ...file, job: { ...file.job, version: 99 } })).toMatch(/newer Wide Quilt \(version 99/);
    expect(why({ format: "poster" })).toMatch(/not a Wide Quilt pattern/);
  });
});
