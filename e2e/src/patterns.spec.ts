import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { flatPhoto } from "./photos.ts";
import { cell, cells, expect, part, saved, startCopies, startJob, sum, test, ticket, type } from "./test.ts";

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("a layout is kept as a pattern, and the next client's job starts from it", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "MS-701.jpg", "#c83232"));
  await part(page, "Gap between pieces").click();
  await type(page, "Apart", "4");
  await page.keyboard.press("Escape");
  await cell(page, 2).click();
  await type(page, "From the top", "1");
  await page.getByRole("button", { name: "Keep as pattern" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Eight badges");
  await page.getByLabel("Folder, if you like").fill("Ringers");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("“Eight badges” is in the pattern book.")).toBeVisible();
  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  await page.getByRole("link", { name: "Pattern book" }).click();
  await expect(page.getByRole("region", { name: "Ringers" })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save Eight badges as a file" }).click(),
  ]);
  const file = join(folder, "eight.pattern.json");
  await download.saveAs(file);
  await page.getByRole("region", { name: "Ringers" }).getByRole("button", { name: "Start a job" }).click();
  await expect(page.getByText("0 in this job")).toBeVisible();
  expect(await ticket(page)).toContain("4 mm apart");
  await cell(page, 2).click();
  await expect(page.getByRole("textbox", { name: "From the top", exact: true })).toHaveValue("1");

  await test.step("a pattern of a newer version is refused with a sentence, and nothing is lost", async () => {
    const newer = { ...JSON.parse(readFileSync(file, "utf8")), version: 99 };
    writeFileSync(join(folder, "newer.pattern.json"), JSON.stringify(newer));
    writeFileSync(join(folder, "none.pattern.json"), "no pattern at all");
    await page.getByRole("link", { name: "Jobs", exact: true }).click();
    await page.getByRole("link", { name: "Pattern book" }).click();
    await page.getByLabel("Pattern file").setInputFiles(join(folder, "newer.pattern.json"));
    await expect(page.getByText(/saved by a newer Wide Quilt \(version 99.*Update Wide Quilt/)).toBeVisible();
    await page.getByLabel("Pattern file").setInputFiles(join(folder, "none.pattern.json"));
    await expect(page.getByText(/is not a pattern file: it is not JSON/)).toBeVisible();
    await expect(page.getByRole("heading", { name: "Eight badges" })).toHaveCount(1);
    await page.getByLabel("Pattern file").setInputFiles(file);
    await expect(page.getByRole("heading", { name: "Eight badges" })).toHaveCount(2);
  });
});

test("what cannot be made gets a sentence, and nothing else is lost", async ({ table: page, folder }) => {
  await startJob(page, /Mixed sizes/, await flatPhoto(folder, "MS-711.jpg", "#32a03c"));
  const before = await ticket(page);
  await part(page, "Sizes and numbers").click();
  await page.getByRole("textbox", { name: "How many", exact: true }).first().fill("10000");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "At most 1000." })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toBe(before);

  await part(page, "Margins").click();
  await type(page, "Left", "150mm");
  await type(page, "Right", "150mm");
  await page.keyboard.press("Escape");
  await expect(page.getByText(/6 pieces fit on none of the papers inside these margins/)).toBeVisible();
  for (let side = 0; side < 2; side++) {
    const answer = page.waitForResponse((response) => response.url().endsWith("/undo") && response.ok());
    await page.keyboard.press("Control+z");
    await answer;
  }
  await expect(sum(page, "sheets")).toContainText(/^\d/);

  await part(page, "Sizes and numbers").click();
  await page.getByRole("textbox", { name: "Width", exact: true }).first().fill("500mm");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(page.getByText(/2 pieces fit on none of the papers/)).toBeVisible();
  await saved(page);
});

test("the cut plan stands on a page of its own, and as a table", async ({ table: page, folder }) => {
  await startCopies(page, await flatPhoto(folder, "MS-721.jpg", "#3246c8"));
  await expect(sum(page, "cuts")).toHaveText("10");
  await page.getByRole("link", { name: "Print or export" }).click();
  await page.getByRole("link", { name: "Cut plan" }).click();
  await expect(
    page.getByText(/^10 passes of the knife with equal pieces stacked, 6 at most, the stop set 6 times/),
  ).toBeVisible();
  await expect(page.getByRole("row")).toHaveCount(11);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save as CSV" }).click(),
  ]);
  const csv = join(folder, "cuts.csv");
  await download.saveAs(csv);
  const lines = readFileSync(csv, "utf8").trim().split("\r\n");
  expect(lines).toHaveLength(11);
  expect(lines[1]).toMatch(/^1,1,152\.4,101\.6,(top|bottom|left|right),/);

  await test.step("cells in the way are named, and the nearest layout that can be cut is offered", async () => {
    await page.getByRole("link", { name: "Press", exact: true }).click();
    await page.getByRole("link", { name: "Back to the table" }).click();
    await cell(page, 2).click();
    await type(page, "From the left", "60");
    await expect(sum(page, "cuts")).toHaveText("not possible");
    await page.goto(`${page.url()}/cuts`);
    await expect(page.getByText(/^Cells 2, 3 stand in the way/)).toBeVisible();
    await page.getByRole("button", { name: "Take the nearest layout that can be cut" }).click();
    await expect(page.getByText(/passes of the knife/)).toBeVisible();
  });
  await page.goto(page.url().replace(/\/cuts$/, ""));
  await expect(cells(page)).toHaveCount(8);
});
