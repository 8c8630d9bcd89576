import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { deltaE2000, labOf } from "@wide-quilt/core";
import { finish, notice, px } from "./finish.ts";
import { bands, flatPhoto, off, pixel } from "./photos.ts";
import { cell, expect, part, saved, startCopies, sum, test, ticket, type, writePng } from "./test.ts";

test("a border, a mat and a style tried on and taken off; what was set by hand stays", async ({
  table: page,
  folder,
  server,
}) => {
  await startCopies(page, await flatPhoto(folder, "red.jpg", "#c80000", 1500, 1500));
  await part(page, "Finished size").click();
  await page.getByLabel("Width", { exact: true }).fill("60mm");
  await page.keyboard.press("Enter");
  await page.getByLabel("Height", { exact: true }).fill("60mm");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(sum(page, "fits")).toHaveText("1 × 2 = 2");

  await test.step("a border with a deep lower edge, in blue to be measured", async () => {
    await finish(page, "Border");
    await page.getByRole("radio", { name: "Inside" }).click();
    await type(page, "Width", "4mm");
    await type(page, "Lower edge, times the upper one", "3");
    await page.getByLabel("Colour", { exact: true }).fill("#0000ff");
    expect(await ticket(page)).toContain("finished with a border");
  });

  await test.step("one cell has a look of its own", async () => {
    await cell(page, 2).click();
    await finish(page, "Look");
    await page.getByRole("radio", { name: "Cell 2 alone" }).click();
    await page.getByRole("button", { name: /^Black and white/ }).click();
    await page.getByRole("button", { name: "Back to the finish" }).click();
    await expect(page.getByRole("button", { name: /^Look/ })).toContainText("by hand");
    await expect(cell(page, 2)).toHaveAccessibleName(/finished by hand$/);
  });

  await test.step("a style tried on leaves it, and taken off brings the border back", async () => {
    await page.getByRole("radio", { name: "All cells" }).click();
    await finish(page, "Style");
    await page.getByRole("button", { name: /^Double mat/ }).click();
    await expect(page.getByText(/“Double mat” is tried on.*one cell stays/)).toBeVisible();
    expect(await ticket(page)).toContain("“Double mat” tried on");
    await page.getByRole("button", { name: /^Faded/ }).click();
    await expect(page.getByText(/“Faded” is tried on/)).toBeVisible();
    await page.getByRole("button", { name: "Take it off" }).click();
    expect(await ticket(page)).toContain("finished with a border,");
    await page.reload();
    expect(await ticket(page)).toContain("finished with a border,");
  });

  await test.step("keeps what is on under a name, once", async () => {
    await finish(page, "Style");
    for (const again of [false, true]) {
      await page.getByRole("button", { name: "Keep what is on as a style" }).click();
      await page.getByRole("textbox", { name: "Name to keep it under" }).fill("Blue cards");
      await page.keyboard.press("Enter");
      if (again) await expect(notice(page, /There is a style “Blue cards” already/)).toBeVisible();
      else await expect(page.getByRole("button", { name: /^Blue cards/ })).toBeVisible();
    }
  });

  await test.step("the written borders are as wide as they were asked, and the one cell is grey", async () => {
    const [path] = await writePng(page, server);
    const { width, height } = await sharp(path).metadata();
    // Two of 60 mm one above the other, 2 mm apart, in the middle of 101.6 × 152.4 mm.
    const [left, top] = [(101.6 - 60) / 2, (152.4 - 122) / 2];
    expect([width, height]).toEqual([1200, 1800]);
    const [first] = await bands(path!, "row", px(top + 20));
    expect(first).toEqual([px(left), px(left + 60)]);
    expect(off(await pixel(path!, px(left) + 20, px(top + 20)), "#0000ff")).toBe(0);
    expect(off(await pixel(path!, px(left + 4) - 1, px(top + 20)), "#0000ff")).toBe(0);
    expect(off(await pixel(path!, px(left + 4) + 1, px(top + 20)), "#c80000")).toBeLessThan(6);
    expect(off(await pixel(path!, px(left + 30), px(top + 48) - 1), "#c80000")).toBeLessThan(6);
    expect(off(await pixel(path!, px(left + 30), px(top + 48) + 1), "#0000ff")).toBe(0);
    const [r, g, b] = await pixel(path!, px(left + 30), px(top + 62 + 25));
    expect([r! - g!, g! - b!]).toEqual([0, 0]);
  });
});

