import { readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import sharp from "sharp";
import { expect, faults, part, saved, startJob, test, ticket, type, writePng } from "./test.ts";

// It leaves patterns in its server.
test.use({ apart: true });

const PLATE = "#3c3c50";
const STAR = "#2d5a66";
const BEHIND = ["#c81e1e", "#1e9c1e", "#1e1ec8"];

/** A strip of 600 × 1800 px with three windows of 440 × 400, tilted, in the middle of it. */
const WINDOWS = [
  { cy: 300, angle: -8 },
  { cy: 800, angle: 5 },
  { cy: 1300, angle: 10 },
];
const STRIP = `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="1800"><mask id="m"><rect width="600" height="1800" fill="#fff"/>${WINDOWS.map(
  ({ cy, angle }) =>
    `<rect x="80" y="${cy - 200}" width="440" height="400" transform="rotate(${angle} 300 ${cy})" fill="#000"/>`,
).join("")}</mask><rect width="600" height="1800" fill="${PLATE}" mask="url(#m)"/></svg>`;

async function filesIn(folder: string): Promise<{ art: string; photos: string[] }> {
  const art = join(folder, "fair-strip.png");
  await sharp(Buffer.from(STRIP)).png().toFile(art);
  const photos = await Promise.all(
    BEHIND.map(async (background, i) => {
      const path = join(folder, `shot-${i}.png`);
      await sharp({ create: { width: 900, height: 800, channels: 3, background } })
        .png()
        .toFile(path);
      return path;
    }),
  );
  return { art, photos };
}

/** The sheet that was written last, as colours by place; by sharp. */
async function newest(data: string) {
  const out = join(data, "out");
  const all = readdirSync(out).map((name) => join(out, name));
  const [path] = all.sort((a, b) => statSync(b).mtimeMs - statSync(a).mtimeMs);
  const { data: pixels, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => {
    const i = (Math.round(y) * info.width + Math.round(x)) * 3;
    return `#${[...pixels.subarray(i, i + 3)].map((value) => value.toString(16).padStart(2, "0")).join("")}`;
  };
  return { at, size: [info.width, info.height] };
}

/**
 * What is seen in a written strip, `scale` and `top` being how its artwork lies there: the middles of the windows, a place
 * inside a corner of the most tilted one, and one outside it that would be inside were it straight.
 */
function seen(
  { at }: Awaited<ReturnType<typeof newest>>,
  scale: number,
  left: number,
  top: number,
): string[] {
  const place = (x: number, y: number) => at(left + x * scale, top + y * scale);
  const [cos, sin] = [Math.cos((10 * Math.PI) / 180), Math.sin((10 * Math.PI) / 180)];
  const inWindow = (u: number, v: number) => place(300 + u * cos - v * sin, 1300 + u * sin + v * cos);
  return [...WINDOWS.map(({ cy }) => place(300, cy)), inWindow(214, 194), place(300 + 214, 1300 - 194)];
}
const AS_DRAWN = [...BEHIND, BEHIND[2], PLATE];

const begin = async (page: Page, address: string, button: "own" | "target") => {
  await page.goto(`${address}/patterns`);
  await page.getByRole("link", { name: "Fair strip", exact: true }).click();
  await page.getByRole("heading", { name: "Fair strip", level: 1 }).waitFor();
  if (button === "target") await page.getByRole("button", { name: /^Tent printer/ }).click();
  await page.getByRole("button", { name: "Start a job" }).click();
  await page.getByRole("region", { name: "Ticket" }).waitFor();
};

const shapes = async (page: Page) => {
  await part(page, "Finish").click();
  const back = page.getByRole("button", { name: "Back to the finish" });
  if (await back.isVisible()) await back.click();
  await page.getByRole("button", { name: /^Shapes/ }).click();
};

const keepBack = async (page: Page, name: string) => {
  await saved(page);
  await page.getByRole("button", { name: "Keep as pattern" }).click();
  expect(await faults(page, "[role=dialog]")).toEqual([]);
  await page.getByRole("button", { name }).click();
};

test("a strip with tilted windows and a logo made here, for two printers, corrected for one, then changed", async ({
  table: page,
  folder,
  server,
}) => {
  // A whole trade, from the artwork to the sixth print.
  test.slow();
  const { art, photos } = await filesIn(folder);
  await startJob(page, /Artwork with windows/);
  await part(page, "Paper").click();
  await type(page, "Width", "2in");
  await type(page, "Height", "6in");
  await page.keyboard.press("Escape");
  await page.getByLabel("Artwork", { exact: true }).setInputFiles(art);
  await expect(page.getByText("3 windows found, 3 tilted.")).toBeVisible();

  await test.step("a star at its foot, drawn here, by keys and figures", async () => {
    await shapes(page);
    expect(await faults(page)).toEqual([]);
    await page.getByRole("button", { name: "Add: Star" }).click();
    await type(page, "Width", "12mm");
    await type(page, "Height", "12mm");
    await page.getByRole("button", { name: "To the middle, across" }).click();
    await type(page, "From the top", "134mm");
    expect(await faults(page)).toEqual([]);
  });

  await test.step("printed at 300 ppi: 600 × 1800 px, each photo in its tilted window, the star in front", async () => {
    await page.getByLabel("Photo files").setInputFiles(photos);
    await expect(page.getByText("3 in this job")).toBeVisible();
    await saved(page);
    await writePng(page, server);
    const strip = await newest(server.data);
    expect(strip.size).toEqual([600, 1800]);
    expect(seen(strip, 1, 0, 0)).toEqual(AS_DRAWN);
    // Its middle is 140 mm down: 1653.5 px.
    expect(strip.at(300, 1653.5)).toBe(STAR);
    await page.getByRole("link", { name: "Back to the table" }).click();
  });

  await test.step("kept, and made for a printer of 620 × 1900 px at 320 ppi: nothing to be worked out", async () => {
    await page.getByRole("button", { name: "Keep as pattern" }).click();
    await page.getByLabel("Name", { exact: true }).fill("Fair strip");
    await page.getByRole("button", { name: "Keep, and make it for …" }).click();
    await expect(page.getByRole("heading", { name: "Make it for …" })).toBeVisible();
    await page.getByRole("combobox", { name: /^Printer/ }).selectOption({ label: "Event printer" });
    await type(page, "Called", "Tent printer");
    await type(page, "Resolution, ppi", "320");
    await type(page, "Bleed", "0");
    await type(page, "Enlarged to print without a border, %", "0");
    await type(page, "Width", "620px");
    await type(page, "Height", "1900px");
    await expect(page.getByText(/^620\s×\s1.?900\spx$/)).toBeVisible();
    expect(await faults(page)).toEqual([]);
    // 1900 ÷ 1800 covers: 600 · 1.0556 = 633.3 px, of which 6.67 are cut off at each side, 0.53 mm.
    await expect(
      page.getByText(/At the left and at the right 0\.53\smm \(6\.7\spx\) of it are cut off/),
    ).toBeVisible();
    await page.getByRole("button", { name: "Make it", exact: true }).click();
    await expect(page.getByRole("heading", { name: "Tent printer" })).toBeVisible();
    await expect(page.getByRole("img", { name: "Tent printer" })).toBeVisible();
    expect(await faults(page)).toEqual([]);
  });
  const scale = 1900 / 1800;
  const left = (620 - 600 * scale) / 2;

  const atTheTent = async () => {
    await page.getByLabel("Photo files").setInputFiles(photos);
    await expect(page.getByText("3 in this job")).toBeVisible();
    await saved(page);
    await writePng(page, server);
    const strip = await newest(server.data);
    expect(strip.size).toEqual([620, 1900]);
    expect(seen(strip, scale, left, 0)).toEqual(AS_DRAWN);
    await page.getByRole("link", { name: "Back to the table" }).click();
    return strip;
  };

  await test.step("printed there, the star where it belongs; then moved for this printer alone", async () => {
    await begin(page, server.address, "target");
    expect(await ticket(page)).toContain("for Event printer at 320 ppi");
    const strip = await atTheTent();
    expect(strip.at(310, 1653.5 * scale)).toBe(STAR);
    await shapes(page);
    await page.getByRole("button", { name: "Star in front" }).click();
    await type(page, "From the top", "4mm");
    await keepBack(page, "Keep as set by hand for it");
    await expect(
      page.getByText("What was set by hand for “Tent printer” is kept with “Fair strip”."),
    ).toBeVisible();
  });

  await test.step("the pattern changed: both are made anew, and what was set by hand stays", async () => {
    await begin(page, server.address, "own");
    await shapes(page);
    await page.getByRole("button", { name: "Star in front" }).click();
    await page.getByLabel("Colour", { exact: true }).fill("#e6b422");
    await keepBack(page, "Change the pattern");
    await expect(
      page.getByText("“Fair strip” is changed, and made anew for its other printer."),
    ).toBeVisible();
    await begin(page, server.address, "target");
    const strip = await atTheTent();
    // 4 mm and half of the star’s 12 mm at the new scale: 300 ppi · 1.0556 ÷ 320 ppi = 0.98958 of its size on paper.
    const middle = ((4 + 6 * ((300 * scale) / 320)) / 25.4) * 320;
    expect([strip.at(310, middle), strip.at(310, 1653.5 * scale)]).toEqual(["#e6b422", PLATE]);
    await begin(page, server.address, "own");
    await page.getByLabel("Photo files").setInputFiles(photos);
    await expect(page.getByText("3 in this job")).toBeVisible();
    await saved(page);
    await writePng(page, server);
    expect((await newest(server.data)).at(300, 1653.5)).toBe("#e6b422");
  });

  await test.step("a pattern of the book says what is by hand, and takes it back", async () => {
    await page.goto(`${server.address}/patterns`);
    await page.getByRole("link", { name: "Fair strip", exact: true }).click();
    const made = page.getByRole("button", { name: /^Tent printer/ });
    await expect(made).toContainText("1 by hand");
    await made.click();
    await page.getByRole("button", { name: "Back to computed" }).click();
    await expect(page.getByText("It is as computed again.")).toBeVisible();
    await expect(made).not.toContainText("by hand");
    // Seen whole: 620 ÷ 600 leaves 1900 − 1860 = 40 px of the page, filled with the artwork’s own edge.
    await page.getByRole("button", { name: "Change", exact: true }).click();
    await page.getByRole("radio", { name: "Seen whole" }).click();
    await expect(page.getByText(/Above and below .* of the page stay bare/)).toBeVisible();
    await page.getByRole("button", { name: "Change it" }).click();
    await expect(
      page.getByText(/Above and below 1\.59\smm \(20\spx\) are filled with its edge/),
    ).toBeVisible();
    await begin(page, server.address, "target");
    await page.getByLabel("Photo files").setInputFiles(photos);
    await expect(page.getByText("3 in this job")).toBeVisible();
    await saved(page);
    await writePng(page, server);
    const whole = await newest(server.data);
    expect([whole.at(310, 3), whole.at(310, 1896)]).toEqual([PLATE, PLATE]);
    expect(seen(whole, 620 / 600, 0, 20)).toEqual(AS_DRAWN);
    await page.goto(`${server.address}/patterns`);
    await page.getByRole("link", { name: "Fair strip", exact: true }).click();
    await made.click();
    await page.getByRole("button", { name: "Take it out" }).click();
    await expect(made).toHaveCount(0);
  });
});
