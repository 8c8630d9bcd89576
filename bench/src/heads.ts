import { existsSync, mkdtempSync } from "node:fs";
import { mkdir, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { chromium } from "@playwright/test";
import { Resvg } from "@resvg/resvg-js";
import { applyEdit, freshJob, mm, paperById, type JobEdit } from "@wide-quilt/core";
import { DEMO_PHOTOS, group, sitter } from "@wide-quilt/demo";
import { Server } from "@wide-quilt/server/testing";
import type { HeadSearch, JobView } from "@wide-quilt/server/contract";
import sharp from "sharp";
import { dragOn } from "./drag.ts";
import { upload } from "./upload.ts";

const COUNT = 500;
const SIZE = { width: 1500, height: 1000 };
/** How many people are in each of ten pictures; a wedding has such. */
const PEOPLE = [1, 1, 1, 1, 1, 2, 2, 3, 5, 0];
const BAR = 80;

/** Heads in five hundred photos of nobody to five people, and the table meanwhile. */
export async function benchHeads(): Promise<void> {
  const paths = await pictures(resolve(".wide-quilt/bench/people"));
  const server = await Server.start(mkdtempSync(join(tmpdir(), "wide-quilt-bench-")));
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
  const pause = (paused: boolean) =>
    fetch(`${server.address}/api/heads`, {
      method: "PUT",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ paused }),
    });
  const search = async () => (await (await fetch(`${server.address}/api/heads`)).json()) as HeadSearch;
  try {
    await pause(true);
    const taken = await upload(server.address, ...paths);
    const a3 = paperById("a3");
    const edits: JobEdit[] = [
      { do: "add photos", photos: taken.slice(0, 1).map(({ id }) => ({ id, name: "photo.jpg" })) },
      { do: "sheet", change: { paper: { name: a3.name, width: a3.width, height: a3.height } } },
      { do: "ticket", change: { copies: 60, gap: mm(1), size: { width: mm(30), height: mm(40) } } },
      { do: "shot", shot: "1", change: { scale: 2 } },
    ];
    const answer = await fetch(`${server.address}/api/jobs/import`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(edits.reduce(applyEdit, freshJob("copies", "Bench"))),
    });
    const { id } = (await answer.json()) as JobView;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-GB" });
    await page.goto(`${server.address}/jobs/${id}`);
    await page.locator("[data-cell]").nth(59).waitFor();
    await page.waitForTimeout(1500);
    const since = Date.now();
    await pause(false);
    // Alone for a while, then beside somebody who drags.
    while ((await search()).done < COUNT / 2) await page.waitForTimeout(100);
    const half = Date.now() - since;
    await dragOn(page, "while heads are looked for, dragging a photo with 60 cells");
    while ((await search()).of > 0) await page.waitForTimeout(100);
    const each = half / (COUNT / 2);
    console.log(
      `heads in ${COUNT} photos of ${Math.min(...PEOPLE)} to ${Math.max(...PEOPLE)} people, one process at the lowest priority` +
        `\n  ${each.toFixed(0)} ms a photo over the first half, ${((Date.now() - since) / COUNT).toFixed(0)} ms with the table dragged meanwhile` +
        `\n  bar ${BAR} ms: ${each <= BAR ? "kept" : "NOT kept"}`,
    );
  } finally {
    await browser.close();
    await server.kill();
  }
}

/** The pictures, made once and kept: fifty are drawn, and each is written ten times as another file. */
async function pictures(folder: string): Promise<string[]> {
  await mkdir(folder, { recursive: true });
  const scenes = DEMO_PHOTOS.filter(({ name }) => !/^(MS|open-day)-/.test(name));
  const paths = Array.from({ length: COUNT }, (_, i) => join(folder, `${i}.jpg`));
  for (let i = 0; i < 50; i++) {
    if (existsSync(paths[i * 10 + 9]!)) continue;
    const count = PEOPLE[i % PEOPLE.length]!;
    const { width, height } = SIZE;
    const behind = `<rect width="${width}" height="${height}" fill="#b9c8d2"/>`;
    const standing = Array.from({ length: count }, (_, k) => ({
      person: sitter(i * 7 + k),
      x: (k + 0.5) / count,
      y: 0.42,
      head: Math.min(0.4, 0.9 / count),
      tilt: ((i + k) % 5) * 4 - 8,
    }));
    const svg = count === 0 ? scenes[i % 4]!.draw(width, height) : group(standing, width, height, behind);
    const drawn = new Resvg(svg, { font: { loadSystemFonts: false } }).render();
    const raw = { width: drawn.width, height: drawn.height, channels: 4 } as const;
    for (let k = 0; k < 10; k++) {
      const jpeg = await sharp(drawn.pixels, { raw })
        .flatten({ background: "#ffffff" })
        .withExif({ IFD0: { Software: `render ${i * 10 + k}` } })
        .jpeg({ quality: 88 })
        .toBuffer();
      await writeFile(paths[i * 10 + k]!, jpeg);
    }
  }
  return paths;
}