test("graphics: an overlay, an SVG with a script in it, a watermark, a backing; what cannot be used is said", async ({
  table: page,
  folder,
  server,
}) => {
  await startCopies(page, await flatPhoto(folder, "grey.jpg", "#c8c8c8", 1200, 1500));
  const bring = async (role: string, file: string) => {
    await page.getByLabel(`Graphic for ${role}`).setInputFiles(file);
  };
  await finish(page, "Graphics");

  await test.step("an opaque PNG works as an overlay, and it is said what that means", async () => {
    const opaque = join(folder, "opaque.png");
    await sharp({ create: { width: 70, height: 90, channels: 3, background: "#00aa00" } })
      .png()
      .toFile(opaque);
    await bring("overlay", opaque);
    await expect(notice(page, /opaque.png: It has no transparent parts/)).toBeVisible();
    await page.getByRole("button", { name: "Take opaque.png out" }).click();
  });

  await test.step("an SVG comes without its script, and runs none", async () => {
    const svg = join(folder, "frame.svg");
    writeFileSync(
      svg,
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 35 45"><script>document.title="ran"</script><rect x="0" y="0" width="35" height="9" fill="#0000ff"/><image href="http://127.0.0.1:9/a.png" width="5" height="5"/></svg>`,
    );
    await bring("overlay", svg);
    await expect(notice(page, /A script in it was left out/)).toBeVisible();
    await expect(notice(page, /nothing outside the file is loaded/)).toBeVisible();
    expect(await page.title()).not.toBe("ran");
  });

  await test.step("what is no graphic is refused with a sentence", async () => {
    const text = join(folder, "notes.png");
    writeFileSync(text, "these are notes");
    await bring("stamp", text);
    await expect(notice(page, /“notes.png”: This is no graphic that can be read/)).toBeVisible();
  });

  await test.step("a watermark of words, and the ticket says both", async () => {
    await page.getByRole("button", { name: "Words as a watermark" }).click();
    await page.getByRole("textbox", { name: "Words", exact: true }).fill("MARRAM");
    expect(await ticket(page)).toContain("finished with an overlay and a watermark");
    await expect(page.locator("section[aria-label='Table'] svg text").first()).toHaveText("MARRAM");
  });

  await test.step("the sheet has a colour", async () => {
    await finish(page, "Sheet colour");
    await page.getByRole("radio", { name: "A colour" }).click();
    await page.getByLabel("Colour", { exact: true }).fill("#102030");
  });

  const [path] = await writePng(page, server);
  // The first of 4 × 2 cells of 35 × 45 mm lies at 3.2, 4.8 mm; the overlay's blue is its upper fifth.
  expect(off(await pixel(path!, 5, 5), "#102030")).toBe(0);
  expect(off(await pixel(path!, px(3.2) + 30, px(4.8) + 30), "#0000ff")).toBeLessThanOrEqual(90);
  const under = await sharp(path)
    .extract({ left: px(3.2) + 2, top: px(4.8 + 12), width: px(31), height: px(30) })
    .png()
    .toBuffer();
  const below = await sharp(under).stats();
  // Words of white at 35 % over 200: nothing darker than the photo, nothing lighter than 220.
  expect(below.channels[0]!.min).toBeGreaterThanOrEqual(198);
  expect(below.channels[0]!.max).toBeGreaterThan(212);
  expect(below.channels[0]!.max).toBeLessThanOrEqual(222);
});

