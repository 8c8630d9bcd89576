import type { Page } from "@playwright/test";
import sharp from "sharp";
import { ROOMY } from "@wide-quilt/demo";
import { off, pixel } from "./photos.ts";
import { SITTERS, sitterPhoto } from "./sitters.ts";
import { cell, expect, faults, headsOf, jobOf, saved, startJob, test, writePng } from "./test.ts";

const MM = 300 / 25.4;

const STRIPES = Array.from(
  { length: 40 },
  (_, i) =>
    `<path d="M${-400 + i * 44} -300V1400" stroke="${["#c7d3a8", "#7d9a86", "#e8e2c9"][i % 3]}" stroke-width="44"/>`,
).join("");

test("the background is cut away: plain, patterned and much like the coat", async ({
  table: page,
  folder,
  server,
}) => {
  const [one, two, three] = [SITTERS[0]!, SITTERS[3]!, SITTERS[8]!];
  const size = { width: 2000, height: 2500 };
  const flat = (colour: string) => `<rect x="-400" y="-400" width="1500" height="1700" fill="${colour}"/>`;
  const files = [
    await sitterPhoto(folder, "plain.jpg", one, size),
    await sitterPhoto(folder, "pattern.jpg", two, { ...size, behind: STRIPES }),
    // The coat is #7a5a2e, the hair #5b3a23.
    await sitterPhoto(folder, "alike.jpg", three, { ...size, behind: flat("#86683f") }),
  ];
  await startJob(page, /Document photos/, ...files);
  await expect.poll(async () => Object.keys(await headsOf(page)).length, { timeout: 60_000 }).toBe(3);
  const figures: string[] = [];
  for (const [i, person] of [one, two, three].entries()) {
    await cell(page, 1).click();
    await page.getByRole("button", { name: "Background" }).click();
    const pad = page.getByRole("application");
    await expect(page.locator("canvas")).toBeVisible({ timeout: 20_000 });
    await expect(page.getByText("0 strokes")).toBeVisible();
    const box = (await pad.boundingBox())!;
    /** A stroke between two places of the drawing. */
    const stroke = async (tool: "Keep" | "Remove", ...points: [number, number][]) => {
      await page.getByRole("radio", { name: tool, exact: true }).click();
      const at = ([x, y]: [number, number]): [number, number] => [
        box.x + ((x - ROOMY.x) / ROOMY.width) * box.width,
        box.y + ((y - ROOMY.y) / ROOMY.height) * box.height,
      ];
      await page.mouse.move(...at(points[0]!));
      await page.mouse.down();
      for (const point of points.slice(1)) await page.mouse.move(...at(point), { steps: 8 });
      await page.mouse.up();
      await expect(page.getByText("Working it out …")).toBeHidden();
    };
    await stroke("Keep", [350, 230], [350, 640]);
    await stroke(
      "Keep",
      [15, 900],
      [20, 850],
      [60, 795],
      [115, 750],
      [350, 800],
      [585, 750],
      [640, 795],
      [685, 900],
    );
    await stroke("Remove", [40, 640], [40, 0], [350, 20]);
    await stroke("Remove", [350, 20], [660, 0], [660, 640]);
    await expect(page.getByText("4 strokes")).toBeVisible();
    if (i === 0) expect(await faults(page)).toEqual([]);
    await page.getByRole("button", { name: "Put this behind" }).click();
    await expect(page.getByRole("dialog")).toBeHidden({ timeout: 60_000 });
    await expect
      .poll(async () => Object.keys((await jobOf(page)).backdrops).length, { timeout: 20_000 })
      .toBe(i + 1);
    const job = await jobOf(page);
    // The colour of the rule was put behind, so that nothing is left unmeasured.
    await expect(
      page.getByRole("region", { name: "Head and rule" }).getByText("passes", { exact: true }),
    ).toBeVisible();
    const { id } = job.stash[i]!;
    const { mask } = job.backdrops[id]!;
    const overlap = await shared(page, mask, person);
    figures.push(`${job.stash[i]!.name} ${overlap.toFixed(4)}`);
    expect(overlap, job.stash[i]!.name).toBeGreaterThanOrEqual(0.97);
    if (i < 2) await page.getByRole("button", { name: "Next sheet" }).click();
  }
  console.log(`shared with the known masks: ${figures.join(", ")}`);
  await test.step("the written sheet has the colour behind, to the bit, and undo brings the photo's own back", async () => {
    const [sheet] = await writePng(page, server);
    // Two millimetres inside the upper left corner of the first piece: background.
    const job = await jobOf(page);
    const fill = job.backdrops[job.stash[0]!.id]!.fill;
    expect(fill.kind).toBe("flat");
    const cells = (await sharp(sheet!).metadata()).width;
    expect(cells).toBe(1800);
    const [x, y] = [(152.4 - 4 * 35 - 3 * 2) / 2 + 2, (101.6 - 2 * 45 - 2) / 2 + 2];
    const seen = await pixel(sheet!, Math.round(x * MM), Math.round(y * MM));
    expect(off(seen, (fill as { colour: string }).colour)).toBeLessThanOrEqual(2);
    await page.goBack();
    // The last step is the kind of file; the one before it the background.
    for (const step of ["Undo: kind of file", "Undo: "]) {
      const undo = page.getByRole("button", { name: "Undo", exact: true });
      await expect(undo).toHaveAttribute("title", new RegExp(`^${step}`));
      const answer = page.waitForResponse((response) => response.url().endsWith("/undo") && response.ok());
      await undo.click();
      await answer;
    }
    await saved(page);
    expect(Object.keys((await jobOf(page)).backdrops)).toHaveLength(2);
  });
});

/** The area that a mask and the drawn person share, as a share of what they cover together. */
async function shared(page: Page, mask: string, person: (typeof SITTERS)[number]): Promise<number> {
  const { silhouette } = await import("@wide-quilt/demo");
  const response = await page.request.get(`${new URL(page.url()).origin}/api/photos/${mask}/preview/800`);
  const { data, info } = await sharp(await response.body())
    .toColourspace("b-w")
    .raw()
    .toBuffer({ resolveWithObject: true });
  const known = await sharp(Buffer.from(silhouette(person, info.width, info.height, ROOMY)))
    .ensureAlpha()
    .extractChannel("alpha")
    .raw()
    .toBuffer();
  let [both, either] = [0, 0];
  for (let i = 0; i < known.length; i++) {
    const [a, b] = [data[i * info.channels]! > 127, known[i]! > 127];
    if (a && b) both++;
    if (a || b) either++;
  }
  return both / either;
}
