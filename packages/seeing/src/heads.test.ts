import { chance, type Face } from "@wide-quilt/core";
import {
  CLOSE,
  DEMO_PHOTOS,
  group,
  headOf,
  headsIn,
  portrait,
  ROOMY,
  sitter,
  type Standing,
} from "@wide-quilt/demo";
import { beforeAll, describe, expect, it } from "vitest";
import { findHeads, Picture, type Models } from "./index.ts";
import { modelsInNode } from "./node.ts";
import { photographed } from "./testing/drawn.ts";

let models: Models;
beforeAll(async () => {
  models = await modelsInNode();
});

const HANDLES = ["crown", "chin", "leftEye", "rightEye"] as const;

/** Which of the drawn heads were found, how far the handles of each are off in heads, and how many were found besides. */
async function judged(picture: Picture, drawn: readonly Face[]) {
  const found = await findHeads(models, picture);
  const apart = (a: Face["chin"], b: Face["chin"]) =>
    Math.hypot((a.x - b.x) * picture.width, (a.y - b.y) * picture.height);
  const taken = new Set<Face>();
  const off = drawn.flatMap((head) => {
    const tall = apart(head.crown, head.chin);
    const one = found.find((face) => !taken.has(face) && apart(face.leftEye, head.leftEye) < 0.25 * tall);
    if (!one) return [];
    taken.add(one);
    return [Math.max(...HANDLES.map((handle) => apart(one[handle], head[handle]) / tall))];
  });
  return { off, false: found.length - taken.size };
}

/** So many people beside each other, near and far, some tilted, nobody before another’s face. */
function people(count: number, seed: number): Standing[] {
  const random = chance(seed);
  return Array.from({ length: count }, (_, i) => ({
    person: sitter(100 + seed * 7 + i),
    x: (i + 0.5 + (random() - 0.5) * 0.15) / count,
    y: 0.4 + (random() - 0.5) * 0.16,
    head: Math.min(0.34, (0.95 / count) * (0.8 + 0.2 * random())),
    tilt: (random() - 0.5) * 30,
  }));
}

const FIELD = (width: number, height: number) =>
  `<rect width="${width}" height="${height}" fill="#b9c8d2"/><rect y="${height * 0.6}" width="${width}" height="${height * 0.4}" fill="#a89f7c"/>`;

/** Every third of sixty; in `npm run test:long` all of them. */
const STEP = process.env["WIDE_QUILT_LONG"] ? 1 : 3;

it(`finds ${60 / STEP} sitters alone, over skins, hair, coverings, glasses and ages, with handles within 4 % of the head`, async () => {
  const off: number[] = [];
  let others = 0;
  for (let i = 0; i < 60; i += STEP) {
    const frame = i % 2 ? CLOSE : ROOMY;
    const [width, height] = [600, 800];
    const picture = await photographed(portrait(sitter(i), width, height, frame));
    const result = await judged(picture, [headOf(sitter(i), width, height, frame)]);
    off.push(...result.off);
    others += result.false;
  }
  expect([off.length, others]).toEqual([60 / STEP, 0]);
  expect(Math.max(...off)).toBeLessThan(0.04);
});

it("finds two to six people in one picture, 99 of 100, with handles within 4 % of the head for 95 of 100", async () => {
  const off: number[] = [];
  let [drawn, others] = [0, 0];
  for (let i = 0; i < 20; i++) {
    const [width, height] = [800, 600];
    const standing = people(2 + (i % 5), i);
    const picture = await photographed(group(standing, width, height, FIELD(width, height)));
    const result = await judged(picture, headsIn(standing, width, height));
    drawn += standing.length;
    off.push(...result.off);
    others += result.false;
  }
  expect(off.length / drawn).toBeGreaterThanOrEqual(0.99);
  expect(others).toBe(0);
  expect(off.filter((value) => value < 0.04).length / off.length).toBeGreaterThanOrEqual(0.95);
});

