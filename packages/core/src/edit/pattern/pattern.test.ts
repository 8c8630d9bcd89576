import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import type { Job, Place } from "../../job/index.ts";
import { freshJob, type Kind } from "../../kinds/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { applyEdit, type JobEdit } from "../index.ts";
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
  job = applyEdit(job, { do: "share shot", cells: ["2", "4"], shot: "2" });
  return applyEdit(job, { do: "shot", shot: "1", change: { scale: 2, fit: "free" } });
};

describe("a pattern", () => {
  it("has everything of the job but its photos and what was made for them", () => {
    const kept = withoutPhotos(strip());
    expect(kept).toMatchObject({ stash: [], shots: {}, cells: { "2": { shot: "2" }, "4": { shot: "2" } } });
    const places = (job: typeof kept) =>
      arrange(job, {})[0]!.cells.map(({ finished, slot }) => ({ finished, slot }));
    expect(places(kept)).toEqual(places(strip()));
  });

  it("is read as it was written", () => {
    const pattern = { name: "Strip", folder: "Open day", job: withoutPhotos(strip()), targets: [] };
    expect(readPattern(JSON.parse(JSON.stringify(writePattern(pattern))))).toEqual({ ok: true, pattern });
  });

  it("of a newer version, or none at all, is refused with a sentence", () => {
    const file = writePattern({ name: "Strip", folder: "", job: withoutPhotos(strip()), targets: [] });
    const why = (value: unknown) => {
      const reading = readPattern(value);
      return reading.ok ? "" : reading.faults[0]!.why;
    };
    expect(why({ ...file, version: PATTERN_VERSION + 1 })).toMatch(/newer Wide Quilt .* Update Wide Quilt/);
    expect(why({ ...file, job: { ...file.job, version: 99 } })).toMatch(/newer Wide Quilt \(version 99/);
    expect(why({ format: "poster" })).toMatch(/not a Wide Quilt pattern/);
  });
});

/** Photos of two clients: the first and third landscape, the second portrait. */
const photosOf = (client: string, count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `${client}${i + 1}`, name: `${client}-${i + 1}.jpg` }));
const facts: Photos = Object.fromEntries(
  ["a", "b"].flatMap((client) =>
    photosOf(client, 12).map(({ id }, i) => [
      id,
      i % 2 === 0 ? { width: 600, height: 400 } : { width: 400, height: 600 },
    ]),
  ),
);
const by = (x: number, y: number, sheet = "1"): Place => ({
  sheet,
  x: mm(x),
  y: mm(y),
  width: mm(30),
  height: mm(40),
  angle: 0,
  order: 0,
  locked: false,
  proportion: false,
});
const backing: JobEdit = {
  do: "graphics",
  graphics: {
    g1: {
      role: "backing",
      of: { kind: "photo", photo: "a2", order: 1 },
      width: mm(20),
      at: "middle",
      away: mm(0),
      turn: 0,
      tiled: false,
      apart: mm(0),
      fit: "fill",
      opacity: 0.3,
      blend: "normal",
      sheet: null,
    },
  },
};

