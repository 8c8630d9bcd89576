import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { expect, it } from "vitest";
import { arrange, check, toCheck } from "@wide-quilt/core";
import { DEMO_PHOTOS, demoJobs, renderPhoto } from "./index.ts";

const refs = DEMO_PHOTOS.map(({ name }) => ({ id: name, name }));
const facts = Object.fromEntries(DEMO_PHOTOS.map(({ name, width, height }) => [name, { width, height }]));

it("has portraits from small to 24 megapixels, and twelve scenes", () => {
  const portraits = DEMO_PHOTOS.filter(({ name }) => name.startsWith("MS-"));
  expect(portraits.length).toBeGreaterThanOrEqual(6);
  expect(DEMO_PHOTOS.length - portraits.length).toBe(12);
  expect(portraits).toContainEqual(expect.objectContaining({ width: 4000, height: 6000 }));
  expect(portraits).toContainEqual(expect.objectContaining({ width: 900, height: 1200 }));
});

it("begins with finished jobs that have nothing wrong", () => {
  for (const job of demoJobs(refs)) {
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
