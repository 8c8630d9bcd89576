import { applyEdit, arrange, AS_IT_IS, freshJob, mm, type JobEdit, type Place } from "@wide-quilt/core";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { manyCells } from "./ManyPhotos.tsx";

const PHOTOS = { a: { width: 3000, height: 4000 } } as never;
const photo: JobEdit = { do: "add photos", photos: [{ id: "a", name: "a.jpg" }] };
/** Cells of 10 × 10 mm, on paper of 10 × 15 cm. */
const sheetOf = (copies: number, ...edits: JobEdit[]) => {
  const size = { width: mm(10), height: mm(10) };
  const ticket: JobEdit = { do: "ticket", change: { copies, gap: mm(1), size } };
  return arrange([photo, ticket, ...edits].reduce(applyEdit, freshJob("copies", "Many")), PHOTOS)[0]!;
};
/** Four CSS pixels a millimetre, in pixels a micrometre. */
const SCALE = 0.004;

beforeEach(() => vi.stubGlobal("window", { devicePixelRatio: 1 }));
afterEach(() => vi.unstubAllGlobals());

describe("cells whose photos are painted on one canvas", () => {
  it("are all where they are forty, none where they are fewer", () => {
    expect(manyCells(sheetOf(40), SCALE)?.size).toBe(40);
    expect(manyCells(sheetOf(39), SCALE)).toBeNull();
  });

  it("are none where a canvas would take too many pixels", () => {
    // 100 × 150 mm at 32 px a millimetre: 3200 × 4800 = 15.4 million; at twice the pixels of a fine screen four times that.
    expect(manyCells(sheetOf(40), 0.032)).not.toBeNull();
    vi.stubGlobal("window", { devicePixelRatio: 2 });
    expect(manyCells(sheetOf(40), 0.032)).toBeNull();
  });

  it("leave out one with a look of its own, and one that is turned", () => {
    const [first, second] = sheetOf(50).cells;
    const place: Place = {
      ...second!.finished,
      sheet: "1",
      angle: 10,
      order: 0,
      locked: false,
      proportion: false,
    };
    const sheet = sheetOf(
      50,
      { do: "style cells", cells: [first!.key], change: { look: { ...AS_IT_IS, mono: 1 } } },
      { do: "place", cells: { [second!.key]: { place } } },
    );
    const many = manyCells(sheet, SCALE)!;
    expect(many.size).toBe(48);
    expect([...many].map(({ key }) => key)).not.toContain(first!.key);
    expect([...many].map(({ key }) => key)).not.toContain(second!.key);
  });

  it("are none on a gradient, which is painted below the photos", () => {
    const ground = { kind: "gradient", top: "#ffffff", bottom: "#000000" } as const;
    expect(manyCells(sheetOf(40, { do: "ground", ground }), SCALE)).toBeNull();
  });
});
