import { describe, expect, it } from "vitest";
import type { Rect } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import { readJob, readStyle, type Job } from "../../job/index.ts";
import { freshJob } from "../../kinds/index.ts";
import { AS_IT_IS } from "../../photo/look/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { BARE, frameOf, KEPT_WITH_PROGRAM, type Border, type Mat, type Style } from "./index.ts";

const even = (width: number) => ({ top: mm(width), right: mm(width), bottom: mm(width), left: mm(width) });
const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: mm(x),
  y: mm(y),
  width: mm(width),
  height: mm(height),
});
const border = (place: Border["place"], change: Partial<Border> = {}): Border => ({
  place,
  width: even(4),
  colour: "#ffffff",
  corner: um(0),
  ...change,
});
const finished = rect(0, 0, 100, 80);
const frame = (own: { border?: Border; mat?: Mat }, run = finished) =>
  frameOf({ ...BARE, ...own }, finished, run)!;

describe("borders", () => {
  it.each<[Border["place"], Rect, Rect, Rect]>([
    ["inside", rect(0, 0, 100, 80), rect(4, 4, 92, 72), rect(4, 4, 92, 72)],
    ["centred", rect(-2, -2, 104, 84), rect(2, 2, 96, 76), rect(2, 2, 96, 76)],
    ["outside", rect(-4, -4, 108, 88), rect(0, 0, 100, 80), rect(0, 0, 100, 80)],
  ])("%s the finished edge leave the photo what is left", (place, outer, inner, opening) => {
    const made = frame({ border: border(place) });
    expect(made.bands).toMatchObject([{ outer, inner }]);
    expect(made.opening).toEqual(opening);
  });

  it("can be deeper below, as on a card", () => {
    const { opening } = frame({ border: border("inside", { width: { ...even(5), bottom: mm(20) } }) });
    expect(opening).toEqual(rect(5, 5, 90, 55));
  });

  it("inside run on as far as the image does, so that a cut beside the edge shows no paper", () => {
    const run = rect(-2, -2, 104, 84);
    expect(frame({ border: border("inside") }, run).bands[0]!.outer).toEqual(run);
    expect(frame({ border: border("outside") }, run).bands[0]!.outer).toEqual(rect(-4, -4, 108, 88));
  });

  it("round the corner of the opening by what their width leaves of the radius", () => {
    const made = frame({ border: border("inside", { corner: mm(10) }) });
    expect([made.bands[0]!.outerCorner, made.corner]).toEqual([mm(10), mm(6)]);
    expect(frame({ border: border("inside", { corner: mm(3) }) }).corner).toBe(0);
  });

  it("that leave nothing of the photo are none", () =>
    expect(
      frameOf({ ...BARE, border: border("inside", { width: even(40) }) }, finished, finished),
    ).toBeNull());
});

describe("mats", () => {
  const board = (reveal: number, colour: string) => ({ reveal: even(reveal), colour });
  const bevel = { width: mm(1), colour: "#fefefe" };

  it("nest board, cut edge, board, cut edge", () => {
    const mat: Mat = { layers: [board(10, "#eeeeee"), board(3, "#333333")], bevel, optical: false };
    const { bands, opening } = frame({ mat });
    expect(bands.map(({ colour, inner }) => [colour, inner.x])).toEqual([
      ["#eeeeee", mm(10)],
      ["#fefefe", mm(11)],
      ["#333333", mm(14)],
      ["#fefefe", mm(15)],
    ]);
    expect(opening).toEqual(rect(15, 15, 70, 50));
  });

  it("centred for the eye sit higher by eight hundredths, the opening as large as before", () => {
    const mat: Mat = { layers: [board(20, "#eeeeee")], bevel: null, optical: true };
    expect(frame({ mat }).opening).toEqual(rect(20, 18.4, 60, 40));
  });

  it("lie inside a border", () => {
    const mat: Mat = { layers: [board(10, "#eeeeee")], bevel: null, optical: false };
    expect(frame({ border: border("inside"), mat }).opening).toEqual(rect(14, 14, 72, 52));
  });
});

