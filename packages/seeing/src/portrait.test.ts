import { execFileSync } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { judgeSight, ruleById } from "@wide-quilt/core";
import sharp from "sharp";
import { expect, it } from "vitest";
import { headsInPreview, studyOfPreview } from "./node.ts";

/** A portrait in the public domain that Debian’s python3-skimage comes with; for this test alone. */
const INSIDE = "usr/lib/python3/dist-packages/skimage/data/astronaut.png";

/** Where it lies: on this machine, or fetched out of the package without installing it; null where neither can be. */
function photograph(): string | null {
  if (existsSync(join("/", INSIDE))) return join("/", INSIDE);
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-portrait-"));
  const quietly = { cwd: folder, stdio: "ignore", timeout: 60_000 } as const;
  try {
    execFileSync("apt-get", ["download", "python3-skimage"], quietly);
    execFileSync("dpkg-deb", ["-x", readdirSync(folder)[0]!, "."], quietly);
    return join(folder, INSIDE);
  } catch {
    return null;
  }
}

it("finds and judges somebody who was photographed, not drawn", { timeout: 150_000 }, async ({ skip }) => {
  const path = photograph();
  if (path === null) return skip("Debian’s python3-skimage cannot be had here");
  const { width, height } = await sharp(path).metadata();
  const heads = await headsInPreview(path);
  expect(heads).toHaveLength(1);
  const face = heads[0]!;
  expect(face.sure).toBe(true);
  // Read off the picture of 512 × 512 px by hand, ten times enlarged: the middles of the pupils.
  for (const [eye, x, y] of [
    [face.leftEye, 203, 100.5],
    [face.rightEye, 246.7, 103],
  ] as const) {
    expect(Math.hypot(eye.x * width - x, eye.y * height - y)).toBeLessThan(3);
  }
  const study = await studyOfPreview(path, face);
  const { checks } = judgeSight(
    { size: { width, height }, heads, study },
    { rule: ruleById("icao-portrait"), finer: 1, backgroundLater: false, sharpness: true },
    { unit: "mm", ppi: 300, locale: "en-GB" },
  );
  const stateOf = (name: string) => checks.find((check) => check.name === name)?.state;
  // 512 px are too few, and the lips are apart: a smile with teeth. Whether that is a closed mouth a person says.
  expect([stateOf("pixels"), stateOf("mouth")]).toEqual(["wrong", "look"]);
  for (const name of [
    "headHeight",
    "level",
    "whole",
    "alone",
    "exposure",
    "light",
    "red",
    "eyes",
    "straight",
  ]) {
    expect([name, stateOf(name)]).toEqual([name, "right"]);
  }
});
