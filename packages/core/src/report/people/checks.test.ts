import { describe, expect, it } from "vitest";
import { ruleById } from "../../catalogue/rules/index.ts";
import { applyEdit } from "../../edit/index.ts";
import { freshJob } from "../../kinds/index.ts";
import type { Face, PortraitStudy } from "../../photo/portrait/index.ts";
import { goodStudy, MIDDLE_HEAD, STRAIGHT } from "../../photo/portrait/testing/good.ts";
import type { Photos } from "../../photo/record/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { reportPeople, type CheckName } from "./index.ts";

const PHOTO = { width: 3000, height: 4000 };
/** 1700 px from crown to chin, in the middle: 33.75 mm by the rule of Schengen visas. */
const face = MIDDLE_HEAD;
const RULE = ruleById("schengen-visa");
const GOOD = goodStudy(RULE.background!.colour);

/** Someone by the rule of Schengen visas, with something otherwise than an office likes it. */
function person(
  study: Partial<PortraitStudy> = {},
  head: Partial<Face> = {},
  more: Face[] = [],
  photo = PHOTO,
) {
  const heads = [{ ...face, ...head }, ...more];
  const photos: Photos = { ada: { ...photo, seen: { heads, by: "found", study: { ...GOOD, ...study } } } };
  const job = applyEdit(freshJob("portraits", "Checks"), {
    do: "add photos",
    photos: [{ id: "ada", name: "ada.jpg" }],
  });
  return reportPeople(job, photos, arrange(job, photos), { unit: "mm", locale: "en-GB", ppi: 300 })[0]!;
}
const stateOf = (report: ReturnType<typeof person>, name: CheckName) =>
  report.checks.find((check) => check.name === name)?.state;

it("everything right passes, and every check says what it found", () => {
  const report = person();
  expect(report.state).toBe("passes");
  expect(report.checks.map(({ name, state }) => [name, state])).toEqual(
    [
      "headHeight",
      "centre",
      "level",
      "whole",
      "alone",
      "background",
      "even",
      "shadow",
      "pixels",
      "sharp",
      "exposure",
      "light",
      "red",
      "eyes",
      "mouth",
      "straight",
    ].map((name) => [name, "right"]),
  );
  for (const { says, todo } of report.checks) expect([says === "", todo]).toEqual([false, ""]);
});

describe("a document photo", () => {
  it.each<[CheckName, Partial<PortraitStudy>, "wrong" | "look"]>([
    ["sharp", { blur: { eyes: 0.8, hair: 0.8 } }, "wrong"],
    ["sharp", { blur: { eyes: 0.6, hair: 0.6 } }, "look"],
    ["exposure", { face: { ...GOOD.face, high: 28 } }, "wrong"],
    ["exposure", { face: { ...GOOD.face, low: 62 } }, "wrong"],
    ["exposure", { face: { ...GOOD.face, burnt: 0.2 } }, "wrong"],
    ["light", { face: { ...GOOD.face, sides: 24 } }, "wrong"],
    ["light", { face: { ...GOOD.face, sides: -13 } }, "look"],
    ["red", { red: 0.6 }, "wrong"],
  ])("with %s that is off is told so", (name, study, state) => {
    const report = person(study);
    expect(stateOf(report, name)).toBe(state);
    expect(report.state).toBe(state === "wrong" ? "fails" : "unsure");
    expect(report.advice).not.toBe("");
    // Nothing else is wrong with it.
    expect(report.checks.filter((check) => check.state !== "right").map((check) => check.name)).toEqual([
      name,
    ]);
  });

  it.each<[CheckName, Partial<NonNullable<Face["pose"]>>, "wrong" | "look"]>([
    ["eyes", { eyes: { left: 0.4, right: 0.05 } }, "wrong"],
    ["eyes", { eyes: { left: 0.24, right: 0.25 } }, "look"],
    ["mouth", { mouth: 0.4 }, "wrong"],
    ["straight", { yaw: -18 }, "wrong"],
    ["straight", { yaw: 9 }, "look"],
    ["straight", { pitch: 30 }, "look"],
  ])("of someone whose %s are not as they should be is told so", (name, pose, state) => {
    const report = person({}, { pose: { ...STRAIGHT, ...pose } });
    expect(stateOf(report, name)).toBe(state);
    expect(report.checks.filter((check) => check.state !== "right").map((check) => check.name)).toEqual([
      name,
    ]);
  });

  it("is right where a person has looked, and only where figures could not decide", () => {
    const pose = { ...STRAIGHT, eyes: { left: 0.24, right: 0.25 } };
    expect(person({}, { pose, looked: ["eyes"] }).state).toBe("passes");
    expect(person({ red: 0.6 }, { looked: ["red"] }).state).toBe("fails");
  });

  it("with too few pixels, or somebody else, is told so", () => {
    // A head of 1700 · 0.12 = 204 px on 33.75 mm: 154 ppi.
    expect(stateOf(person({}, {}, [], { width: 360, height: 480 }), "pixels")).toBe("wrong");
    const behind: Face = { ...face, crown: { x: 0.9, y: 0.3 }, chin: { x: 0.9, y: 0.5 } };
    expect(stateOf(person({}, {}, [behind]), "alone")).toBe("wrong");
    // Someone far away, an eighth as large, is no matter.
    const far: Face = { ...face, crown: { x: 0.9, y: 0.3 }, chin: { x: 0.9, y: 0.35 } };
    expect(stateOf(person({}, {}, [far]), "alone")).toBe("right");
  });

  it("has a background that is measured where the piece shows it", () => {
    const parts = GOOD.background;
    const paint = (colour: (x: number, y: number) => string): PortraitStudy["background"] =>
      parts.map(([, x, y]) => [colour(x, y), x, y]);
    const states = (background: PortraitStudy["background"]) => {
      const report = person({ background });
      return (["background", "even", "shadow"] as const).map((name) => stateOf(report, name));
    };
    expect(states(paint(() => "2e8b57"))).toEqual(["wrong", "right", "right"]);
    // From L* 90 at the left to 60 at the right: within the tolerance on the whole, and anything but even.
    expect(states(paint((x) => (x < 0.5 ? "e2e2e2" : "919191")))).toEqual(["right", "wrong", "right"]);
    // A dark patch at one side of the head alone.
    const patch = paint((x, y) => (x > 0.6 && y > 0.35 && y < 0.5 ? "a0a3a6" : "dfe2e5"));
    expect(states(patch)).toEqual(["right", "right", "wrong"]);
    // A few parts of quite another colour: hair that the mask left out, or a thing on the wall. No figure tells which.
    const end = paint((x, y) => (x > 0.7 && y > 0.5 && y < 0.6 ? "4a3122" : "dfe2e5"));
    expect(states(end)).toEqual(["right", "look", "right"]);
    // Outside the piece, which ends at x 0.794 of the photo, nothing counts.
    expect(states(paint((x) => (x > 0.795 ? "000000" : "dfe2e5")))).toEqual(["right", "right", "right"]);
    expect(states(parts.slice(0, 8))).toEqual(["not measured", "not measured", "not measured"]);
  });
});
