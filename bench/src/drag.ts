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
const FRAME = 1000 / 60;

/** Dragging photos and cells on sheets of 60 and 300 cells in headless Chromium, and a change of the ticket with 200. */
export async function benchDrag(photo: string): Promise<void> {
  const server = await Server.start(mkdtempSync(join(tmpdir(), "wide-quilt-bench-")));
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
  try {
    const id = (await upload(server.address, photo))[0]!.id;
    const start = async (copies: number, size: [number, number]) => {
      const a3 = paperById("a3");
      const edits: JobEdit[] = [
        { do: "add photos", photos: [{ id, name: "photo.jpg" }] },
        { do: "sheet", change: { paper: { name: a3.name, width: a3.width, height: a3.height } } },
        { do: "ticket", change: { copies, gap: mm(1), size: { width: mm(size[0]), height: mm(size[1]) } } },
        { do: "shot", shot: "1", change: { scale: 2 } },
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
    await changeTicket(page);
  } finally {
    await browser.close();
    await server.kill();
  }
}

/**
 * Changes the gap of the ticket again and again. What is measured is the work of a change, from the key to everything
 * being set (processing time of Event Timing, W3C), which has to fit into one frame for the next one to show it; and
 * how long it takes until it is on the screen, painted without a graphics card (duration, to 8 ms).
 */
async function changeTicket(page: Page): Promise<void> {
  await page.waitForTimeout(1000);
  await page.getByRole("button", { name: /^Gap between pieces/ }).click();
  await page.getByLabel("Apart", { exact: true }).focus();
  const change = async (times: number) => {
    for (let i = 0; i < times; i++) {
      await page.keyboard.press(i % 2 === 0 ? "Alt+ArrowUp" : "Alt+ArrowDown");
      await page.waitForTimeout(150);
    }
  };
  // The first changes are slower: the browser has not compiled what it runs yet.
  const first = await worked(page, () => change(10));
  const later = await worked(page, () => change(60));
  const middle = median(later.work);
  console.log(
    `a change of the ticket with 200 cells: the work from the key to everything being set, in headless Chromium` +
      `\n  median ${middle.toFixed(1)} ms of ${later.work.length}, worst ${Math.max(...later.work).toFixed(1)} ms; of the first ten ${median(first.work).toFixed(1)} ms` +
      `\n  on the screen after ${median(later.shown)} ms` +
      `\n  bar one frame at 60 Hz, ${FRAME.toFixed(1)} ms: ${middle <= FRAME ? "kept" : "NOT kept"}`,
  );
}

/** Milliseconds for each press of an arrow key meanwhile: how long the page worked, and until it was on the screen. */
async function worked(page: Page, doing: () => Promise<void>): Promise<{ work: number[]; shown: number[] }> {
  await page.evaluate(() => {
    const seen = { work: [] as number[], shown: [] as number[] };
    Object.assign(window, { seen });
    const observer = new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as PerformanceEventTiming[]) {
        const { name, processingStart, processingEnd, duration } = entry;
        // The key that is held beside it does nothing.
        if (name !== "keydown" || processingEnd - processingStart <= 1) continue;
        seen.work.push(processingEnd - processingStart);
        seen.shown.push(duration);
      }
    });
    observer.observe({ type: "event", durationThreshold: 16 } as PerformanceObserverInit);
  });
  await doing();
  await page.waitForTimeout(500);
  return page.evaluate(() => (window as unknown as { seen: { work: number[]; shown: number[] } }).seen);
}

/** Holds a cell and moves the pointer about for three seconds, counting frames. */
export async function dragOn(page: Page, what: string): Promise<void> {
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
