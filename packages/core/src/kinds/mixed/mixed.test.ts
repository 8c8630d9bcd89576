import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import { applyEdit } from "../../edit/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check } from "../../report/check/index.ts";
import { freshJob, layOut } from "../index.ts";

/** Pieces on paper of 100 × 150 mm with 25 mm left and right, which stay left and right however the paper lies. */
const job = (width: number, height: number, quantity: number) => {
  const fresh = freshJob("mixed", "Test");
  const paper = { name: "10 × 15 cm", width: mm(100), height: mm(150) };
  const margins = { top: mm(0), right: mm(25), bottom: mm(0), left: mm(25) };
  const setUp = applyEdit(fresh, { do: "sheet", change: { paper, margins, lie: "most" } });
  const piece = {
    shot: 1,
    width: mm(width),
    height: mm(height),
    quantity,
    mayTurn: true,
    photo: null,
    order: 1,
  };
  return applyEdit(setUp, { do: "ticket", change: { pieces: [piece], gap: mm(0) } });
};

describe("paper whose margins do not turn with it", () => {
  it("is laid on its side where that holds more: four of 50 × 100 need two sheets, not four", () => {
    // Upright 50 × 150 mm are left, for one; lying 100 × 100 mm, for two side by side.
    const { sheets, sums } = layOut(job(50, 100, 4), {});
    expect(sheets).toHaveLength(2);
    expect(sums).toMatchObject({ leastSheets: 2, proved: true, tooLarge: 0 });
    for (const { lying } of sheets) expect(lying).toEqual({ width: mm(150), height: mm(100) });
  });

  it("takes pieces that it takes on its side alone", () => {
    const square = job(100, 100, 2);
    const { sheets, sums } = layOut(square, {});
    expect([sheets.length, sums.tooLarge]).toEqual([2, 0]);
    const rules = check(square, {}, arrange(square, {})).map(({ rule }) => rule);
    expect(rules).not.toContain("too-large");
  });
});
