import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { applyEdit, freshJob, type JobEdit } from "@wide-quilt/core";
import { headOf, portrait, renderPhoto, RINGERS, ROOMY } from "@wide-quilt/demo";
import { Server } from "@wide-quilt/server/testing";
import type { JobView } from "@wide-quilt/server/contract";
import { median } from "./measure.ts";
import { upload } from "./upload.ts";

const BAR = { first: 2000, stroke: 500 };
const STROKES = 12;

/** A portrait of 12 megapixels cut out in headless Chromium: the first answer, and each further stroke's. */
export async function benchBackground(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const server = await Server.start(join(folder, "data"));
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
  try {
    const [width, height] = [3000, 4000];
    const [person] = RINGERS;
    const exposure = {
      model: "Studio body",
      shutter: "1/125",
      aperture: 8,
      iso: 100,
      focalLength: 85,
      takenAt: "2026:09:26 10:04:31",
    };
    const draw = (w: number, h: number) => portrait(person!, w, h, ROOMY);
    const path = join(folder, "sitter.jpg");
    writeFileSync(path, await renderPhoto({ name: "sitter.jpg", width, height, draw, exposure }));
    const id = (await upload(server.address, path))[0]!.id;
    const edits: JobEdit[] = [{ do: "add photos", photos: [{ id, name: "sitter.jpg" }] }];
    const answer = await fetch(`${server.address}/api/jobs/import`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({
        ...edits.reduce(applyEdit, freshJob("portraits", "Bench")),
        heads: { [id]: [headOf(person!, width, height, ROOMY)] },
      }),
    });
    const { id: job } = (await answer.json()) as JobView;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-GB" });
    await page.addInitScript(() => {
      const put = CanvasRenderingContext2D.prototype.putImageData;
      const seen = { asked: 0, shown: 0, late: 0 };
      Object.assign(window, { seen });
      for (const event of ["pointerup", "click"])
        window.addEventListener(event, () => (seen.asked = performance.now()), true);
      CanvasRenderingContext2D.prototype.putImageData = function (...args: unknown[]) {
        seen.shown = performance.now();
        return put.apply(this, args as never);
      };
      let last = performance.now();
      const frame = (now: number) => {
        seen.late = Math.max(seen.late, now - last);
        last = now;
        requestAnimationFrame(frame);
      };
      requestAnimationFrame(frame);
    });
    await page.goto(`${server.address}/jobs/${job}`);
    await page.locator("[data-cell]").first().click();
    // The models are loaded as soon as the job is open; nobody reaches for the background within a second.
    await page.waitForTimeout(4000);
    const took = async (act: () => Promise<void>): Promise<number> => {
      await page.evaluate(() =>
        Object.assign((window as never as { seen: object }).seen, { shown: 0, late: 0 }),
      );
      await act();
      await page.waitForFunction(() => (window as never as { seen: { shown: number } }).seen.shown > 0);
      return page.evaluate(() => {
        const { seen } = window as never as { seen: { shown: number; asked: number } };
        return seen.shown - seen.asked;
      });
    };
    const first = await took(() => page.getByRole("button", { name: "Background" }).click());
    const box = (await page.getByRole("application").boundingBox())!;
    const strokes: number[] = [];
    let late = 0;
    for (let i = 0; i < STROKES; i++) {
      const keeps = i % 2 === 1;
      await page.getByRole("radio", { name: keeps ? "Keep" : "Remove", exact: true }).click();
      const [x, y] = keeps ? [0.45, 0.4 + i * 0.02] : [0.08, 0.1 + i * 0.02];
      await page.mouse.move(box.x + box.width * x, box.y + box.height * y);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width * (x + 0.1), box.y + box.height * y, { steps: 6 });
      strokes.push(await took(() => page.mouse.up()));
      late = Math.max(
        late,
        await page.evaluate(() => (window as never as { seen: { late: number } }).seen.late),
      );
    }
    const kept = (value: number, bar: number) => (value <= bar ? "kept" : "NOT kept");
    console.log(
      `a portrait of ${width} × ${height} px cut out in headless Chromium\n  first answer ${first.toFixed(0)} ms, bar ${BAR.first} ms: ${kept(first, BAR.first)}` +
        `\n  ${STROKES} strokes: median ${median(strokes).toFixed(0)} ms, worst ${Math.max(...strokes).toFixed(0)} ms, bar ${BAR.stroke} ms: ${kept(Math.max(...strokes), BAR.stroke)}` +
        `\n  the page’s latest frame meanwhile came after ${late.toFixed(0)} ms`,
    );
  } finally {
    await browser.close();
    await server.kill();
  }
}