test("a look is the same on the screen and in the print: CIEDE2000 under 1 on a colour chart", async ({
  table: page,
  folder,
  server,
}) => {
  const chart = join(folder, "chart.png");
  const PATCHES = 6;
  const colours = Array.from({ length: PATCHES * PATCHES }, (_, i) => [
    Math.round(20 + ((i % PATCHES) * 215) / (PATCHES - 1)),
    Math.round(20 + (Math.floor(i / PATCHES) * 215) / (PATCHES - 1)),
    Math.round(230 - (((i * 7) % 36) * 200) / 35),
  ]);
  const data = Buffer.from(
    Array.from({ length: 600 * 600 }, (_, i) => {
      const [x, y] = [Math.floor((i % 600) / 100), Math.floor(i / 600 / 100)];
      return colours[y * PATCHES + x]!;
    }).flat(),
  );
  await sharp(data, { raw: { width: 600, height: 600, channels: 3 } })
    .png()
    .toFile(chart);
  await startCopies(page, chart);
  await part(page, "Finished size").click();
  await page.getByLabel("Width", { exact: true }).fill("90mm");
  await page.keyboard.press("Enter");
  await page.getByLabel("Height", { exact: true }).fill("90mm");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await finish(page, "Look");
  for (const [figure, presses] of [
    ["Exposure", 3],
    ["Contrast", 4],
    ["Saturation", -5],
    ["Warmth", 6],
    ["Fade", 5],
    ["Pale", 3],
  ] as const) {
    const slider = page.getByRole("slider", { name: figure });
    for (let i = 0; i < Math.abs(presses); i++) await slider.press(presses > 0 ? "ArrowRight" : "ArrowLeft");
  }
  await page.getByRole("button", { name: "Point", exact: true }).click();
  const point = page.getByRole("slider", { name: "Point 1 of the tone curve" });
  for (let i = 0; i < 3; i++) await point.press("ArrowUp");
  await saved(page);
  const [path] = await writePng(page, server);
  const [left, top] = [(101.6 - 90) / 2, (152.4 - 90) / 2];
  const { width } = await sharp(path).metadata();
  const [x0, y0] = width === 1200 ? [left, top] : [top, left];
  await page.goBack();
  const image = page.locator("section[aria-label='Table'] svg[role='img'] > image").first();
  await expect(image).toHaveAttribute("href", /^blob:/);
  const worst = async (): Promise<number> => {
    const box = (await cell(page, 1).boundingBox())!;
    const screen = await sharp(await page.screenshot())
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    let most = 0;
    for (let i = 0; i < PATCHES * PATCHES; i++) {
      const [u, v] = [((i % PATCHES) + 0.5) / PATCHES, (Math.floor(i / PATCHES) + 0.5) / PATCHES];
      const at =
        (Math.round(box.y + v * box.height) * screen.info.width + Math.round(box.x + u * box.width)) * 3;
      const seen = [...screen.data.subarray(at, at + 3)] as [number, number, number];
      const printed = (await pixel(path!, px(x0 + u * 90), px(y0 + v * 90))) as [number, number, number];
      most = Math.max(most, deltaE2000(labOf(...seen), labOf(...printed)));
    }
    return most;
  };
  // A worker paints the look; until it has, the photo is as it was.
  await expect.poll(worst).toBeLessThan(1);
});

test("words that a font has no shapes for are found, and text that does not fit", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "photo.jpg", "#446688"));
  await finish(page, "Words");
  await page.getByRole("radio", { name: "Over the photo, at its foot" }).click();
  const field = page.getByRole("textbox", { name: "Words", exact: true });
  await field.fill("海辺 שלום");
  const check = page.getByRole("region", { name: "To check" });
  await expect(check).toContainText("Hanken Grotesk has no shape for");
  await expect(check).toContainText("No font that ships has them all");
  await field.fill("Чайка");
  await page.getByLabel("Font").selectOption("josefin");
  await expect(check).toContainText("Josefin Sans has no shape for");
  await check.getByRole("button", { name: /^Set in / }).click();
  await expect(check).not.toContainText("no shape for");
  await field.fill("word ".repeat(60));
  await expect(check).toContainText("are cut off");
  await field.fill("[nmae]");
  await expect(check).toContainText("There is no field “nmae”");
});
