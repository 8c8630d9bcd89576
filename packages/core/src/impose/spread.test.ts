import { describe, expect, it } from "vitest";
import { ppiSeenFrom, sharpFrom, writeAway } from "../base/sight.ts";
import { mm, um } from "../base/length/index.ts";
import { applyEdit, type JobEdit } from "../edit/index.ts";
import { readJob, type Job } from "../job/index.ts";
import { freshJob, kindOf, layOut } from "../kinds/index.ts";
import { arrange } from "../plan/arrange.ts";
import { check } from "../report/check/index.ts";
import { seamsOf } from "../report/seams/index.ts";
import { sums } from "../report/sums/index.ts";
import { TRIPTYCH, type Panels } from "../solve/panels/index.ts";
import { forPrinter, imposed, toWrite } from "./index.ts";

const photo = { id: "spit", name: "spit-panorama.jpg" };
const facts = { spit: { width: 9000, height: 1500 } };
const BARE = { top: um(0), right: um(0), bottom: um(0), left: um(0) };

const mural = (...edits: JobEdit[]): Job => {
  const fresh = freshJob("mural", "Hide wall");
  const start: JobEdit[] = [
    { do: "add photos", photos: [photo] },
    { do: "target", change: { printer: { ...fresh.target.printer, unprintable: BARE } } },
    ...edits,
  ];
  return start.reduce(applyEdit, fresh);
};
const bySheets = (columns: number, rows: number): JobEdit[] => [
  { do: "ticket", change: { by: "sheets", columns, rows } },
  { do: "impose", change: { lie: "landscape" } },
];
const tiles = (change: Partial<Job["impose"]["tiles"]>): JobEdit => ({
  do: "impose",
  change: { tiles: { ...freshJob("mural", "x").impose.tiles, ...change } },
});
const said = (job: Job) =>
  kindOf(job)
    .say(job, { unit: "mm" }, layOut(job, facts).sums)
    .map(({ text }) => text)
    .join("")
    .replaceAll("\u00a0", " ");

describe("a mural", () => {
  it("is as large as full sheets make it, and says so", () => {
    // By hand: 6 · 287 − 5 · 10 = 1672 and 2 · 200 − 10 = 390, A4 on its side with 5 mm at every edge.
    const job = mural(...bySheets(6, 2));
    expect(said(job)).toContain(
      "Spread spit-panorama over 6 × 2 sheets of A4, on its side, together 1672 × 390 mm, in one piece, to be seen from 1500 mm, overlapping 10 mm at the right and below, printed pale, with corner ticks and letters, seams where they fall",
    );
    const pages = arrange(job, facts);
    expect(sums(job, facts, pages)).toMatchObject({ sheets: 12, pages: 1 });
    // By hand: 1672 · 390 of 12 · 297 · 210 mm².
    expect(sums(job, facts, pages).used).toBeCloseTo((1672 * 390) / (12 * 297 * 210), 6);
  });

  it("follows its photo: by width its height, by height its width, by paper its sheets", () => {
    const size = (...edits: JobEdit[]) => layOut(mural(...edits), facts).sums.size;
    expect(size({ do: "ticket", change: { by: "width", width: mm(1500) } })).toEqual({
      width: mm(1500),
      height: mm(250),
    });
    expect(size({ do: "ticket", change: { by: "height", height: mm(500) } })).toEqual({
      width: mm(3000),
      height: mm(500),
    });
    const job = mural({ do: "ticket", change: { by: "width", width: mm(1500) } });
    const on = (name: string, width: number, height: number) =>
      imposed(
        applyEdit(job, { do: "impose", change: { paper: { name, width: mm(width), height: mm(height) } } }),
        arrange(job, facts),
      ).length;
    // By hand: A4 upright 200 − 10 = 190 across, 8 · 190 + 10 = 1530, 250 ≤ 287: 8. A3 on its side 410 − 10: 4 · 400 + 10 ≥ 1500, 287 ≥ 250: 4.
    expect([on("A4", 210, 297), on("A3", 297, 420)]).toEqual([8, 4]);
  });

  it("keeps what was set through another kind and back, and is read as it was written", () => {
    const job = mural(...bySheets(3, 2));
    const there = applyEdit(job, { do: "become", kind: "collage" });
    expect(there.impose.way).toBe("one");
    const back = applyEdit(there, { do: "become", kind: "mural" });
    expect(back.impose.way).toBe("tiles");
    expect(back.ticket).toEqual(job.ticket);
    expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual({ ok: true, job });
  });

  it("is named after its place, and its sheet is cut at what is seen and what is glued over", () => {
    const sheets = imposed(mural(...bySheets(2, 2)), arrange(mural(...bySheets(2, 2)), facts));
    expect(sheets.map(({ title }) => title)).toEqual(["A1", "B1", "A2", "B2"]);
    // By hand: from the 5 mm corner 277 × 190 seen and 10 more at the right and below; the last sheet has none.
    expect(sheets[0]!.freed).toEqual([{ x: mm(5), y: mm(5), width: mm(287), height: mm(200) }]);
    expect(sheets[3]!.freed).toEqual([{ x: mm(5), y: mm(5), width: mm(287), height: mm(200) }]);
    const words = sheets.map(({ over }) =>
      over.flatMap((ink) => (ink.kind === "text" ? ink.text.lines.map(({ text }) => text) : [])),
    );
    expect(words.slice(0, 3)).toEqual([
      ["A1 · B1 goes here", "A2 goes here"],
      ["B1 · B2 goes here"],
      ["A2 · B2 goes here"],
    ]);
  });

  it("comes out true on a printer that is off: parts still meet, and each is as large as it was planned", () => {
    const job = mural(...bySheets(3, 2));
    const off = applyEdit(job, {
      do: "target",
      change: { printer: { ...job.target.printer, scale: { across: 1.01, down: 0.995 } } },
    });
    const sheets = forPrinter(off, imposed(off, arrange(off, facts)));
    for (const {
      parts: [part],
    } of sheets) {
      // Printed, every length is the written one times the error: across on paper that lies is down on it upright.
      const [across, down] = [0.995, 1.01];
      const planned = imposed(job, arrange(job, facts)).find(({ title }) => title === part!.name)!.parts[0]!;
      expect(Math.abs(part!.prints.x * across - planned.prints.x)).toBeLessThanOrEqual(1);
      expect(Math.abs(part!.prints.width * across - planned.prints.width)).toBeLessThanOrEqual(2);
      expect(Math.abs(part!.prints.height * down - planned.prints.height)).toBeLessThanOrEqual(2);
    }
  });
});

