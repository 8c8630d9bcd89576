import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import { printerOfJob, PRINTERS } from "../../catalogue/printer/index.ts";
import { applyEdit } from "../../edit/index.ts";
import type { Job, SheetSetup } from "../../job/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check } from "../../report/check/index.ts";
import { freshJob, layOut, type TicketOf } from "../index.ts";

type CopiesTicket = TicketOf<"copies">;

const job = (ticket: Partial<CopiesTicket> = {}, sheet: Partial<SheetSetup> = {}): Job =>
  applyEdit(applyEdit(freshJob("copies", "Layout"), { do: "ticket", change: ticket }), {
    do: "sheet",
    change: sheet,
  });
const laid = (of: Job) => layOut(of, {});
const places = (of: Job) => laid(of).sheets[0]!.cells.map(({ finished }) => finished);
const margins = { top: mm(3), right: mm(4), bottom: mm(5), left: mm(6) };

describe("copies of one photo", () => {
  it("lay the paper so that more fit, and leave it upright where both fit the same", () => {
    expect(laid(job()).sheets[0]!.lying).toEqual({ width: 152_400, height: 101_600 });
    // 100 × 100 mm: one either way
    const square = job({ size: { width: mm(100), height: mm(100) } });
    expect(laid(square).sheets[0]!.lying).toEqual({ width: 101_600, height: 152_400 });
    expect(laid(job({}, { lie: "portrait" })).sums).toMatchObject({ columns: 2, rows: 3 });
  });

  it("keep the whole grid on every sheet of several, and a block of their own on a single one", () => {
    expect(laid(job({ copies: 9 })).sums).toMatchObject({ columns: 4, rows: 2, perSheet: 8 });
    expect(laid(job({ copies: 9 })).sheets.map(({ cells }) => cells.length)).toEqual([8, 1]);
    expect(laid(job({ copies: 2 })).sums).toMatchObject({ columns: 2, rows: 1 });
  });

  it("are no sheet where nothing fits", () => {
    expect(laid(job({ size: { width: mm(300), height: mm(300) } }))).toMatchObject({
      sheets: [],
      sums: { pieces: 0 },
    });
  });

  it("turn each piece by itself where that gains some: nine of 5 × 3 cm, where grids hold eight", () => {
    // 9 of 5 × 3 cm on 13 × 11 cm, where plain grids hold 6 and 8: see fit/most.test.ts
    const paper = { name: "Offcut", width: mm(130), height: mm(110) };
    const each = job({ size: { width: mm(50), height: mm(30) }, gap: mm(0), turnPieces: "each" }, { paper });
    const { sheets, sums } = laid(each);
    expect(sums).toMatchObject({ perSheet: 9, proved: true, columns: 0 });
    expect(new Set(sheets[0]!.cells.map(({ turn }) => turn))).toEqual(new Set([0, 90]));
    // Fewer than a grid holds are set as a grid.
    expect(laid(applyEdit(each, { do: "ticket", change: { copies: 4 } })).sums).toMatchObject({
      columns: 2,
      rows: 2,
    });
  });

  it("centre the block between the margins, or lay it against them", () => {
    // inside: 152.4 − 10 = 142.4 by 101.6 − 8 = 93.6 mm; 3 × 35 + 2 × 2 = 109 by 2 × 45 + 2 = 92
    const at = (place: CopiesTicket["place"]) => places(job({ place }, { margins, lie: "landscape" }))[0]!;
    expect(at("centred")).toMatchObject({ x: 6000 + 16_700, y: 3000 + 800 });
    expect(at("top")).toMatchObject({ x: 6000 + 16_700, y: 3000 });
    expect(at("top left")).toMatchObject({ x: 6000, y: 3000 });
  });

  it("fill row by row", () => {
    expect(
      places(job())
        .map(({ x }) => x)
        .slice(0, 5),
    ).toEqual([3200, 40_200, 77_200, 114_200, 3200]);
    expect(
      places(job())
        .map(({ y }) => y)
        .slice(3, 5),
    ).toEqual([4800, 51_800]);
  });
});

it("takes the printer's edges off the paper as it lies", () => {
  const inkjet = PRINTERS.find(({ id }) => id === "inkjet-glossy")!; // 3 / 3.4 / 12.5 / 3.4 mm upright
  const printable = (lie: SheetSetup["lie"]) =>
    arrange(applyEdit(job({}, { lie }), { do: "target", change: { printer: printerOfJob(inkjet) } }), {})[0]!
      .printable;
  expect(printable("portrait")).toEqual({ x: 3400, y: 3000, width: 94_800, height: 136_900 });
  // A quarter clockwise: what was the bottom is at the left.
  expect(printable("landscape")).toEqual({ x: 12_500, y: 3400, width: 136_900, height: 94_800 });
});

