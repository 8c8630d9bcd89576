import sharp from "sharp";
import { bands, flatPhoto } from "./photos.ts";
import { cell, cells, expect, saved, startCopies, startJob, test, type, writePng } from "./test.ts";

const px = (mm: number) => (mm * 300) / 25.4;
const field = (page: Parameters<typeof cell>[0], name: string) =>
  page.getByRole("textbox", { name, exact: true });

test("cells are drawn, typed, caught, aligned and copied by hand; undo goes through all of it", async ({
  table: page,
  folder,
  server,
}) => {
  await startJob(page, /^Free/, await flatPhoto(folder, "MS-601.jpg", "#3246c8"));
  const sheet = page.getByRole("listbox");
  const box = (await sheet.boundingBox())!;
  const perMm = box.width / 210;
  const drag = async (x1: number, y1: number, x2: number, y2: number, keep = false) => {
    await page.mouse.move(box.x + x1 * perMm, box.y + y1 * perMm);
    await page.mouse.down();
    await page.mouse.move(box.x + ((x1 + x2) / 2) * perMm, box.y + ((y1 + y2) / 2) * perMm, { steps: 3 });
    await page.mouse.move(box.x + x2 * perMm, box.y + y2 * perMm, { steps: 3 });
    if (!keep) await page.mouse.up();
  };

  await test.step("draws a cell over bare paper and types it exact", async () => {
    await drag(20, 20, 78, 61);
    await expect(cells(page)).toHaveCount(1);
    await type(page, "From the left", "20");
    await type(page, "From the top", "2cm");
    await type(page, "Width of the piece", "60");
    await type(page, "Height of the piece", "40");
    await expect(field(page, "Width of the piece")).toHaveValue("60");
  });

  await test.step("adds another by its size, and drags it until it catches the gap and the edge", async () => {
    await page.getByLabel("Table").click({ position: { x: 10, y: 10 } });
    const add = page.getByRole("region", { name: "Add a cell" });
    await add.getByRole("textbox", { name: "Width", exact: true }).fill("60");
    await page.keyboard.press("Enter");
    await add.getByRole("textbox", { name: "Height", exact: true }).fill("40");
    await page.keyboard.press("Enter");
    await add.getByRole("button", { name: /^Add 60/ }).click();
    await expect(cells(page)).toHaveCount(2);
    // It stands in the middle, 75 … 135 by 128.5 … 168.5 mm; 2 mm beside the first it begins at 82.
    await drag(105, 148.5, 105 + 7.8, 148.5 - 107.6, true);
    await expect(
      page.getByRole("region", { name: "Table" }).getByText("2\u00a0mm", { exact: true }),
    ).toBeVisible();
    await page.mouse.up();
    await expect(field(page, "From the left")).toHaveValue("82");
    await expect(field(page, "From the top")).toHaveValue("20");
  });

  await test.step("copies it, nudges the copy, and sets all three at equal gaps in one line", async () => {
    await page.keyboard.press("Control+d");
    await expect(cells(page)).toHaveCount(3);
    await page.keyboard.press("Shift+ArrowRight");
    await page.keyboard.press("Alt+ArrowDown");
    await expect(field(page, "From the left")).toHaveValue("92");
    await expect(field(page, "From the top")).toHaveValue("25.1");
    await type(page, "From the left", "145");
    await cell(page, 1).click();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: "Align at the top" }).click();
    await page.getByRole("button", { name: "Equal gaps across" }).click();
    await cell(page, 2).click();
    // 20 … 205 mm hold three of 60 mm and two gaps of 2.5 mm.
    await expect(field(page, "From the left")).toHaveValue("82.5");
    await expect(field(page, "From the top")).toHaveValue("20");
  });

  await test.step("a locked cell stays, one to the back goes under, a tilt is typed", async () => {
    await page.getByRole("button", { name: "Lock in place" }).click();
    await drag(112, 40, 112, 90);
    await expect(field(page, "From the top")).toHaveValue("20");
    await page.getByRole("button", { name: "Unlock" }).click();
    await type(page, "Tilt, degrees", "90");
    await expect(cell(page, 2)).toHaveAccessibleName(/put by hand/);
    await type(page, "Tilt, degrees", "0");
  });

  await test.step("undoes all of it, and does it again", async () => {
    await saved(page);
    // One may click again before the button knows that there is nothing more: then nothing happens.
    const walk = async (way: "undo" | "redo") => {
      const button = page.getByRole("button", { name: way === "undo" ? "Undo" : "Redo" });
      let clicks = 0;
      while (await button.isEnabled()) {
        const answer = page.waitForResponse((response) => response.url().endsWith(`/${way}`));
        await button.click();
        await answer;
        if (++clicks > 80) throw new Error(`${way} does not end`);
      }
      return clicks;
    };
    expect(await walk("undo")).toBeGreaterThan(12);
    await expect(cells(page)).toHaveCount(0);
    await walk("redo");
    await expect(cells(page)).toHaveCount(3);
  });

  await test.step("drops the photo in, writes the sheet, and its edges are where they were typed", async () => {
    await page.getByRole("button", { name: /^MS-601/ }).click();
    await page.getByRole("button", { name: "Put in all" }).click();
    const [file] = await writePng(page, server);
    expect(await sharp(file).metadata()).toMatchObject({ width: 2480, height: 3508 });
    const found = await bands(file!, "row", px(30));
    const exact = [
      [20, 80],
      [82.5, 142.5],
      [145, 205],
    ] as const;
    expect(found).toHaveLength(3);
    found.forEach(([from, to], i) => {
      expect(Math.abs(from - px(exact[i]![0]))).toBeLessThanOrEqual(0.5);
      expect(Math.abs(to - px(exact[i]![1]))).toBeLessThanOrEqual(0.5);
    });
    const [[top, foot]] = (await bands(file!, "column", px(50))) as [[number, number]];
    expect(Math.abs(top - px(20))).toBeLessThanOrEqual(0.5);
    expect(Math.abs(foot - px(60))).toBeLessThanOrEqual(0.5);
  });
});