describe("what is told of a spread page", () => {
  const rules = (job: Job, of = facts) => check(job, of as never, arrange(job, of as never));

  it("is asked whether hundreds of sheets are meant", () => {
    const found = rules(
      mural({ do: "ticket", change: { by: "size", width: mm(20_000), height: mm(20_000) } }),
    );
    expect(found.find(({ rule }) => rule === "many-sheets")?.sentence).toMatch(/takes \d+ sheets of A4/);
  });

  it("says that joints leave no room, and mends that", () => {
    const job = mural(
      { do: "impose", change: { paper: { name: "Card", width: mm(60), height: mm(60) } } },
      tiles({ overlap: mm(60) }),
    );
    const found = rules(job).find(({ rule }) => rule === "page-on-no-sheet")!;
    expect(found.sentence).toMatch(/A sheet of Card has no room for joints of 60\smm/);
    const mended = applyEdit(
      applyEdit(job, { do: "impose", change: { paper: { name: "Card", width: mm(60), height: mm(60) } } }),
      found.mend!.edit,
    );
    expect(imposed(mended, arrange(mended, facts)).length).toBeGreaterThan(0);
  });

  it("says where more sheets would be needed than there can be, and where one is enough", () => {
    const card = {
      do: "impose",
      change: { paper: { name: "Card", width: mm(30), height: mm(30) } },
    } as const;
    const many = rules(
      mural({ do: "ticket", change: { by: "size", width: mm(20_000), height: mm(20_000) } }, card),
    );
    expect(many.find(({ rule }) => rule === "page-on-no-sheet")?.sentence).toMatch(/more than 10000 sheets/);
    const one = rules(mural({ do: "ticket", change: { by: "width", width: mm(150) } }));
    expect(one.find(({ rule }) => rule === "spread-over-one")).toBeDefined();
  });

  it("tells a seam through a head, and the mend takes it away", () => {
    const at = (x: number, y: number) => ({ x, y });
    const head = {
      ...{ crown: at(0.235, 0.3), skull: null, chin: at(0.235, 0.7) },
      ...{ leftEye: at(0.23, 0.5), rightEye: at(0.24, 0.5), ears: null, sure: true, looked: [] },
    };
    const seen = { heads: [head], by: "person" };
    const of = { spit: { ...facts.spit, seen } } as unknown as typeof facts;
    // By hand: A4 upright shows 190 mm; the seam at 380 mm of 1617 lies at 0.235 of the width.
    const job = mural(
      { do: "ticket", change: { by: "size", width: mm(1617), height: mm(269.5) } },
      { do: "impose", change: { lie: "portrait" } },
    );
    const found = rules(job, of).find(({ rule }) => rule === "seam-through-head")!;
    expect(found.sentence).toMatch(/A seam goes through a head. They can all be spared/);
    const mended = applyEdit(job, found.mend!.edit);
    expect(rules(mended, of).find(({ rule }) => rule === "seam-through-head")).toBeUndefined();
    const [now] = seamsOf(mended, of as never, arrange(mended, of as never));
    expect(now!.across.cost.heads).toBe(0);
  });

  it("counts pixels by how far it is looked at: one minute of arc", () => {
    // By hand: 25.4 mm / (1000 mm · tan(1/60°)) = 25.4 / 0.290888 = 87.32; 25.4 / 147 / tan = 594.005.
    expect(ppiSeenFrom(mm(1000))).toBeCloseTo(87.32, 2);
    expect(sharpFrom(147)).toBe(594_005);
    expect([writeAway(mm(594), { unit: "mm" }), writeAway(mm(1524), { unit: "in" })]).toEqual([
      "0.59\u00a0m",
      "5\u00a0ft",
    ]);
    const soft = rules(mural({ do: "ticket", change: { width: mm(6000), distance: mm(500) } }));
    expect(soft.find(({ rule }) => rule === "low-ppi")?.sentence.replaceAll("\u00a0", " ")).toMatch(
      /prints at 38 ppi, which looks sharp from 2.3 m away. From 0.5 m it wants 175 ppi/,
    );
  });
});

