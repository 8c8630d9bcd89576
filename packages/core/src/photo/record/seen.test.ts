import { expect, it } from "vitest";
import { goodStudy, MIDDLE_HEAD } from "../portrait/testing/good.ts";
import { seenByHand, type Seen } from "./index.ts";

it("what was measured of a photo holds as long as its head is where it was", () => {
  const before: Seen = { heads: [MIDDLE_HEAD], by: "found", study: goodStudy("#ffffff") };
  const confirmed = { ...MIDDLE_HEAD, looked: ["eyes"] };
  expect(seenByHand(before, [confirmed])).toEqual({ heads: [confirmed], by: "hand", study: before.study });
  const moved = { ...MIDDLE_HEAD, chin: { x: 0.5, y: 0.7 } };
  expect(seenByHand(before, [moved])).toEqual({ heads: [moved], by: "hand" });
  const withEars = { ...MIDDLE_HEAD, ears: { left: { x: 0.3, y: 0.5 }, right: { x: 0.7, y: 0.5 } } };
  expect(seenByHand(before, [withEars])).not.toHaveProperty("study");
  expect(seenByHand(before, [])).toEqual({ heads: [], by: "hand" });
  expect(seenByHand(undefined, [MIDDLE_HEAD])).toEqual({ heads: [MIDDLE_HEAD], by: "hand" });
});
