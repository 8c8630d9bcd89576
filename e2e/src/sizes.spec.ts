import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { flatPhoto } from "./photos.ts";
import { expect, faults, saved, startCopies, sum, test, type } from "./test.ts";

/** How wide the sheet is on the table, in CSS pixels. */
const sheetWidth = async (page: Page) =>
  (await page.getByRole("region", { name: "Table" }).getByRole("img").first().boundingBox())!.width;

const trueSize = async (page: Page) => {
  await saved(page);
  await page.keyboard.press("1");
};

const toSizes = async (page: Page) => {
  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  await page.getByRole("link", { name: "Sizes" }).click();
};

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("the screen shows true sizes once a card or a ruler was held to it; prices are in the printer’s money, lengths in the job’s unit", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "green.jpg", "#228844", 1400, 1800));
  const job = page.url();
  await trueSize(page);
  // 10 × 15 cm paper that lies: 152.4 mm at 96 CSS pixels an inch.
  await expect.poll(() => sheetWidth(page)).toBeCloseTo(576, 0);
  await toSizes(page);
  const frame = page.getByLabel("Width of the frame");
  // A card is 85.6 mm wide (ISO/IEC 7810); on this screen that takes 107 of what the browser takes for millimetres.
  await frame.fill("107");
  await page.goto(job);
  await trueSize(page);
  await expect.poll(() => sheetWidth(page)).toBeCloseTo(576 * (107 / 85.6), 0);
  await expect(page.getByText("100 %", { exact: true })).toBeVisible();
  await toSizes(page);
  await page.getByRole("button", { name: "As the screen says" }).click();
  // A ruler says 42.8 of the frame that should be 85.6: everything is half as large as it should be.
  await type(page, "Its width by a ruler", "42.8");
  await page.goto(job);
  await trueSize(page);
  await expect.poll(() => sheetWidth(page)).toBeCloseTo(1152, 0);

  // 4 × 6 in at 0.05 a sheet and 17 a square metre: 0.3132, and an eighth of it.
  await expect(sum(page, "about")).toContainText(/€0.31 a sheet, €0.039 a piece/);
  // The job’s unit is the job’s: what new jobs begin in stays, and is another page’s.
  await page.getByLabel("Units").selectOption("pt");
  await expect(sum(page, "left over")).toContainText("pt");
  await toSizes(page);
  await expect(page.getByLabel("New jobs begin in")).toHaveValue("mm");
  const lab = page.getByRole("listitem").filter({ hasText: "Lab, lustre" });
  await lab.getByRole("button", { name: "Change" }).click();
  await page.getByRole("combobox", { name: "In", exact: true }).selectOption("JPY");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(lab).toContainText("JP¥");
  await page.goto(job);
  // The job keeps what it was told of its printer, and its unit.
  await expect(sum(page, "about")).toContainText(/€0.31 a sheet/);
  await expect(page.getByLabel("Units")).toHaveValue("pt");
  expect(await faults(page)).toEqual([]);
});

test("printers go to another machine as a file, and come from one; what is none is said", async ({
  table: page,
  folder,
}) => {
  await page.getByRole("link", { name: "Sizes" }).click();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save them as a file" }).click(),
  ]);
  const path = join(folder, "printers.json");
  await file.saveAs(path);
  const kept = JSON.parse(readFileSync(path, "utf8")) as { printers: Record<string, unknown>[] };
  const [first] = kept.printers;
  // From the other machine: the first one under another name, and one that is not here.
  writeFileSync(
    path,
    JSON.stringify({
      ...kept,
      printers: [
        { ...first, name: "Lab round the corner" },
        { ...first, id: "hut", name: "Printer in the hut", bleed: 3000 },
      ],
    }),
  );
  // The list comes after the page.
  await expect(page.getByRole("button", { name: "Change" }).first()).toBeVisible();
  const before = await page.getByRole("button", { name: "Change" }).count();
  await page.getByLabel("Printers file").setInputFiles(path);
  await expect(page.getByText("Printer in the hut")).toBeVisible();
  await expect(page.getByText("Lab round the corner")).toBeVisible();
  await expect(page.getByRole("button", { name: "Change" })).toHaveCount(before + 1);

  for (const [text, why] of [
    ["{ not json", /printers/],
    [JSON.stringify({ ...kept, printers: [{ ...first, bleed: -5 }] }), /must be at least 0/],
    [JSON.stringify({ ...kept, version: 9 }), /version/],
  ] as const) {
    writeFileSync(path, text);
    await page.getByLabel("Printers file").setInputFiles(path);
    await expect(page.getByRole("status").getByText(why)).toBeVisible();
    await page.getByRole("button", { name: "Close" }).click();
  }
  await expect(page.getByRole("button", { name: "Change" })).toHaveCount(before + 1);
  const hut = page.getByRole("listitem").filter({ hasText: "Printer in the hut" });
  await hut.getByRole("button", { name: /Take out|Remove/ }).click();
  await expect(page.getByRole("button", { name: "Change" })).toHaveCount(before);
});