test("a computed cell that was moved stays through changes of the ticket, and can be given back", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "MS-611.jpg", "#c83232"));
  await cell(page, 1).click();
  await type(page, "From the left", "1");
  await expect(cell(page, 1)).toHaveAccessibleName(/put by hand/);
  await page.getByRole("button", { name: /^Gap between pieces: / }).click();
  await type(page, "Apart", "1");
  await page.keyboard.press("Escape");
  await cell(page, 1).click();
  await expect(field(page, "From the left")).toHaveValue("1");
  await page.getByRole("button", { name: "Back to the layout" }).click();
  // 4 × 35 + 3 × 1 = 143 of 152.4: 4.7 at either side
  await expect(field(page, "From the left")).toHaveValue("4.7");
});

test("a photo dropped on bare paper is offered the sizes that fit there", async ({ table: page, folder }) => {
  await startJob(page, /^Free/, await flatPhoto(folder, "MS-621.jpg", "#32a03c", 1200, 800));
  await page
    .getByRole("button", { name: /^MS-621/ })
    .dragTo(page.getByRole("listbox"), { targetPosition: { x: 150, y: 150 } });
  const sizes = page.getByRole("dialog", { name: "Sizes that fit here" });
  await sizes.getByRole("button", { name: /^10 × 15 cm/ }).click();
  await expect(cell(page, 1)).toHaveAccessibleName(/MS-621.jpg, 152\.4.×.101\.6/);
});

test("a measuring stick is laid to anything on the sheet, by pointer and by keys", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "MS-631.jpg", "#3a6ea5"));
  await page.getByRole("button", { name: "Measuring stick", exact: true }).click();
  // It comes out half the sheet wide: 152.4 / 2.
  const end = page.getByRole("button", { name: /^End of the measuring stick/ });
  await expect(end).toHaveAccessibleName(/, 76\.2\u00a0mm;/);
  await end.focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await page.keyboard.press("ArrowLeft");
  await expect(end).toHaveAccessibleName(/, 75\.1\u00a0mm;/);
  // Over a cell from edge to edge it shows the 35 mm that the cell is wide, to a pixel of the screen.
  const box = (await cell(page, 2).boundingBox())!;
  await page.mouse.move(box.x, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  const measured = Number(/, ([\d.]+)\u00a0mm;/.exec((await end.getAttribute("aria-label"))!)![1]);
  expect(Math.abs(measured - 35)).toBeLessThan(35 / box.width + 0.1);
  await page.getByRole("button", { name: "Measuring stick", exact: true }).click();
  await expect(end).toBeHidden();
});