describe("in pictures without anybody", () => {
  const patterns: Record<string, string> = {
    stripes: `<pattern id="p" width="40" height="40" patternUnits="userSpaceOnUse"><rect width="20" height="40" fill="#a05a3c"/></pattern><rect width="800" height="600" fill="#e8cbb0"/><rect width="800" height="600" fill="url(#p)"/>`,
    checks: `<pattern id="p" width="60" height="60" patternUnits="userSpaceOnUse"><rect width="30" height="30" fill="#5d3a26"/><rect x="30" y="30" width="30" height="30" fill="#5d3a26"/></pattern><rect width="800" height="600" fill="#f3d3bb"/><rect width="800" height="600" fill="url(#p)"/>`,
    discs: Array.from(
      { length: 30 },
      (_, i) =>
        `<circle cx="${(i * 137) % 800}" cy="${(i * 89) % 600}" r="${20 + (i % 5) * 14}" fill="#e3b594"/>`,
    ).join(""),
    buttons: Array.from(
      { length: 12 },
      (_, i) =>
        `<g transform="translate(${100 + (i % 4) * 190} ${110 + Math.floor(i / 4) * 190})"><circle r="70" fill="#d9a883"/><circle cx="-22" cy="-14" r="8" fill="#222"/><circle cx="22" cy="-14" r="8" fill="#222"/></g>`,
    ).join(""),
    gradient: `<linearGradient id="g"><stop stop-color="#f3d3bb"/><stop offset="1" stop-color="#5d3a26"/></linearGradient><rect width="800" height="600" fill="url(#g)"/>`,
    plain: `<rect width="800" height="600" fill="#e3b594"/>`,
    house: `<rect width="800" height="600" fill="#bcd"/><rect x="250" y="200" width="300" height="350" fill="#d9a883"/><rect x="300" y="270" width="60" height="60" fill="#234"/><rect x="440" y="270" width="60" height="60" fill="#234"/><rect x="365" y="420" width="70" height="130" fill="#643"/>`,
    text: Array.from(
      { length: 14 },
      (_, i) => `<rect x="60" y="${40 + i * 40}" width="${400 + ((i * 83) % 260)}" height="12" fill="#222"/>`,
    ).join(""),
  };
  const scenes = DEMO_PHOTOS.filter(({ name }) => !/^(MS|open-day)-/.test(name));
  // Every scene whole, half as large and a fifth as large; every pattern once.
  const pictures: [string, () => Promise<Picture>][] = [
    ...scenes.flatMap(({ name, width, height, draw }) =>
      [800, 500, 240].map((long): [string, () => Promise<Picture>] => {
        const scale = long / Math.max(width, height);
        const svg = () =>
          draw(
            Math.round((width * 800) / Math.max(width, height)),
            Math.round((height * 800) / Math.max(width, height)),
          );
        return [`${name} at ${long}`, () => photographed(svg(), { width: Math.round(width * scale) })];
      }),
    ),
    ...Object.entries(patterns).map(([name, drawing]): [string, () => Promise<Picture>] => [
      name,
      () =>
        photographed(
          `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="600"><rect width="800" height="600" fill="#ffffff"/>${drawing}</svg>`,
        ),
    ]),
  ];

  it("finds no head: landscapes, birds, buildings and patterns, 44 of them", async () => {
    expect(pictures.length).toBeGreaterThanOrEqual(40);
    const found: string[] = [];
    for (const [name, picture] of pictures) {
      const heads = await findHeads(models, await picture());
      if (heads.length > 0) found.push(name);
    }
    expect(found).toEqual([]);
  });
});

it("says so where a photo ends before the head does", async () => {
  const frame = { x: 60, y: 230, width: 580, height: 644 };
  const [head] = await findHeads(models, await photographed(portrait(sitter(1), 580, 644, frame)));
  expect(head?.pose?.cut).toBe(true);
  expect(head?.sure).toBe(false);
});
