import { readFileSync } from "node:fs";
import { cameraPhoto } from "./photos.ts";
import { cell, expect, part, saved, startCopies, test } from "./test.ts";

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("photos can be dropped on the page, dragged to a cell, searched and taken out", async ({
  table: page,
  folder,
}) => {
  await startCopies(page);
  const names = ["dune.jpg", "gull.jpg", "hide.jpg", "marsh.jpg", "tower.jpg"];
  const files = await Promise.all(
    names.map(async (name, i) => {
      const path = await cameraPhoto(folder, name, 900 + i * 30, 1200);
      return { name, base64: readFileSync(path).toString("base64") };
    }),
  );
  await page.evaluate((dropped) => {
    const data = new DataTransfer();
    for (const { name, base64 } of dropped) {
      const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
      data.items.add(new File([bytes], name, { type: "image/jpeg" }));
    }
    const table = document.querySelector("section[aria-label='Table']")!;
    for (const type of ["dragover", "drop"]) {
      table.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }));
    }
  }, files);
  await expect(page.getByText("5 in this job")).toBeVisible();
  await saved(page);

  await page.getByRole("button", { name: /^gull.jpg/ }).dragTo(cell(page, 5));
  await expect(cell(page, 5)).toHaveAccessibleName(/gull.jpg/);
  await expect(page.getByText("of 8, its own photo")).toBeVisible();
  await page.getByRole("button", { name: "Back to computed" }).click();
  await expect(cell(page, 5)).toHaveAccessibleName(
    await cell(page, 1)
      .getAttribute("aria-label")
      .then((label) => new RegExp(label!.split(": ")[1]!)),
  );

  await page.getByLabel("Search photos by name").fill("tow");
  await expect(page.getByRole("button", { name: /, in \d+ cells?$/ })).toHaveCount(1);
  await page.getByLabel("Search photos by name").fill("penguin");
  await expect(page.getByText("No photo has “penguin” in its name.")).toBeVisible();
  await page.getByLabel("Search photos by name").fill("");
  await page.getByRole("button", { name: /^marsh.jpg/ }).focus();
  await page.keyboard.press("Delete");
  await expect(page.getByText("4 in this job")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByText("5 in this job")).toBeVisible();
});

test("the cell's card sets how a photo sits, and a free photo leaves paper bare", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await cameraPhoto(folder, "lying.jpg", 1600, 900));
  await expect(page.getByText(/The crop takes away 56 % of lying.jpg/)).toBeVisible();
  await cell(page, 1).click();
  await page.getByLabel("where it helps").check();
  // Turned, 9 : 16 fills 7 : 9 with 72.3 % of it.
  await expect(page.getByText("28\u00a0%", { exact: true })).toBeVisible();
  await page.getByRole("radio", { name: "Whole photo" }).click();
  await expect(page.getByText("Nothing is cropped")).toBeVisible();
  await page.getByRole("radio", { name: "Free" }).click();
  await page.getByRole("slider").fill("50");
  await expect(page.getByText("50\u00a0%", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Back to computed" }).click();
  await part(page, "Marks to cut by").click();
  await page.getByRole("radio", { name: "Full lines" }).click();
  await page.keyboard.press("Escape");
  await saved(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(part(page, "Marks to cut by")).toHaveText("corner ticks");
});