it("lays ten thousand pieces at most, soon, and says how many more there could be", () => {
  let job = freshJob("copies", "Specks");
  job = applyEdit(job, {
    do: "sheet",
    change: { paper: { name: "Roll", width: mm(5000), height: mm(5000) } },
  });
  for (const turnPieces of ["never", "each"] as const) {
    const change = { size: { width: mm(3), height: mm(3) }, gap: mm(0), copies: "fit", turnPieces } as const;
    const specks = applyEdit(job, { do: "ticket", change });
    const sheets = arrange(specks, {});
    // 1666 by 1666 would fit on five metres square.
    expect(sheets.map(({ cells }) => cells.length)).toEqual([10_000]);
    const said = check(specks, {}, sheets).map(({ sentence }) => sentence);
    expect(said).toContainEqual(expect.stringMatching(/^2775556 pieces would fit, and 10000 are laid/));
  }
});

describe("copies of each photo", () => {
  const names = ["a", "b", "c"];
  const of = (change: object, count = 3): Job => {
    const fresh = applyEdit(freshJob("copies", "Prints"), {
      do: "add photos",
      photos: names.slice(0, count).map((id) => ({ id, name: `${id}.jpg` })),
    });
    return applyEdit(fresh, { do: "ticket", change: { of: "each", ...change } });
  };
  const shown = (job: Job) => arrange(job, {}).map(({ cells }) => cells.map(({ photo }) => photo).join(""));

  it("lay so many of one, then of the next, on as many sheets as it takes, all in one grid", () => {
    // Two 100 × 70 mm to a sheet of 101.6 × 152.4 mm.
    const size = { width: mm(100), height: mm(70) };
    const job = of({ size, copies: 1 });
    expect(shown(job)).toEqual(["ab", "c"]);
    const [first, second] = arrange(job, {});
    expect(second!.cells[0]!.finished).toEqual(first!.cells[0]!.finished);
    expect(shown(of({ size, copies: 3 }))).toEqual(["aa", "ab", "bb", "cc", "c"]);
    // As many as fit is a sheet of each.
    expect(shown(of({ size, copies: "fit" }))).toEqual(["aa", "bb", "cc"]);
  });

  it("are one empty piece without photos, and none where a filter leaves none", () => {
    expect(shown(of({ copies: 2 }, 0))).toEqual([""]);
    expect(arrange(of({ copies: 2 }, 0), {})[0]!.cells).toHaveLength(2);
    const filtered = applyEdit(of({ copies: 2 }), { do: "pick", change: { stars: 5 } });
    expect(arrange(filtered, {})).toEqual([]);
    const rules = check(filtered, {}, []).map(({ rule }) => rule);
    expect(rules).toContain("filtered-photo");
    expect(rules).not.toContain("nothing-fits");
    const large = of({ size: { width: mm(900), height: mm(900) } });
    expect(check(large, {}, []).map(({ rule }) => rule)).toContain("nothing-fits");
  });

  it("keep what was set by hand on a photo’s pieces when another is taken out or moved", () => {
    const style = { border: null };
    let job = of({ copies: 2 });
    job = applyEdit(job, { do: "shot", shot: "p3", change: { scale: 2 } });
    job = applyEdit(job, { do: "style cells", cells: ["p3.2"], change: style });
    const cellOf = (after: Job) =>
      arrange(after, {})
        .flatMap(({ cells }) => cells)
        .filter(({ styled }) => styled.length > 0)
        .map(({ key, photo, sits }) => [key, photo, sits.scale]);
    expect(cellOf(job)).toEqual([["p3.2", "c", 2]]);
    expect(cellOf(applyEdit(job, { do: "remove photo", photo: "a" }))).toEqual([["p3.2", "c", 2]]);
    expect(cellOf(applyEdit(job, { do: "move photo", photo: "c", to: 0 }))).toEqual([["p3.2", "c", 2]]);
  });

  it("are the way to print a photo that is on no sheet", () => {
    const one = applyEdit(of({ copies: 4 }), { do: "ticket", change: { of: "one" } });
    const [left] = check(one, {}, arrange(one, {})).filter(({ rule }) => rule === "photo-on-no-sheet");
    expect(left!.sentence).toContain("b.jpg and c.jpg are on no sheet");
    const mended = applyEdit(one, left!.mend!.edit);
    expect(check(mended, {}, arrange(mended, {})).map(({ rule }) => rule)).not.toContain("photo-on-no-sheet");
  });
});
