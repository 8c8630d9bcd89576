import { flatPhoto } from "./photos.ts";
import { expect, faults, jobOf, measure, saved, startJob, test, write } from "./test.ts";

const POINTS_PER_UM = 72 / 25_400;

test("words and a table are moved on the sheet, by keys and by hand, and print where they were put", async ({
  table: page,
  folder,
  server,
}) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  await startJob(page, /Contact sheet/, await flatPhoto(folder, "a.jpg", "#c80000", 600, 400));
  await page.getByRole("radio", { name: "Finish" }).click();
  const cellTop = async () => (await page.locator("[data-cell]").first().boundingBox())!.y;

  await test.step("a price list across the foot: the frames make room, and taken back they do not", async () => {
    const before = await cellTop();
    await page.getByRole("button", { name: /^Tables and months/ }).click();
    await page.getByRole("button", { name: "A price list" }).click();
    await page.getByLabel(/across the foot of every sheet/).check();
    await expect.poll(cellTop).toBeLessThan(before - 3);
    await expect(page.getByRole("button", { name: /^Table “Prices”, .* across the foot$/ })).toBeVisible();
    expect(await faults(page)).toEqual([]);
    await page.getByRole("button", { name: /^Undo/ }).click();
    await expect.poll(cellTop).toBe(before);
    await page.getByRole("button", { name: /^Redo/ }).click();
    await expect.poll(cellTop).toBeLessThan(before - 3);
  });

  await test.step("a box of words goes by keys and by hand, each one step to undo", async () => {
    await page.getByRole("button", { name: "Back to the finish" }).click();
    await page.getByRole("button", { name: /^Words on the sheet/ }).click();
    await page.getByRole("button", { name: "A box of words" }).click();
    const words = page.getByRole("button", { name: /^Words “\[job\]”/ });
    await words.focus();
    const at = async () => (await jobOf(page)).texts.t1!;
    await saved(page);
    const first = await at();
    for (let press = 0; press < 20; press++) await page.keyboard.press("Shift+ArrowUp");
    // Twenty times five millimetres.
    await expect.poll(async () => (await at()).y).toBe(first.y - 100_000);
    const box = (await words.boundingBox())!;
    const pixelsPerUm = box.width / first.width;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.keyboard.down("Alt");
    await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2 + 30, { steps: 5 });
    await page.mouse.up();
    await page.keyboard.up("Alt");
    const moved = () => at().then(({ x, y }) => [x - first.x, y - (first.y - 100_000)]);
    const [right, down] = [40 / pixelsPerUm, 30 / pixelsPerUm].map(Math.round) as [number, number];
    await expect.poll(async () => Math.abs((await moved())[0]! - right)).toBeLessThan(2 / pixelsPerUm);
    expect(Math.abs((await moved())[1]! - down)).toBeLessThan(2 / pixelsPerUm);
    await page.getByRole("button", { name: /^Undo/ }).click();
    await expect.poll(moved).toEqual([0, 0]);
    await page.getByRole("button", { name: /^Redo/ }).click();
    await expect.poll(async () => (await moved())[0]).not.toBe(0);
    await page.keyboard.press("Escape");
  });

  await test.step("a reload keeps it, and the PDF has the words in the middle of their box", async () => {
    await saved(page);
    await page.reload();
    await expect(page.getByRole("link", { name: "Print or export" })).toBeVisible();
    const { x, y, width, height } = (await jobOf(page)).texts.t1!;
    const [path] = (await write(page, server, "PDF")) as [string];
    // pdftotext counts from the upper left, in points. The headline says the same words, further up.
    const found = [
      ...measure("pdftotext", "-bbox", path, "-").matchAll(
        /<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">(Contact|sheet)</g,
      ),
    ].map(
      ([, left, top, right, foot]) =>
        [left, top, right, foot].map(Number) as [number, number, number, number],
    );
    const own = found.filter(([, top, , foot]) => {
      const middle = (top + foot) / 2;
      return Math.abs(middle - (y + height / 2) * POINTS_PER_UM) < 4;
    });
    expect(own).toHaveLength(2);
    const middle =
      (Math.min(...own.map(([left]) => left)) + Math.max(...own.map(([, , right]) => right))) / 2;
    expect(Math.abs(middle - (x + width / 2) * POINTS_PER_UM)).toBeLessThan(1);
    expect(measure("pdftotext", path, "-")).toContain("10 × 15 cm");
  });

  await test.step("Delete takes the table out", async () => {
    await page
      .getByRole("link", { name: /^Contact sheet$/ })
      .first()
      .click();
    await page.getByRole("radio", { name: "Move cells" }).click();
    await page.getByRole("button", { name: /^Table “Prices”/ }).focus();
    await page.keyboard.press("Delete");
    await expect(page.getByRole("button", { name: /^Table “Prices”/ })).toHaveCount(0);
    expect(Object.keys((await jobOf(page)).texts)).toEqual(["t1"]);
  });
});
