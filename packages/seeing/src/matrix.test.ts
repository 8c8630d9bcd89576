import {
  applyEdit,
  arrange,
  DOCUMENT_RULES,
  freshJob,
  reportPeople,
  type CheckName,
  type DocumentRule,
  type PersonCheck,
  type Photos,
} from "@wide-quilt/core";
import { documentPhoto, group, sitter, type Doing, type Flaws, type Frame } from "@wide-quilt/demo";
import { beforeAll, expect, it } from "vitest";
import { findHeads, studyPortrait, type Models, type Picture } from "./index.ts";
import { modelsInNode } from "./node.ts";
import { photographed } from "./testing/drawn.ts";

/** Something that is wrong with a photo: how it is taken so, and which checks tell it. */
interface Wrong {
  does?: Doing;
  flaws?: Flaws;
  blur?: number;
  width?: number;
  frame?: Frame;
  /** Somebody else beside them. */
  second?: true;
  told: readonly CheckName[];
  /** Whether a rule states what is wrong; left out, every rule does. */
  statedBy?(rule: DocumentRule): boolean;
}

const ofBackground = ({ background }: DocumentRule) => background !== undefined;

/** Room for every rule around the head; 1056 × 1232 px of it have a head of 330. */
const WIDE: Frame = { x: -250, y: -250, width: 1200, height: 1400 };
const SIZE = { width: 1056, height: 1232 };

const WRONG: Record<string, Wrong> = {
  "eyes shut": { does: { eyesShut: true }, told: ["eyes"] },
  "mouth open": { does: { mouthOpen: true }, told: ["mouth"] },
  "turned to the left": { does: { turned: -1 }, told: ["straight"] },
  "turned to the right": { does: { turned: 1 }, told: ["straight"] },
  "red eyes": { does: { redEyes: true }, told: ["red"] },
  "a shadow behind": { flaws: { shadow: 1 }, told: ["shadow", "even"], statedBy: ofBackground },
  "an uneven background": { flaws: { uneven: 1 }, told: ["even"], statedBy: ofBackground },
  "a background of another colour": {
    flaws: { behind: "#4f7f5a" },
    told: ["background"],
    statedBy: ofBackground,
  },
  "half of the face in the shade": { flaws: { halfLit: 1 }, told: ["light"] },
  "too little light": { flaws: { dark: 0.85 }, told: ["exposure"] },
  "too much light": { flaws: { bright: 0.65 }, told: ["exposure"] },
  blurred: { blur: 5, told: ["sharp"] },
  "too few pixels": { width: 250, told: ["pixels"] },
  // The photo ends in the hair.
  "the head cut": { frame: { x: -250, y: 240, width: 1200, height: 1400 }, told: ["whole"] },
  // No room at the left: the face cannot come to the middle.
  "no room at one side": {
    frame: { x: 205, y: -250, width: 1200, height: 1400 },
    told: ["centre", "headHeight", "headWidth", "eyeLine", "aboveCrown", "belowChin"],
    // Where nothing is said of the head’s size, a tighter crop brings it to the middle.
    statedBy: ({ headHeight }) => headHeight !== undefined,
  },
  "somebody else": { second: true, told: ["alone"] },
};
const KINDS = Object.keys(WRONG);

let models: Models;
beforeAll(async () => {
  models = await modelsInNode();
});

async function taken(number: number, background: string, wrong: Partial<Wrong>): Promise<Photos[string]> {
  const person = { ...sitter(number), ...(wrong.does && { does: wrong.does }) };
  const svg = wrong.second
    ? group(
        [
          { person, x: 0.36, y: 0.46, head: 374 / 1400, tilt: 0 },
          { person: sitter(number + 40), x: 0.78, y: 0.42, head: 0.2, tilt: 0 },
        ],
        SIZE.width,
        SIZE.height,
        `<rect width="100%" height="100%" fill="${background}"/>`,
      )
    : documentPhoto(person, background, SIZE, wrong.frame ?? WIDE, wrong.flaws);
  const picture: Picture = await photographed(svg, { blur: wrong.blur, width: wrong.width });
  const heads = await findHeads(models, picture);
  const study = heads[0] && (await studyPortrait(models, picture, heads[0]));
  // What is looked at is a preview; the photo itself is three times as large.
  const large = wrong.width === undefined ? 3 : 1;
  return {
    width: picture.width * large,
    height: picture.height * large,
    seen: { heads, by: "found", study },
  };
}

function judged(photo: Photos[string], rule: DocumentRule) {
  const photos = { someone: photo };
  const job = [
    { do: "ticket" as const, change: { rule: rule.id, rules: [rule] } },
    { do: "add photos" as const, photos: [{ id: "someone", name: "someone.jpg" }] },
  ].reduce(applyEdit, freshJob("portraits", "Matrix"));
  return reportPeople(job, photos, arrange(job, photos), { unit: "mm", locale: "en-GB", ppi: 300 })[0]!;
}

/** Of the twenty sitters every second one, others by each colour of background: in `npm run test:long` all of them. */
const STEP = process.env["WIDE_QUILT_LONG"] ? 1 : 2;

const isOff = ({ state }: PersonCheck) => state === "wrong" || state === "look";

it(`judges ${20 / STEP} sitters by every rule: every wrong thing is told, nothing right is called wrong`, async () => {
  const colours = [...new Set(DOCUMENT_RULES.map(({ background }) => background?.colour ?? "#ffffff"))];
  const [untold, blamed, kinds] = [new Set<string>(), new Set<string>(), new Set<string>()];
  let [pairs, passed] = [0, 0];
  for (const [c, colour] of colours.entries()) {
    const rules = DOCUMENT_RULES.filter(({ background }) => (background?.colour ?? "#ffffff") === colour);
    for (let i = c % STEP; i < 20; i += STEP) {
      const kind = i < 10 ? null : KINDS[(i - 10 + c * 10) % KINDS.length]!;
      const wrong = kind === null ? null : WRONG[kind]!;
      if (kind !== null) kinds.add(kind);
      const photo = await taken(i, colour, wrong ?? {});
      for (const rule of rules) {
        pairs++;
        const { checks, state } = judged(photo, rule);
        const told = checks.filter(isOff).map(({ name }) => name);
        if (state === "passes") passed++;
        if (wrong === null) {
          if (told.length > 0) blamed.add(`sitter ${i} by ${rule.id}: ${told.join(", ")}`);
        } else {
          const stated = wrong.statedBy?.(rule) ?? true;
          if (stated && (state === "passes" || !wrong.told.some((name) => told.includes(name))))
            untold.add(`${kind} of sitter ${i} by ${rule.id}: ${state}, ${told.join(", ")}`);
        }
      }
    }
  }
  console.log(`${pairs} pairs of a sitter and a rule, ${passed} pass, ${kinds.size} kinds of wrong`);
  expect([...untold]).toEqual([]);
  expect([...blamed]).toEqual([]);
  expect(kinds.size).toBe(16);
  expect(pairs).toBe((20 / STEP) * DOCUMENT_RULES.length);
});
