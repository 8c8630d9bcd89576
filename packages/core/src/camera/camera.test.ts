import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ruleById } from "../catalogue/rules/index.ts";
import type { Face, PortraitStudy } from "../photo/portrait/index.ts";
import { goodStudy, MIDDLE_HEAD } from "../photo/portrait/testing/good.ts";
import { bestOf, cameraLines, cameraStep, cameraWord, heldShare, judgeSight, WAITING } from "./index.ts";
import type { CameraEvent, CameraTurn, Sight } from "./index.ts";

const rule = ruleById("ie-passport");
const size = { width: 3000, height: 4000 };
const write = { unit: "mm", locale: "en-GB", ppi: 300 } as const;
const good: Sight = { size, heads: [MIDDLE_HEAD], study: goodStudy(rule.background!.colour) };
const wish = { rule, finer: 1, backgroundLater: false, sharpness: true };
const said = (sight: Partial<Sight>, change: Partial<typeof wish> = {}) =>
  cameraWord(judgeSight({ ...good, ...sight }, { ...wish, ...change }, write))?.says ?? null;

/** The same head elsewhere, larger or smaller about the middle of the photo, shares of its width and height. */
const moved = (by: number, dx = 0, dy = 0): Face => {
  const to = ({ x, y }: { x: number; y: number }) => ({
    x: 0.5 + (x - 0.5) * by + dx,
    y: 0.5 + (y - 0.5) * by + dy,
  });
  const { crown, chin, leftEye, rightEye } = MIDDLE_HEAD;
  return { ...MIDDLE_HEAD, crown: to(crown), chin: to(chin), leftEye: to(leftEye), rightEye: to(rightEye) };
};
const pose = (change: Partial<NonNullable<Face["pose"]>>): Face => ({
  ...MIDDLE_HEAD,
  pose: { ...MIDDLE_HEAD.pose!, ...change },
});
const study = (change: Partial<PortraitStudy>): PortraitStudy => ({ ...good.study!, ...change });

describe("what somebody before a camera is told", () => {
  it("is nothing once all that the rule states is right", () => expect(said({})).toBeNull());

  it.each<[string, Partial<Sight>]>([
    ["Step in front of the camera", { heads: [] }],
    ["One person alone, please", { heads: [MIDDLE_HEAD, moved(0.6, 0.3)] }],
    // 170 px from crown to chin: on 34 mm of paper that is 127 ppi.
    ["A little nearer", { heads: [moved(0.1)] }],
    // 3400 px from crown to chin: the piece is 4600 px high then, and the photo 4000.
    ["A little farther back", { heads: [moved(2)] }],
    // At the left of the picture is at the sitter’s right, so they have to come to their left.
    ["A little to your left", { heads: [moved(1, -0.3)] }],
    ["A little to your right", { heads: [moved(1, 0.3)] }],
    ["Look straight into the camera", { heads: [pose({ yaw: 20 })] }],
    ["Chin up a little", { heads: [pose({ pitch: 30 })] }],
    ["Chin down a little", { heads: [pose({ pitch: -5 })] }],
    ["Open your eyes", { heads: [pose({ eyes: { left: 0.4, right: 0.1 } })] }],
    ["Close your mouth", { heads: [pose({ mouth: 0.4 })] }],
    ["One side of your face is in the shade", { study: study({ face: { ...good.study!.face, sides: 30 } }) }],
    ["Your pupils are red: no flash, please", { study: study({ red: 0.6 }) }],
    ["The background has another colour", { study: goodStudy("#205020") }],
    ["Hold still", { study: study({ blur: { eyes: 0.8, hair: 0.8 } }) }],
  ])("is “%s”", (word, sight) => expect(said(sight)).toBe(word));

  it("is to come lower where the rule wants more above the head than the picture has", () => {
    // Finland has 4 to 6 mm above the head; this one ends 40 px below the upper edge.
    expect(said({ heads: [moved(1, 0, -0.24)] }, { rule: ruleById("fi-passport") })).toBe("A little lower");
  });

  it("is what is coarse before what is fine", () => {
    const eyes = { left: 0.05, right: 0.05 };
    expect(said({ heads: [{ ...moved(0.1), pose: { ...MIDDLE_HEAD.pose!, eyes } }] })).toBe(
      "A little nearer",
    );
    expect(said({ heads: [pose({ eyes })], study: goodStudy("#205020") })).toBe("Open your eyes");
  });

  it("is no matter of the background that is put in later, nor of blur in a small picture", () => {
    expect(said({ study: goodStudy("#205020") }, { backgroundLater: true })).toBeNull();
    expect(said({ study: study({ blur: { eyes: 0.8, hair: 0.8 } }) }, { sharpness: false })).toBeNull();
    // A photo ten times finer than what is looked at has the pixels.
    expect(said({ heads: [moved(0.1)] }, { finer: 10 })).toBeNull();
  });

  it("comes with lines that hold the head where the rule wants it", () => {
    const { piece, bands } = cameraLines(MIDDLE_HEAD, size, rule)!;
    const [leftTop, , rightBottom] = piece;
    // The piece has the rule’s proportion: in pixels of the picture, width to height as 35 to 45.
    const [w, h] = [(rightBottom!.x - leftTop!.x) * size.width, (rightBottom!.y - leftTop!.y) * size.height];
    expect(w / h).toBeCloseTo(rule.size.width / rule.size.height, 4);
    const [from, , to] = bands[0]!;
    expect(from!.y).toBeLessThan(MIDDLE_HEAD.crown.y);
    expect(to!.y).toBeGreaterThan(MIDDLE_HEAD.crown.y);
    // Where nobody is, around a head in the middle.
    expect(cameraLines(null, size, rule)).not.toBeNull();
  });
});