/** For each kind: what was set by hand for the first client. */
const BY_HAND: Record<Kind, JobEdit[]> = {
  calendar: [
    { do: "style cells", cells: ["2027-03.1"], change: { border: null } },
    { do: "shot", shot: "p3", change: { fit: "whole" } },
    { do: "ticket", change: { style: "write", own: { weekNumbers: true } } },
  ],
  copies: [
    { do: "share shot", cells: ["2", "4"], shot: "2" },
    { do: "put in one", cell: "3", photo: "a4" },
    { do: "style cells", cells: ["4"], change: { border: null } },
  ],
  portraits: [{ do: "ticket", change: { copies: 2, names: true } }],
  mixed: [
    {
      do: "ticket",
      change: {
        pieces: ["a1", "a3", "a1"].map((photo, i) => ({
          shot: i + 1,
          width: mm(40 + i),
          height: mm(50),
          quantity: 2,
          mayTurn: false,
          photo,
          order: 1,
        })),
      },
    },
  ],
  single: [
    { do: "style cells", cells: ["p2"], change: { border: null } },
    { do: "order sheets", sheets: ["p3", "p1", "p2", "p4"] },
    { do: "shot", shot: "p3", change: { fit: "whole" } },
    { do: "pick", change: { stars: 0 } },
  ],
  contact: [
    { do: "ticket", change: { columns: 2, rows: 1 } },
    { do: "place", cells: { p3: { place: by(20, 30, "2") } } },
    { do: "shot", shot: "p4", change: { turn: "suit" } },
  ],
  collage: [
    { do: "ticket", change: { way: "grid", columns: 2, rows: 1, sheets: "all" } },
    { do: "style cells", cells: ["2.1"], change: { border: null } },
    { do: "place", cells: { "1.2": { place: by(20, 30) } } },
  ],
  artwork: [
    {
      do: "ticket",
      change: {
        art: { file: "art", name: "fair.png", width: 1200, height: 1800 },
        windows: [100, 700].map((y) => ({
          ...{ x: 100, y, width: 1000, height: 500, angle: y / 100 },
          soft: 0,
          outline: [],
        })),
      },
    },
    { do: "place", cells: { "2.1": { place: by(10, 30, "2") } } },
    { do: "style cells", cells: ["1.2"], change: { border: null } },
  ],
  strips: [
    { do: "ticket", change: { lines: [{ cells: 2, share: 1 }], tilts: [{ shot: 2, angle: 5, size: 1 }] } },
    { do: "place", cells: { "2.1": { place: by(10, 30, "2") } } },
    { do: "style cells", cells: ["1.2"], change: { border: null } },
  ],
  free: [
    { do: "add cells", cells: [{ place: by(10, 10), photo: "a2" }] },
    { do: "add cells", cells: [{ place: by(60, 10), photo: "a1" }] },
    { do: "add cells", cells: [{ place: by(110, 10), photo: null }] },
    { do: "add cells", cells: [{ place: by(10, 80), photo: "a2", like: "o1" }] },
    { do: "add cells", cells: [{ place: by(60, 80), photo: "a4" }] },
  ],
  mural: [
    { do: "shot", shot: "p1", change: { fit: "whole" } },
    { do: "ticket", change: { by: "sheets", columns: 4, rows: 3 } },
  ],
  ruler: [],
};

describe("the pattern of a job of any kind takes the next client’s photos in their order", () => {
  it.each(Object.entries(BY_HAND))("%s", (kind, edits) => {
    const made: JobEdit[] = [{ do: "add photos", photos: photosOf("a", 4) }, backing, ...edits];
    const first = made.reduce(applyEdit, freshJob(kind as Kind, "Pattern"));
    const kept = withoutPhotos(first);
    expect(readPattern(writePattern({ name: "P", folder: "", job: kept, targets: [] }))).toMatchObject({
      ok: true,
    });
    const second = applyEdit(kept, { do: "add photos", photos: photosOf("b", 4) });
    // In Free the photos that were used are taken in their order: a1, a2 and a4 are the first, second and third of them.
    const usedIn: Partial<Record<Kind, string[]>> = { free: ["a1", "a2", "a4"], mixed: ["a1", "a3"] };
    const used = usedIn[kind as Kind] ?? ["a1", "a2", "a3", "a4"];
    const theirs = (photo: string | null) =>
      photo === null ? null : `b${used.includes(photo) ? used.indexOf(photo) + 1 : photo.slice(1)}`;
    const seen = (job: Job, name: (photo: string | null) => string | null) =>
      arrange(job, facts).map(({ id, cells, backing: behind }) => ({
        id,
        cells: cells.map(({ key, photo, finished, styled, placed, sits: { fit } }) => ({
          key,
          photo: name(photo),
          finished,
          styled,
          placed,
          fit,
        })),
        behind: behind.map((ink) => (ink.kind === "picture" ? ink.of.id.slice(1) : "")),
      }));
    const [before, after] = [seen(first, theirs), seen(second, (photo) => photo)];
    expect(after).toEqual(before);
    if (kind !== "ruler") expect(after.flatMap(({ cells }) => cells).some(({ photo }) => photo)).toBe(true);
  });
});
