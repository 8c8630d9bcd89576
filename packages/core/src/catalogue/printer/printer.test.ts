import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import { corrected } from "../../impose/index.ts";
import { readJob, type Job } from "../../job/index.ts";
import { asVersion7 } from "../../job/testing/older.ts";
import { freshJob, rulerLengths } from "../../kinds/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { PRINTERS, readPrinters, scaleError } from "./index.ts";

const badges: Job = applyEdit(freshJob("copies", "Badges"), {
  do: "add photos",
  photos: [{ id: "a", name: "a.jpg" }],
});
const plan = arrange(badges, { a: { width: 1400, height: 1800 } })[0]!;

describe("a scale error", () => {
  it("is printed length over intended length", () => {
    const error = scaleError(
      { intended: mm(200), measured: mm(199) },
      { intended: mm(250), measured: mm(251) },
    );
    expect(error).toEqual({ ok: true, scale: { across: 0.995, down: 1.004 } });
  });

  it("of more than a twentieth is a page that was fitted, or a slip", () => {
    const fitted = scaleError(
      { intended: mm(180), measured: mm(170) },
      { intended: mm(260), measured: mm(260) },
    );
    expect(fitted).toMatchObject({ ok: false, why: expect.stringMatching(/^That is 6 % off.*100 %/) });
    expect(scaleError({ intended: mm(180), measured: mm(0) }, { intended: mm(1), measured: mm(1) }).ok).toBe(
      false,
    );
  });
});

describe("a corrected plan", () => {
  it("is the plan itself for a true printer", () =>
    expect(corrected(plan, { across: 1, down: 1 })).toBe(plan));

  it("prints at the planned size and place once the printer has scaled it, about the middle of the paper", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.96, max: 1.04, noNaN: true }),
        fc.double({ min: 0.96, max: 1.04, noNaN: true }),
        (across, down) => {
          const written = corrected(plan, { across, down });
          // The sheet lies: what is down on the upright paper is across here.
          const printed = (v: number, length: number, scale: number) => length / 2 + (v - length / 2) * scale;
          written.cells.forEach((cell, i) => {
            const asked = plan.cells[i]!.finished;
            const left = printed(cell.finished.x, plan.paper.width, down);
            const right = printed(cell.finished.x + cell.finished.width, plan.paper.width, down);
            const top = printed(cell.finished.y, plan.paper.height, across);
            expect(Math.abs(left - asked.x)).toBeLessThan(1);
            expect(Math.abs(right - asked.x - asked.width)).toBeLessThan(1);
            expect(Math.abs(top - asked.y)).toBeLessThan(1);
          });
          written.marks.forEach((mark, i) => {
            expect(Math.abs(printed(mark.x1, plan.paper.width, down) - plan.marks[i]!.x1)).toBeLessThan(1);
            expect(mark.width).toBe(plan.marks[i]!.width);
          });
          expect([written.paper, written.pixels, written.stock]).toEqual([
            plan.paper,
            plan.pixels,
            plan.stock,
          ]);
        },
      ),
    );
  });
});

describe("a ruler sheet", () => {
  it("has scales of whole centimetres with room at their ends", () => {
    expect(rulerLengths({ width: mm(210), height: mm(297) })).toEqual({ across: mm(180), down: mm(260) });
    expect(rulerLengths({ width: mm(101.6), height: mm(152.4) })).toEqual({ across: mm(70), down: mm(120) });
    const [sheet] = arrange(freshJob("ruler", "Ruler"), {});
    const long = sheet!.marks.filter(({ x1, x2 }) => x2 - x1 === mm(180));
    expect(long).toHaveLength(1);
    expect(long[0]!.x1).toBe(mm(15));
    // A tick every centimetre, both ends included: 19 and 27, and the two scales themselves.
    expect(sheet!.marks).toHaveLength(19 + 27 + 2);
  });

  it("is a job like any other", () =>
    expect(readJob(JSON.parse(JSON.stringify(freshJob("ruler", "Ruler"))))).toMatchObject({ ok: true }));
});

describe("a printer", () => {
  it("that is chosen brings its edges, resolution, colours and bleed into the job, in one step", () => {
    const printer = { ...PRINTERS[2]!, bleed: mm(3), enlarged: 2, colour: null, medium: "matte" } as const;
    const on = applyEdit(badges, { do: "printer", printer });
    expect(on.target).toMatchObject({ ppi: 360, enlarged: 2, bleed: mm(3) });
    expect(on.target.printer.unprintable).toEqual(printer.unprintable);
    expect(on.target).toMatchObject({ colour: null, medium: "matte", file: badges.target.file });
    expect(readJob(JSON.parse(JSON.stringify(on)))).toMatchObject({ ok: true });
  });

  it("that is changed late leaves all that is made as it is, whatever was set by hand", () => {
    const place = { sheet: "1", x: mm(5), y: mm(5), width: mm(30), height: mm(40) } as const;
    const hand = { angle: 3, order: 1, locked: true, proportion: false };
    const byHand = [
      { do: "place", cells: { "2": { place: { ...place, ...hand } } } },
      { do: "shot", shot: "1", change: { scale: 1.5 } },
      { do: "style cells", cells: ["3"], change: { border: null } },
      { do: "sheet", change: { safe: mm(4) } },
    ].reduce((job, edit) => applyEdit(job, edit as JobEdit), badges);
    for (const printer of PRINTERS) {
      const { target, ...made } = applyEdit(byHand, { do: "printer", printer });
      const { target: before, ...as } = byHand;
      expect(made).toEqual(as);
      expect(target).toMatchObject({ file: before.file, naming: before.naming, ppi: printer.ppi });
    }
  });

  it("list is read from a file, or refused with what is wrong in it", () => {
    const file = { format: "wide-quilt-printers", version: 2, printers: PRINTERS };
    expect(readPrinters(JSON.parse(JSON.stringify(file)))).toEqual({ ok: true, printers: PRINTERS });
    const why = (change: object) => {
      const reading = readPrinters({ ...file, printers: [{ ...PRINTERS[0], ...change }] });
      return reading.ok ? "" : reading.why;
    };
    expect(why({ scale: { across: 2, down: 1 } })).toContain("no scale error");
    expect(why({ address: "http://printer" })).toContain("ipp://");
    const old = PRINTERS.map(({ price: { currency: _currency, ...price }, ...printer }) => ({
      ...printer,
      price,
    }));
    expect(readPrinters({ ...file, version: 1, printers: old })).toEqual({ ok: true, printers: PRINTERS });
    expect(why({ price: { ...PRINTERS[0]!.price, currency: "euros" } })).toContain("a currency such as EUR");
    expect(why({ price: { currency: "EUR", perSheet: -1, perSquareMetre: 0, ink: 0 } })).toContain(
      "at least 0",
    );
    expect(readPrinters(null)).toMatchObject({ ok: false });
  });
});

it("jobs of the version before get a press and a true printer", () => {
  const { press: _press, ...old } = asVersion7(badges);
  const { sharpening: _sharpening, ...style } = badges.style;
  const { pixels: _pixels, scale: _scale, ...printer } = badges.target.printer;
  const { ink: _ink, ...price } = printer.price;
  const before = {
    ...old,
    version: 3,
    style,
    sheet: { ...(old.sheet as object), printer: { ...printer, price } },
  };
  expect(readJob(before)).toEqual({ ok: true, job: { ...badges, crop: "middle" } });
});