describe("the camera’s turn", () => {
  const run = (events: readonly CameraEvent[]): CameraTurn => events.reduce(cameraStep, WAITING);
  const seen = (time: number, right = true): CameraEvent => ({ is: "seen", time, right });

  it("takes a picture once all has been right for 0.8 s, and not before", () => {
    expect(run([seen(0), seen(300), seen(600), seen(790)]).at).toBe("waiting");
    expect(run([seen(0), seen(300), seen(600), seen(800)])).toEqual({ at: "taking", by: "itself" });
    expect(heldShare(run([seen(0), seen(400)]))).toBe(0.5);
  });

  it("begins anew after anything that is not right, and where nobody looked for too long", () => {
    expect(run([seen(0), seen(400), seen(500, false), seen(600), seen(900), seen(1300)]).at).toBe("waiting");
    expect(run([seen(0), seen(350), seen(960), seen(1200), seen(1700)]).at).toBe("waiting");
  });

  it("takes one at a key, waits again where none was kept, and shows the one that was", () => {
    const taking = run([{ is: "key" }]);
    expect(taking).toEqual({ at: "taking", by: "key" });
    expect(cameraStep(taking, seen(0))).toBe(taking);
    expect(cameraStep(taking, { is: "taken", kept: false, why: "Open your eyes" })).toMatchObject({
      at: "waiting",
      says: "Open your eyes",
    });
    const shown = cameraStep(taking, { is: "taken", kept: true });
    expect(shown.at).toBe("shown");
    expect(cameraStep(shown, seen(5)).at).toBe("shown");
    expect(cameraStep(shown, { is: "again" })).toEqual(WAITING);
  });

  it("never takes one by itself unless every look of the last 0.8 s was right", () => {
    const looks = fc.array(fc.record({ wait: fc.integer({ min: 1, max: 700 }), right: fc.boolean() }), {
      maxLength: 40,
    });
    fc.assert(
      fc.property(looks, (list) => {
        let [turn, time]: [CameraTurn, number] = [WAITING, 0];
        const past: { time: number; right: boolean }[] = [];
        for (const { wait, right } of list) {
          time += wait;
          past.push({ time, right });
          turn = cameraStep(turn, seen(time, right));
          if (turn.at !== "taking") continue;
          // The looks of the last 0.8 s, and the one that began them, no two of them farther apart than 0.6 s.
          const first = past.findLastIndex((look) => look.time <= time - 800);
          expect(first).not.toBe(-1);
          const last = past.slice(first);
          expect(last.every((look) => look.right)).toBe(true);
          last.slice(1).forEach((look, i) => expect(look.time - last[i]!.time).toBeLessThanOrEqual(600));
          return;
        }
      }),
      { numRuns: 3000, seed: 15 },
    );
  });
});

describe("a burst", () => {
  const shot = (right: boolean, wrong: number, blur: number | null) => ({ right, wrong, blur });
  it("gives the sharpest that is right", () => {
    const burst = [shot(true, 0, 0.5), shot(true, 0, 0.3), shot(false, 1, 0.1), shot(true, 0, 0.4)];
    expect(bestOf(burst, "itself")).toBe(1);
  });
  it("gives none where none is right, but for who asked for it: then the one with the least that is wrong", () => {
    const burst = [shot(false, 3, 0.2), shot(false, 1, 0.5), shot(false, 1, 0.4), shot(false, 2, null)];
    expect(bestOf(burst, "itself")).toBeNull();
    expect(bestOf(burst, "key")).toBe(2);
    expect(bestOf([], "key")).toBeNull();
  });
});
