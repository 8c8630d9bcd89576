import { describe, expect, it } from "vitest";
import { PAPERS, PRINT_SIZES } from "../../catalogue/paper/index.ts";
import { printerOfJob, PRINTERS } from "../../catalogue/printer/index.ts";
import { applyEdit } from "../../edit/index.ts";
import { readJob, type Job } from "../../job/index.ts";
import { freshJob } from "../../kinds/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { price } from "./index.ts";

const on = (printer: string, copies: number | "fit" = "fit"): Job => {
  const found = PRINTERS.find(({ id }) => id === printer)!;
  const job = applyEdit(freshJob("copies", "Price"), {
    do: "target",
    change: { printer: printerOfJob(found) },
  });
  return applyEdit(job, { do: "ticket", change: { copies } });
};
const priceOf = (job: Job) => price(job, arrange(job, {}));

describe("price", () => {
  it("is a part for each sheet and a part for its area", () => {
    // 4 × 6 in is 0.1016 m × 0.1524 m = 0.015 483 84 m²
    expect(priceOf(on("lab-lustre")).perSheet).toBeCloseTo(0.05 + 17 * 0.01548384, 9);
    expect(priceOf(on("event"))).toMatchObject({ perSheet: 0.22, total: 0.22 });
  });

  it("is shared by the pieces that are really made", () => {
    const three = priceOf(on("event", 20)); // 8, 8 and 4 on three sheets
    expect(three.total).toBeCloseTo(0.66, 9);
    expect(three.perPiece).toBeCloseTo(0.033, 9);
    expect(priceOf(on("screen"))).toEqual({ perSheet: 0, perPiece: 0, total: 0 });
  });

  it("has no price for a piece where nothing fits", () => {
    const { width, height } = PAPERS.find(({ id }) => id === "a2")!;
    const none = applyEdit(on("event"), { do: "ticket", change: { size: { width, height } } });
    expect(priceOf(none)).toMatchObject({ perPiece: 0, total: 0 });
  });
});

describe("the data that comes with the program", () => {
  it("makes jobs that can be read: every printer, paper and size", () => {
    for (const printer of PRINTERS) {
      const job = applyEdit(on(printer.id), { do: "target", change: { ppi: printer.ppi } });
      expect(readJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
    }
    for (const { name, width, height } of PAPERS) {
      const job = applyEdit(on("event"), { do: "sheet", change: { paper: { name, width, height } } });
      expect(readJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
    }
    for (const { width, height } of PRINT_SIZES) {
      const job = applyEdit(on("event"), { do: "ticket", change: { size: { width, height } } });
      expect(readJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
    }
  });

  it("has printers and sizes of different names", () => {
    expect(new Set(PRINTERS.map(({ id }) => id)).size).toBe(PRINTERS.length);
    expect(new Set(PRINT_SIZES.map(({ id }) => id)).size).toBe(PRINT_SIZES.length);
  });
});
