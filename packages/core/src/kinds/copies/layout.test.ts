import { describe, expect, it } from "vitest";
import { applyEdit, freshCopiesJob, type CopiesTicket, type Job, type SheetSetup } from "../../job/index.ts";
import { mm } from "../../length/index.ts";
import { arrange, printableArea } from "../../index.ts";
import { PRINTERS } from "../../printer/index.ts";
import { printerOfJob } from "../../job/index.ts";
import { layOutCopies, placesOf } from "./layout.ts";

const job = (ticket: Partial<CopiesTicket> = {}, sheet: Partial<SheetSetup> = {}): Job =>
  applyEdit(applyEdit(freshCopiesJob("Layout"), { do: "ticket", change: ticket }), {
    do: "sheet",
    change: sheet,
  });
const first = (of: Job) => placesOf(of, layOutCopies(of))[0]!;
const margins = { top: mm(3), right: mm(4), bottom: mm(5), left: mm(6) };

describe("layOutCopies", () => {
  it("lays the paper so that more fit, and leaves it upright where both fit the same", () => {
    expect(layOutCopies(job()).paper).toEqual({ width: 152_400, height: 101_600 });
    // 100 × 100 mm: one either way
    const square = job({ size: { width: mm(100), height: mm(100) } });
    expect(layOutCopies(square).paper).toEqual({ width: 101_600, height: 152_400 });
    expect(layOutCopies(job({}, { lie: "portrait" })).fit).toMatchObject({ columns: 2, rows: 3 });
  });

  it("keeps the whole grid on every sheet of several, and a block of its own on a single one", () => {
    expect(layOutCopies(job({ copies: 9 }))).toMatchObject({ sheets: 2, block: { columns: 4, rows: 2 } });
    expect(layOutCopies(job({ copies: 2 }))).toMatchObject({ sheets: 1, block: { columns: 2, rows: 1 } });
  });

  it("is no sheet where nothing fits", () => {
    expect(layOutCopies(job({ size: { width: mm(300), height: mm(300) } }))).toMatchObject({
      sheets: 0,
      pieces: 0,
    });
  });
});

describe("placesOf", () => {
  it("centres the block between the margins, or lays it against them", () => {
    // inside: 152.4 − 10 = 142.4 by 101.6 − 8 = 93.6 mm; 3 × 35 + 2 × 2 = 109 by 2 × 45 + 2 = 92
    const at = (place: CopiesTicket["place"]) => first(job({ place }, { margins, lie: "landscape" }));
    expect(at("centred")).toMatchObject({ x: 6000 + 16_700, y: 3000 + 800 });
    expect(at("top")).toMatchObject({ x: 6000 + 16_700, y: 3000 });
    expect(at("top left")).toMatchObject({ x: 6000, y: 3000 });
  });

  it("fills row by row", () => {
    const places = placesOf(job(), layOutCopies(job()));
    expect(places.map(({ x }) => x).slice(0, 5)).toEqual([3200, 40_200, 77_200, 114_200, 3200]);
    expect(places.map(({ y }) => y).slice(3, 5)).toEqual([4800, 51_800]);
  });
});

it("takes the printer's edges off the paper as it lies", () => {
  const inkjet = PRINTERS.find(({ id }) => id === "inkjet-glossy")!; // 3 / 3.4 / 12.5 / 3.4 mm upright
  const upright = job({}, { printer: printerOfJob(inkjet), lie: "portrait" });
  const sheet = arrange(upright, {})[0]!;
  expect(printableArea(upright, sheet.paper)).toEqual({ x: 3400, y: 3000, width: 94_800, height: 136_900 });
  const lying = job({}, { printer: printerOfJob(inkjet), lie: "landscape" });
  // A quarter clockwise: what was the bottom is at the left.
  expect(arrange(lying, {})[0]!.printable).toEqual({ x: 12_500, y: 3400, width: 136_900, height: 94_800 });
});
