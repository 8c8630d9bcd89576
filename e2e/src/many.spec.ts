import sharp from "sharp";
import { deltaE2000, labOf } from "@wide-quilt/core";
import { cameraPhoto, pixel } from "./photos.ts";
import { cell, cells, expect, part, saved, startCopies, sum, test, type, writePng } from "./test.ts";

type Colour = [number, number, number];

test("photos of many cells are on the table as they are printed, and stay so while a cell is moved", async ({
  table: page,
  folder,
  server,
}) => {
  await startCopies(page, await cameraPhoto(folder, "MS-801.jpg"));
  await test.step("126 pieces that touch", async () => {
    await part(page, "Paper").click();
    await page.getByRole("radio", { name: /^A4/ }).click();
    await page.keyboard.press("Escape");
    await part(page, "Finished size").click();
    await type(page, "Width", "21");
    await type(page, "Height", "23");
    await page.keyboard.press("Escape");
    await part(page, "Gap between pieces").click();
    await type(page, "Apart", "0");
    await page.keyboard.press("Escape");
    await expect(sum(page, "fits")).toHaveText("14 × 9 = 126");
    await saved(page);
    await expect(page.locator("canvas")).toBeVisible();
  });

  await test.step("a change of the ticket is in the first frame after the key", async () => {
    await part(page, "Gap between pieces").click();
    await page.getByRole("textbox", { name: "Apart", exact: true }).focus();
    await page.evaluate(() => {
      const painted = () => document.querySelector("canvas")!.toDataURL();
      const frame = new Promise((resolve) => {
        const onKey = () => {
          const before = painted();
          requestAnimationFrame(() => resolve({ before, after: painted() }));
        };
        window.addEventListener("keydown", onKey, { capture: true, once: true });
      });
      Object.assign(window, { frame });
    });
    await page.keyboard.press("ArrowUp");
    const { before, after } = await page.evaluate(
      () => (window as unknown as { frame: Promise<{ before: string; after: string }> }).frame,
    );
    expect(after).not.toBe(before);
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Escape");
    await saved(page);
  });

  await test.step("one is moved by hand; the others stay on their canvas", async () => {
    await page.getByRole("radio", { name: "Move cells" }).click();
    await cell(page, 20).click();
    await type(page, "From the left", "3mm");
    await saved(page);
    // It now lies over one or two, and those that come after it over it: only these are pictures of their own.
    const apart = page.locator("section[aria-label='Table'] svg[role='img'] > image");
    await expect.poll(() => apart.count()).toBeLessThanOrEqual(3);
    expect(await apart.count()).toBeGreaterThan(0);
    await page.getByRole("radio", { name: "Move photos" }).click();
    await page.getByLabel("Table").click({ position: { x: 10, y: 10 } });
  });

  const sheet = (await page.getByRole("listbox", { name: /^Cells/ }).boundingBox())!;
  const boxes = await Promise.all((await cells(page).all()).map(async (one) => (await one.boundingBox())!));
  const screen = await sharp(await page.screenshot())
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [path] = await writePng(page, server);
  const { width } = await sharp(path).metadata();
  const perScreenPixel = width / sheet.width;

  await test.step("the middle of every quarter of every cell has the colour of the print", async () => {
    let worst = 0;
    for (const box of boxes) {
      for (const [u, v] of [
        [0.25, 0.25],
        [0.75, 0.25],
        [0.25, 0.75],
        [0.75, 0.75],
      ] as const) {
        const [x, y] = [box.x + u * box.width, box.y + v * box.height];
        const at = (Math.floor(y) * screen.info.width + Math.floor(x)) * 3;
        const seen = [...screen.data.subarray(at, at + 3)] as Colour;
        const [left, top] = [(x - sheet.x) * perScreenPixel, (y - sheet.y) * perScreenPixel];
        const printed = (await pixel(path!, Math.floor(left), Math.floor(top))) as Colour;
        worst = Math.max(worst, deltaE2000(labOf(...seen), labOf(...printed)));
      }
    }
    expect(worst).toBeLessThan(1);
  });

  await test.step("no paper shows between pieces that touch", () => {
    // Along a line through the first row, from within its first cell to within its last: no colour of the photo is pale.
    const row = boxes.filter(({ y }) => Math.abs(y - boxes[0]!.y) < 1);
    const y = Math.floor(boxes[0]!.y + boxes[0]!.height * 0.25);
    const [from, to] = [row[0]!.x + 3, row.at(-1)!.x + row.at(-1)!.width - 3];
    for (let x = Math.floor(from); x < to; x++) {
      const at = (y * screen.info.width + x) * 3;
      expect(Math.min(...screen.data.subarray(at, at + 3)), `at ${x}`).toBeLessThan(120);
    }
  });
});
