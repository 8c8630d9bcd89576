import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { applyEdit, freshJob, mm, paperById, type JobEdit } from "@wide-quilt/core";
import { Server } from "@wide-quilt/server/testing";
import type { JobView } from "@wide-quilt/server/contract";
import { median } from "./measure.ts";
import { upload } from "./upload.ts";

const CELLS = [60, 300];
const BAR = 50;

/** Dragging photos and cells on sheets of 60 and 300 cells in headless Chromium, and a change of the ticket with 200. */
export async function benchDrag(photo: string): Promise<void> {
  const server = await Server.start(mkdtempSync(join(tmpdir(), "wide-quilt-bench-")));
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
  try {
    const id = (await upload(server.address, photo))[0]!.photos[0]!.id;
    const start = async (copies: number, size: [number, number]) => {
      const a3 = paperById("a3");
      const edits: JobEdit[] = [
        { do: "add photos", photos: [{ id, name: "photo.jpg" }] },
        { do: "sheet", change: { paper: { name: a3.name, width: a3.width, height: a3.height } } },
        { do: "ticket", change: { copies, gap: mm(1), size: { width: mm(size[0]), height: mm(size[1]) } } },
        { do: "shot", shot: 1, change: { scale: 2 } },
      ];
      const job = edits.reduce(applyEdit, freshJob("copies", "Bench"));
      const answer = await fetch(`${server.address}/api/jobs/import`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(job),
      });
      return ((await answer.json()) as JobView).id;
    };
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-GB" });
    for (const count of CELLS) {
      const job = await start(count, count > 100 ? [17, 20] : [30, 40]);
      await page.goto(`${server.address}/jobs/${job}`);
      await page
        .locator("[data-cell]")
        .nth(count - 1)
        .waitFor();
      for (const moves of ["photo", "cell"] as const) {
        await page.getByRole("radio", { name: `Move ${moves}s` }).click();
        await page.waitForTimeout(1500);
        await dragOn(page, `dragging a ${moves} with ${count} cells`);
      }
    }
    await page.goto(`${server.address}/jobs/${await start(200, [20, 25])}`);
    await page.locator("[data-cell]").nth(199).waitFor();
    await page.waitForTimeout(1000);
    await page.getByRole("button", { name: /^Gap between pieces/ }).click();
    const field = page.getByLabel("Apart", { exact: true });
    const took: number[] = [];
    await field.focus();
    for (let i = 0; i < 20; i++) {
      await page.evaluate(() => {
        const took = new Promise<number>((resolve) => {
          const onKey = (event: KeyboardEvent) => {
            if (event.key === "Alt") return;
            window.removeEventListener("keydown", onKey, true);
            const pressed = performance.now();
            requestAnimationFrame(() => resolve(performance.now() - pressed));
          };
          window.addEventListener("keydown", onKey, true);
        });
        Object.assign(window, { took });
      });
      await page.keyboard.press(i % 2 === 0 ? "Alt+ArrowUp" : "Alt+ArrowDown");
      took.push(await page.evaluate(() => (window as unknown as { took: Promise<number> }).took));
    }
    console.log(
      `a change of the ticket on the table with 200 cells: from the key to the next frame, script and layout included\n  median ${median(took).toFixed(1)} ms, worst ${Math.max(...took).toFixed(1)} ms of ${took.length}`,
    );
  } finally {
    await browser.close();
    await server.kill();
  }
}

/** Holds a cell and moves the pointer about for three seconds, counting frames. */
async function dragOn(page: Page, what: string): Promise<void> {
  const box = (await page.locator("[data-cell]").nth(20).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(() => {
    const frames: number[] = [];
    Object.assign(window, { frames });
    const next = (now: number) => {
      frames.push(now);
      if ((window as unknown as { frames: number[] }).frames === frames) requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
  const began = Date.now();
  for (let i = 0; Date.now() - began < 3000; i++)
    await page.mouse.move(x + Math.sin(i / 9) * 12, y + Math.cos(i / 9) * 12);
  const frames = await page.evaluate(() => (window as unknown as { frames: number[] }).frames);
  await page.keyboard.press("Escape");
  await page.mouse.up();
  const gaps = frames.slice(1).map((now, i) => now - frames[i]!);
  const mean = (1000 * gaps.length) / (frames.at(-1)! - frames[0]!);
  const late = gaps.filter((gap) => gap > 1000 / BAR + 1).length;
  console.log(
    `${what}, headless Chromium, ${gaps.length} frames\n  mean ${mean.toFixed(1)} frames a second, median ${(1000 / median(gaps)).toFixed(1)}, ${late} frames later than ${1000 / BAR} ms` +
      `\n  bar ${BAR} frames a second: ${mean >= BAR && late <= gaps.length * 0.02 ? "kept" : "NOT kept"}`,
  );
}
