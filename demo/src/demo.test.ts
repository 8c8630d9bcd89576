import { Resvg } from "@resvg/resvg-js";
import {
  arrange,
  check,
  findWindows,
  measureFace,
  placeFace,
  readJob,
  ruleById,
  toCheck,
  um,
} from "@wide-quilt/core";
import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { expect, it } from "vitest";
import {
  CARD,
  CARD_WINDOWS,
  cardPng,
  DEMO_PHOTOS,
  demoCalendar,
  demoJobs,
  GUESTS,
  headOf,
  renderPhoto,
  RINGERS,
  ROOMY,
  silhouette,
} from "./index.ts";

const refs = DEMO_PHOTOS.map(({ name }) => ({ id: name, name }));
const facts = Object.fromEntries(DEMO_PHOTOS.map(({ name, width, height }) => [name, { width, height }]));

it("has portraits from small to 24 megapixels, twelve scenes and the pictures of a booth", () => {
  const portraits = DEMO_PHOTOS.filter(({ name }) => name.startsWith("MS-"));
  const booth = DEMO_PHOTOS.filter(({ name }) => name.startsWith("open-day-"));
  expect(portraits.length).toBeGreaterThanOrEqual(6);
  expect(booth).toHaveLength(4);
  expect(DEMO_PHOTOS.length - portraits.length - booth.length).toBe(12);
  expect(portraits).toContainEqual(expect.objectContaining({ width: 4000, height: 6000 }));
  expect(portraits).toContainEqual(expect.objectContaining({ width: 900, height: 1200 }));
});

/** The open day’s card, its windows found in its pixels. */
async function card() {
  const data = new Uint8Array(await sharp(cardPng()).extractChannel(3).raw().toBuffer());
  return { art: { file: "card", name: "card.png", ...CARD }, windows: findWindows({ data, ...CARD }) };
}

it("has a card for the open day with the windows that were cut into it", async () => {
  const { windows } = await card();
  expect(windows).toHaveLength(CARD_WINDOWS.length);
  windows.forEach((found, i) => {
    const { shape, x, y, width, height, angle } = CARD_WINDOWS[i]!;
    for (const [is, cut] of [
      [found.x, x],
      [found.y, y],
      [found.width, width],
      [found.height, height],
    ] as const)
      expect(Math.abs(is - cut)).toBeLessThan(1);
    expect(Math.abs(found.angle - angle)).toBeLessThan(0.1);
    expect(found.outline.length > 0).toBe(shape === "ellipse");
  });
});

it("begins with finished jobs that have nothing wrong", async () => {
  for (const job of demoJobs(refs, await card(), demoCalendar([]))) {
    expect(readJob(JSON.parse(JSON.stringify(job))).ok).toBe(true);
    const found = toCheck(check(job, facts, arrange(job, facts)));
    expect(found.filter(({ level }) => level === "wrong")).toEqual([]);
  }
});

it("renders a photo with real EXIF, the same each time", async () => {
  const turned = DEMO_PHOTOS.find(({ onItsSide }) => onItsSide)!;
  const small = { ...turned, width: 300, height: 400 };
  const jpeg = await renderPhoto(small);
  expect(jpeg.equals(await renderPhoto(small))).toBe(true);
  const path = join(mkdtempSync(join(tmpdir(), "wide-quilt-demo-")), "turned.jpg");
  writeFileSync(path, jpeg);
  const tags = JSON.parse(execFileSync("exiftool", ["-j", "-n", path], { encoding: "utf8" }))[0];
  expect(tags).toMatchObject({
    ImageWidth: 400,
    ImageHeight: 300,
    Orientation: 6,
    Model: "Studio body",
    ExposureTime: 0.008,
    FNumber: 8,
    ISO: 100,
    FocalLength: 85,
    DateTimeOriginal: "2026:09:26 10:13:31",
  });
  // Upright it is a portrait in colour: skin in the middle.
  const { data, info } = await sharp(jpeg).autoOrient().raw().toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([300, 400]);
  const [red, , blue] = data.subarray((200 * 300 + 150) * 3);
  expect(red! - blue!).toBeGreaterThan(30);
});

const SITTERS = [...RINGERS, ...GUESTS];
const SIZE = { width: 800, height: 1000 };

it.each(SITTERS.map((person) => [person.seed, person] as const))(
  "knows where the head of %i is: its crown is where the rendered person ends",
  (_, person) => {
    const { pixels, width } = new Resvg(silhouette(person, SIZE.width, SIZE.height, ROOMY)).render();
    const { crown, chin } = headOf(person, SIZE.width, SIZE.height, ROOMY);
    const isPerson = (y: number) => {
      let seen = 0;
      for (let x = 330; x < 470; x++) if (pixels[(y * width + x) * 4 + 3]! > 127) seen++;
      return seen > 42;
    };
    let top = 0;
    while (!isPerson(top)) top++;
    // A hundredth of a head is 4 pixels here.
    expect(Math.abs(top - crown.y * SIZE.height)).toBeLessThan(0.02 * (chin.y - crown.y) * SIZE.height);
  },
);

const TEN_RULES = [
  "icao-portrait",
  "iso-full-frontal",
  "schengen-visa",
  "uk-passport",
  "nl-passport",
  "fi-passport",
  "jp-passport",
  "jp-residence",
  "us-passport",
  "ca-passport",
];

it.each(TEN_RULES)("places all ten heads by %s to 0.1 mm", (id) => {
  const rule = ruleById(id);
  const finished = { x: um(0), y: um(0), ...rule.size };
  for (const person of SITTERS) {
    // Buns and high hair are not measured to the skull here: rules that do not count hair take the drawn skull.
    const face = {
      ...headOf(person, SIZE.width, SIZE.height, ROOMY),
      skull: { x: 0.5, y: (194 + 80) / 1000 },
    };
    const placement = placeFace(face, SIZE, { finished, cover: finished }, rule)!;
    expect(placement.off, `${person.seed}`).toBe(0);
    const { figures, slant, aside } = measureFace(
      face,
      SIZE,
      { finished, cover: finished },
      placement.sits,
      rule,
    );
    for (const { value, allowed } of figures) {
      expect(value!).toBeGreaterThan(allowed.from - 100);
      expect(value!).toBeLessThan(allowed.to + 100);
    }
    expect(Math.abs(slant)).toBeLessThan(0.01);
    expect(Math.abs(aside)).toBeLessThan(0.04 * rule.size.width);
  }
});
