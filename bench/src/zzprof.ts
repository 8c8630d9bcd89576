import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { applyEdit, freshJob, mm, paperById, type JobEdit } from "@wide-quilt/core";
import { Server } from "@wide-quilt/server/testing";
import { upload } from "./upload.ts";
import sharp from "sharp";

const server = await Server.start(mkdtempSync(join(tmpdir(), "wq-prof-")));
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const photo = join(tmpdir(), "prof.jpg");
await sharp({ create: { width: 3000, height: 2000, channels: 3, background: "#88aa44" } }).jpeg().toFile(photo);
const id = (await upload(server.address, photo))[0]!.photos[0]!.id;
const a3 = paperById("a3");
const edits: JobEdit[] = [
  { do: "add photos", photos: [{ id, name: "photo.jpg" }] },
  { do: "sheet", change: { paper: { name: a3.name, width: a3.width, height: a3.height } } },
  { do: "ticket", change: { copies: 200, gap: mm(1), size: { width: mm(20), height: mm(25) } } },
  { do: "shot", shot: 1, change: { scale: 2 } },
];
const job = edits.reduce(applyEdit, freshJob("copies", "Bench"));
const answer = await fetch(`${server.address}/api/jobs/import`, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(job) });
const jobId = ((await answer.json()) as { id: string }).id;
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-GB" });
await page.goto(`${server.address}/jobs/${jobId}`);
await page.locator("[data-cell]").nth(199).waitFor();
await page.waitForTimeout(1500);
await page.getByRole("button", { name: /^Gap between pieces/ }).click();
await page.getByLabel("Apart", { exact: true }).focus();
await page.keyboard.press("Alt+ArrowUp");
await page.waitForTimeout(1000);
const cdp = await page.context().newCDPSession(page);
await cdp.send("Profiler.enable");
await cdp.send("Profiler.setSamplingInterval", { interval: 200 });
await cdp.send("Profiler.start");
const took: number[] = [];
for (let i = 0; i < 30; i++) {
  await page.evaluate(() => {
    const took = new Promise<number[]>((resolve) => {
      const onKey = (event: KeyboardEvent) => {
        if (event.key === "Alt") return;
        window.removeEventListener("keydown", onKey, true);
        const pressed = performance.now();
        const c = new MessageChannel();
        let script = 0;
        queueMicrotask(() => undefined);
        setTimeout(() => (script = performance.now() - pressed), 0);
        requestAnimationFrame(() => {
          const frame = performance.now() - pressed;
          c.port1.onmessage = () => resolve([script, frame, performance.now() - pressed]);
          c.port2.postMessage(0);
        });
      };
      window.addEventListener("keydown", onKey, true);
    });
    Object.assign(window, { took });
  });
  await page.keyboard.press(i % 2 === 0 ? "Alt+ArrowUp" : "Alt+ArrowDown");
  took.push(await page.evaluate(() => (window as unknown as { took: Promise<number[]> }).took) as never);
  await page.waitForTimeout(150);
}
const med = (k: number) => (took as never as number[][]).map((t) => t[k]!).sort((a, b) => a - b)[15]!.toFixed(1);
console.log("script", med(0), "to frame", med(1), "after layout", med(2));
const { profile } = await cdp.send("Profiler.stop");
writeFileSync("/tmp/prof.json", JSON.stringify(profile));
await browser.close();
await server.kill();
