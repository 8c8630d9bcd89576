import { cameraPhoto } from "./photos.ts";
import { cell, cells, expect, part, saved, startCopies, sum, test, ticket } from "./test.ts";

test("every part of the ticket can be changed right there, typed with units and sums", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await cameraPhoto(folder, "MS-301.jpg", 2100, 2700));
  const type = async (label: string, text: string) => {
    await page.getByRole("textbox", { name: label, exact: true }).fill(text);
    await page.keyboard.press("Enter");
  };

  await part(page, "Finished size").click();
  await page.getByRole("radio", { name: /^50 × 70 mm/ }).click();
  await type("Width", "2 in");
  await type("Height", "210mm/3 - 2mm");
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("at 50.8 × 68 mm on");

  await part(page, "Gap between pieces").click();
  await type("Apart", "1/8 in");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("3/16 in apart"); // 1/8 in and a step of 1/16: it stays in the unit that it is round in

  await part(page, "Paper").click();
  await page.getByPlaceholder("Search: A4").fill("letter");
  await page.getByRole("radio", { name: /^Letter/ }).click();
  await page.keyboard.press("Escape");
  // Upright (215.9 + 4.175)/54.975 = 4.0 by (279.4 + 4.175)/72.175 = 3.9: 12. On its side 5.2 by 3.05: 15.
  await expect(sum(page, "fits")).toHaveText("5 × 3 = 15");
  await expect(sum(page, "file")).toHaveText("3300 × 2550 px"); // 11 × 8.5 in at 300 ppi

  await part(page, "How the paper lies").click();
  await page.getByRole("radio", { name: /^Upright/ }).click();
  await page.keyboard.press("Escape");
  await expect(sum(page, "file")).toHaveText("2550 × 3300 px");

  await part(page, "Margins").click();
  await type("Top", "10");
  await type("Left", "1.5cm");
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("inside uneven margins");
  await part(page, "Margins").click();
  await page.getByRole("button", { name: "Even the margins" }).click();
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("inside 15 mm margins");

  await part(page, "Place on the sheet").click();
  await page.getByRole("radio", { name: "In the top left corner" }).click();
  await page.keyboard.press("Escape");
  await cell(page, 1).click();
  await expect(page.getByRole("textbox", { name: "From the left", exact: true })).toHaveValue("15");
  await expect(page.getByRole("textbox", { name: "From the top", exact: true })).toHaveValue("15");

  await part(page, "Slack, bleed and safe zone").click();
  await type("Slack", "1");
  await page.keyboard.press("Escape");
  await part(page, "Where it is made").click();
  await page.getByRole("radio", { name: /^Inkjet, glossy/ }).click();
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("1 mm of slack, finished plainly, for Inkjet, glossy at 360 ppi");

  await part(page, "Pixels per inch").click();
  await page.getByRole("textbox", { name: "Pixels per inch", exact: true }).fill("600");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(sum(page, "file")).toHaveText("5100 × 6600 px");
  await saved(page);
});

test("takes no figure that makes no sense, and says why", async ({ table: page }) => {
  await startCopies(page);
  const before = await ticket(page);
  await part(page, "Finished size").click();
  const width = page.getByLabel("Width", { exact: true });
  for (const [typed, why] of [
    ["0", "At least 3\u00a0mm."],
    ["-35mm", "At least 3\u00a0mm."],
    ["99999999", "At most 3000\u00a0mm."],
    ["35 furlong", "“furlong” is not a unit here."],
    ["35mm * 2mm", "an area"],
    ["", "There is no figure here."],
  ] as const) {
    await width.fill(typed);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("alert").filter({ hasText: why })).toBeVisible();
  }
  await width.fill("35");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toBe(before);
});

test("says what to do when a piece is larger than the paper, and mends it", async ({ table: page }) => {
  await startCopies(page);
  await part(page, "Finished size").click();
  await page.getByLabel("Width", { exact: true }).fill("200mm");
  await page.keyboard.press("Enter");
  await page.getByLabel("Height", { exact: true }).fill("280mm");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(page.getByText(/Not one piece of 200.*fits on 10 × 15 cm paper/)).toBeVisible();
  await expect(cells(page)).toHaveCount(0);
  await page.getByRole("button", { name: "Take 20 × 30 cm paper" }).click();
  await expect(cells(page)).toHaveCount(1);
  expect(await ticket(page)).toContain("on 20 × 30 cm paper");
});

test("measures on the drawing can be typed into, and sheets turned", async ({ table: page, folder }) => {
  await startCopies(page, await cameraPhoto(folder, "MS-302.jpg", 900, 1200));
  await cell(page, 2).click();
  await page.getByRole("button", { name: /^Width 35.0 mm/ }).click();
  await page.getByRole("textbox", { name: "Width", exact: true }).fill("30");
  await page.keyboard.press("Enter");
  expect(await ticket(page)).toContain("at 30 × 45 mm");
  await cell(page, 2).click();
  await page.getByRole("button", { name: /^To the next cell 2.0 mm/ }).click();
  await page.getByRole("textbox", { name: "To the next cell" }).fill("3mm");
  await page.keyboard.press("Enter");
  expect(await ticket(page)).toContain("3 mm apart");
  await part(page, "How many").click();
  await page.getByRole("radio", { name: /Just this many/ }).click();
  await page.getByLabel("Copies").fill("20");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(sum(page, "sheets")).toHaveText("3");
  await page.getByLabel("Table").click({ position: { x: 10, y: 10 } });
  await page.keyboard.press("]");
  await page.keyboard.press("]");
  await expect(page.getByText("Sheet 3 of 3")).toBeVisible();
  // Upright (101.6 + 3)/33 = 3.2 by (152.4 + 3)/48 = 3.2: 9 a sheet, so 9, 9 and 2.
  await expect(cells(page)).toHaveCount(2);
});
