import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyEdit, arrange, freshJob, mm, um, type Quarter } from "@wide-quilt/core";
import { paintSpace } from "../colour/space.ts";
import { blankSheet, copyOnto, fillBox } from "./canvas.ts";
import { outlineBoxes, strokeBox } from "./lines.ts";
import { afterTurn, areaOf, beforeTurn, seenPart, union, WHOLE } from "./part.ts";

const box = (left: number, top: number, width: number, height: number) => ({ left, top, width, height });

const space = await paintSpace();

describe("canvas", () => {
  const shown = (sheet: ReturnType<typeof blankSheet>) =>
    Array.from({ length: sheet.height }, (_, y) =>
      Array.from({ length: sheet.width }, (_, x) =>
        sheet.data[(y * sheet.width + x) * 3] === 255 ? "." : "#",
      ).join(""),
    );

  it("fills boxes, cut off at the paper's edges", () => {
    const sheet = blankSheet(5, 4, space);
    fillBox(sheet, box(3, 2, 9, 9), "#000000");
    fillBox(sheet, box(-2, -2, 3, 3), "#000000");
    fillBox(sheet, box(9, 9, 2, 2), "#000000");
    expect(shown(sheet)).toEqual(["#....", ".....", "...##", "...##"]);
  });

  it("copies pixels, cut off at the paper's edges", () => {
    const sheet = blankSheet(4, 3, space);
    const pixels = Buffer.alloc(3 * 3 * 3, 0);
    copyOnto(sheet, pixels, box(-1, -1, 3, 3));
    copyOnto(sheet, pixels, box(3, 2, 3, 3));
    copyOnto(sheet, pixels, box(7, 0, 3, 3));
    expect(shown(sheet)).toEqual(["##..", "##..", "...#"]);
  });

  it("keeps the three channels apart", () => {
    const sheet = blankSheet(1, 1, space);
    fillBox(sheet, box(0, 0, 1, 1), "#20242c");
    expect([...sheet.data]).toEqual([0x20, 0x24, 0x2c]);
  });
});

describe("lines", () => {
  const stroke = (x1: number, y1: number, x2: number, y2: number, width: number) => ({
    x1: um(x1),
    y1: um(y1),
    x2: um(x2),
    y2: um(y2),
    width: um(width),
    colour: "#000000",
  });

  it("lie half to each side of where they are planned, and never vanish", () => {
    // At 254 ppi a pixel is 100 µm.
    expect(strokeBox(stroke(1000, 2000, 5000, 2000, 400), 254)).toEqual(box(10, 18, 40, 4));
    expect(strokeBox(stroke(1000, 2000, 1000, 6000, 200), 254)).toEqual(box(9, 20, 2, 40));
    expect(strokeBox(stroke(1000, 2000, 5000, 2000, 20), 254)).toMatchObject({ top: 20, height: 1 });
  });

  it("make an outline of four sides around the finished edge", () => {
    const job = applyEdit(freshJob("copies", "Lines"), {
      do: "finish",
      change: { outline: { width: um(400), colour: "#000000" } },
    });
    const cell = arrange(job, {})[0]!.cells[0]!; // 3.2, 4.8 mm; 35 × 45 mm
    expect(outlineBoxes(cell, 254)).toEqual([
      box(30, 46, 354, 4),
      box(30, 496, 354, 4),
      box(30, 46, 4, 454),
      box(380, 46, 4, 454),
    ]);
    expect(outlineBoxes({ ...cell, outline: null }, 254)).toEqual([]);
  });
});

describe("parts of a photo", () => {
  const upperLeft = { left: 0, top: 0, right: 0.25, bottom: 0.5 };

  it("are found again on the photo before it was turned", () => {
    // Turned clockwise, what is seen at the upper left came from the lower left.
    expect(beforeTurn(upperLeft, 90)).toEqual({ left: 0, top: 0.75, right: 0.5, bottom: 1 });
    expect(beforeTurn(upperLeft, 180)).toEqual({ left: 0.75, top: 0.5, right: 1, bottom: 1 });
    expect(beforeTurn(upperLeft, 270)).toEqual({ left: 0.5, top: 0, right: 1, bottom: 0.25 });
  });

  it("come back after turning there and back", () => {
    const share = fc.integer({ min: 0, max: 64 }).map((n) => n / 64);
    fc.assert(
      fc.property(
        share,
        share,
        share,
        share,
        fc.constantFrom<Quarter>(0, 90, 180, 270),
        (left, top, right, bottom, turn) => {
          const part = { left, top, right, bottom };
          expect(afterTurn(beforeTurn(part, turn), turn)).toEqual(part);
          expect(areaOf(beforeTurn(part, turn))).toBeCloseTo(areaOf(part), 12);
        },
      ),
    );
  });

  it("are joined to what holds both", () => {
    expect(union(upperLeft, { left: 0.5, top: 0.25, right: 1, bottom: 0.375 })).toEqual({
      left: 0,
      top: 0,
      right: 1,
      bottom: 0.5,
    });
    expect(union(upperLeft, WHOLE)).toEqual(WHOLE);
  });

  it("are what a cell shows of its photo", () => {
    const job = applyEdit(freshJob("copies", "Part"), { do: "add photos", photos: [{ id: "p", name: "p" }] });
    const cell = arrange(job, { p: { width: 4000, height: 6000 } })[0]!.cells[0]!;
    // 52.5 mm high in a cell of 45: 3.75 mm off either end
    expect(seenPart(cell)).toMatchObject({
      rect: cell.finished,
      part: { left: 0, top: 3.75 / 52.5, right: 1, bottom: 48.75 / 52.5 },
    });
    const away = { ...cell, picture: { ...cell.picture!, placed: { ...cell.picture!.placed, x: mm(900) } } };
    expect(seenPart(away)).toBeNull();
    expect(seenPart({ ...cell, picture: null })).toBeNull();
  });
});