describe("what cells wear", () => {
  const photos = { a: { width: 3000, height: 2000 } };
  const white = border("inside");
  const make = (...edits: JobEdit[]): Job =>
    [{ do: "add photos", photos: [{ id: "a", name: "a.jpg" }] } as JobEdit, ...edits].reduce(
      applyEdit,
      freshJob("copies", "Cards"),
    );
  const cell = (job: Job, key: string) => arrange(job, photos)[0]!.cells.find((one) => one.key === key)!;
  const kept = KEPT_WITH_PROGRAM.find(({ name }) => name === "Faded")!;

  it("is for all, but for what single cells have by hand", () => {
    const job = make(
      { do: "style", change: { border: white } },
      { do: "style cells", cells: ["2"], change: { border: null } },
    );
    expect(cell(job, "1").bands).toHaveLength(1);
    expect(cell(job, "2").bands).toEqual([]);
    expect([cell(job, "1").styled, cell(job, "2").styled]).toEqual([[], ["border"]]);
    expect(cell(applyEdit(job, { do: "unstyle", cells: ["2"], parts: ["border"] }), "2").bands).toHaveLength(
      1,
    );
  });

  it("comes back whole when a style that was tried on is taken off", () => {
    const before = make(
      { do: "style", change: { border: white } },
      { do: "style cells", cells: ["1"], change: { look: { ...AS_IT_IS, mono: 1 } } },
    );
    const tried = applyEdit(before, { do: "wear", worn: { name: kept.name, style: kept.style } });
    expect([cell(tried, "2").look?.fade, cell(tried, "1").look?.mono]).toEqual([0.7, 1]);
    const changed = applyEdit(tried, { do: "style", change: { border: null, look: null } });
    expect(cell(changed, "2").bands).toEqual([]);
    expect(applyEdit(changed, { do: "wear", worn: null })).toEqual(before);
    const on = applyEdit(tried, { do: "keep worn" });
    expect([on.worn, on.style.look?.fade, on.style.border]).toEqual([null, 0.7, white]);
  });

  it("is placed so that the photo fills what the frame leaves open", () => {
    const { opening, picture, finished: whole } = cell(make({ do: "style", change: { border: white } }), "1");
    expect([whole.width - opening.width, whole.height - opening.height]).toEqual([mm(8), mm(8)]);
    // 37 × 27 mm of a 3 : 2 photo that lies across: as wide or as high as the opening, and over it elsewhere.
    const { placed } = picture!;
    expect(Math.min(placed.width - opening.width, placed.height - opening.height)).toBe(0);
  });

  it("has words in its lower border or board, never on the line between two", () => {
    const { mat, caption } = KEPT_WITH_PROGRAM.find(({ name }) => name === "Double mat")!.style;
    const deep = border("inside", { width: { ...even(2), bottom: mm(6) } });
    const boards = { ...mat!, layers: [{ reveal: even(4), colour: "#eeeeee" }], optical: false };
    const wordsIn = (change: Partial<Style>) => {
      const { finished: whole, over } = cell(
        make({ do: "style", change: { caption: { ...caption!, text: "[name]" }, ...change } }),
        "1",
      );
      const [ink] = over;
      if (ink?.kind !== "text") throw new Error("no words");
      const { y, height } = ink.text.box;
      return [whole.y + whole.height - y, whole.y + whole.height - y - height];
    };
    // From the finished edge upwards: the border takes 0 to 6 mm, the board inside it 6 to 10 mm.
    expect(wordsIn({ border: deep })).toEqual([mm(6), 0]);
    expect(wordsIn({ border: deep, mat: boards })).toEqual([mm(6), 0]);
    expect(wordsIn({ border: border("inside", { width: even(2) }), mat: boards })).toEqual([mm(6), mm(2)]);
  });

  it("has no words of its own making: a title is the photo’s or nobody’s, and never the name of its file", () => {
    const { caption } = KEPT_WITH_PROGRAM.find(({ name }) => name === "Deep-edged card")!.style;
    const { over } = cell(make({ do: "style", change: { caption: caption! } }), "1");
    expect(over).toEqual([]);
  });

  it("reads back, as does every style that comes with the program", () => {
    for (const { name, style } of KEPT_WITH_PROGRAM) {
      expect(readStyle(style), name).toMatchObject({ ok: true });
      expect(readJob(make({ do: "wear", worn: { name, style } })).ok, name).toBe(true);
    }
    expect(readStyle({})).toMatchObject({ ok: false });
    expect(readStyle({ border: { place: "around" } }).ok).toBe(false);
  });
});