describe("what is told of panels", () => {
  const hung = (panels: Partial<Panels>, ...edits: JobEdit[]) =>
    mural({ do: "impose", change: { panels: { ...TRIPTYCH, ...panels } } }, ...edits);
  const told = (job: Job) => check(job, facts, arrange(job, facts));

  it("says that they have no room, and mends that", () => {
    const job = hung({ columns: [{ size: mm(20_000) }, { share: 1 }] });
    const [first] = told(job);
    expect(first).toMatchObject({ rule: "page-on-no-sheet", level: "wrong" });
    expect(first!.sentence).toMatch(/^Panels and the gaps between them/);
    expect(told(applyEdit(job, first!.mend!.edit)).map(({ rule }) => rule)).not.toContain("page-on-no-sheet");
  });

  it("says which sheets are left out, and that chosen ones are no more", () => {
    const job = hung({}, { do: "making", only: ["1 A1"] });
    expect(told(job).find(({ rule }) => rule === "some-sheets")!.sentence).toMatch(
      /^Only 1 of \d+ sheets is printed and written: 1 A1\.$/,
    );
    expect(toWrite(job, arrange(job, facts)).map(({ title }) => title)).toEqual(["1 A1"]);
    const gone = applyEdit(job, { do: "making", only: ["Z9"] });
    const wrong = told(gone).find(({ rule }) => rule === "no-such-sheets")!;
    expect(wrong.level).toBe("wrong");
    const all = applyEdit(gone, wrong.mend!.edit);
    expect(toWrite(all, arrange(all, facts)).length).toBeGreaterThan(3);
  });

  it("forgets how far sheets are with the kind of job, and comes off the roll", () => {
    const roll = { name: "Roll", width: mm(610), height: mm(15_000) };
    const job = hung(
      {},
      { do: "impose", change: { roll: true, paper: roll } },
      { do: "making", done: { "1": "cut" } },
    );
    const other = applyEdit(job, { do: "become", kind: "collage" });
    expect(other.making).toEqual({ only: null, done: {} });
    expect(other.impose).toMatchObject({ way: "one", roll: false, paper: { name: "A4" } });
  });

  it("nests a wall of 144 panels in a moment", () => {
    const sides = Array.from({ length: 12 }, () => ({ share: 1 }));
    const roll = { name: "Roll", width: mm(610), height: mm(15_000) };
    const job = hung(
      { columns: sides, rows: sides, gap: mm(10) },
      { do: "ticket", change: { by: "size", width: mm(2400), height: mm(2400) } },
      { do: "impose", change: { roll: true, paper: roll } },
    );
    const start = performance.now();
    const sheets = imposed(job, arrange(job, facts));
    expect(performance.now() - start).toBeLessThan(5000);
    expect(sheets.flatMap(({ parts }) => parts)).toHaveLength(144);
  });
});
