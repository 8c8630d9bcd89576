import { flatPhoto } from "./photos.ts";
import { cell, cells, expect, faults, part, saved, startCopies, sum, test, ticket } from "./test.ts";

test("the point under the pointer stays there while the sheet is made larger and smaller; the table is moved by hand", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "green.jpg", "#228844", 1400, 1800));
  /** Where a point of a cell, in shares of it, is in the window. */
  const point = async (number: number, x: number, y: number) => {
    const box = (await cell(page, number).boundingBox())!;
    return { x: box.x + x * box.width, y: box.y + y * box.height, width: box.width };
  };
  for (const [number, across, down] of [
    [1, 0.2, 0.3],
    [8, 0.9, 0.7],
  ] as const) {
    // Pointers stand on whole pixels.
    const about = await point(number, across, down);
    const before = { x: Math.round(about.x), y: Math.round(about.y) };
    const box = (await cell(page, number).boundingBox())!;
    const [x, y] = [(before.x - box.x) / box.width, (before.y - box.y) / box.height];
    await page.mouse.move(before.x, before.y);
    await page.keyboard.down("Control");
    for (const turn of [-300, -300, -500, 200, -400, 500]) {
      const { width } = await point(number, x, y);
      await page.mouse.wheel(0, turn);
      await expect.poll(async () => (await point(number, x, y)).width).not.toBe(width);
      const after = await point(number, x, y);
      expect(Math.abs(after.x - before.x)).toBeLessThanOrEqual(1);
      expect(Math.abs(after.y - before.y)).toBeLessThanOrEqual(1);
    }
    await page.keyboard.up("Control");
    await page.getByRole("button", { name: "Fit", exact: true }).click();
  }

  // With the keys it is the middle of the table that stays.
  const table = (await page.getByRole("region", { name: "Table" }).boundingBox())!;
  const middle = { x: table.x + table.width / 2, y: table.y + table.height / 2 };
  const share = async () => {
    const box = (await cells(page).first().boundingBox())!;
    return [(middle.x - box.x) / box.width, (middle.y - box.y) / box.height];
  };
  await page.getByRole("button", { name: "True size" }).click();
  const [x1, y1] = await share();
  await page.keyboard.press("+");
  await page.keyboard.press("+");
  const [x2, y2] = await share();
  expect(Math.abs(x2! - x1!)).toBeLessThan(0.02);
  expect(Math.abs(y2! - y1!)).toBeLessThan(0.02);

  // A press on a cell, which the space bar is then held over.
  await cell(page, 1).click();
  for (const [down, up, button] of [
    [async () => undefined, async () => undefined, "middle"],
    [() => page.keyboard.down("Space"), () => page.keyboard.up("Space"), "left"],
  ] as const) {
    const before = await point(3, 0.5, 0.5);
    await page.mouse.move(middle.x, middle.y);
    await down();
    await page.mouse.down({ button });
    await page.mouse.move(middle.x - 70, middle.y + 40, { steps: 3 });
    await page.mouse.up({ button });
    await up();
    const after = await point(3, 0.5, 0.5);
    expect(Math.abs(after.x - before.x + 70)).toBeLessThanOrEqual(1);
    expect(Math.abs(after.y - before.y - 40)).toBeLessThanOrEqual(1);
  }
  // Neither of them chose or moved anything.
  await expect(page.getByRole("button", { name: /^Undo/ })).toHaveAttribute("title", /adding photos/);
  expect(await faults(page)).toEqual([]);
});

test("each photo of the job so many times at one size, on as many sheets as it takes", async ({
  table: page,
  folder,
}) => {
  const photos = [1, 2, 3, 4, 5].map((n) => flatPhoto(folder, `MS-20${n}.jpg`, `#22${n}844`, 900, 1200));
  await startCopies(page, ...(await Promise.all(photos)));
  await expect(page.getByText(/and 1 more photo are on no sheet|are on no sheet/)).toBeVisible();
  await page.getByRole("button", { name: "Print each photo" }).click();
  await expect(sum(page, "sheets")).toHaveText("5");
  await part(page, "How many").first().click();
  await page.getByRole("radio", { name: /Just this many/ }).click();
  await page.getByRole("textbox", { name: "Copies" }).fill("2");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("Put 2 copies of each photo at 35 × 45 mm");
  // Ten pieces, eight to a sheet.
  await expect(sum(page, "sheets")).toHaveText("2");
  await expect(cell(page, 1)).toHaveAccessibleName(/MS-201.jpg/);
  await expect(cell(page, 8)).toHaveAccessibleName(/MS-204.jpg/);
  await saved(page);
  expect(await faults(page)).toEqual([]);
});

test("the keyboard goes into every editor of the finish and comes back to where it was; none has a fault for anybody", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "green.jpg", "#228844", 1400, 1800));
  await page.getByText("Finish", { exact: true }).click();
  const rows = [
    "Style",
    "Border",
    "Mat",
    "Words",
    "Look",
    "Sharpening",
    "Sheet colour",
    "Graphics",
    "Words on the sheet",
  ];
  const pane = page.getByRole("region", { name: "Finish" });
  for (const title of rows) {
    const row = pane.getByRole("button", { name: new RegExp(`^${title}(?! on)`) }).first();
    await row.focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { name: title, exact: true })).toBeVisible();
    await expect(page.getByRole("button", { name: "Back to the finish" })).toBeFocused();
    expect(await faults(page)).toEqual([]);
    await page.keyboard.press("Enter");
    await expect(row).toBeFocused();
  }
});

test("an open panel of the ticket leaves the sheet that it changes in sight", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "green.jpg", "#228844", 1400, 1800));
  const box = async (of: ReturnType<typeof cells>) => (await of.boundingBox())!;
  const before = await box(cell(page, 1));
  for (const title of [
    "How many",
    "Finished size",
    "Paper",
    "How the paper lies",
    "Gap between pieces",
    "Margins",
    "Pixels per inch",
  ]) {
    await part(page, title).first().click();
    const panel = await box(page.getByRole("dialog"));
    await expect
      .poll(async () => {
        const all = await cells(page).evaluateAll((those) =>
          those.map((one) => one.getBoundingClientRect()).map(({ left, right }) => ({ left, right })),
        );
        return all.filter(({ left, right }) => left < panel.x + panel.width && right > panel.x).length;
      })
      .toBe(0);
    await page.keyboard.press("Escape");
    await expect.poll(async () => (await box(cell(page, 1))).width).toBeCloseTo(before.width, 1);
  }
});
