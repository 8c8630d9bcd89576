import { flatPhoto } from "./photos.ts";
import { cell, cells, expect, jobOf, part, saved, startJob, sum, test } from "./test.ts";

test("what was set by hand stays with its photo when others go, and a sheet taken out is its photos", async ({
  table: page,
  folder,
}) => {
  const files: string[] = [];
  for (let i = 1; i <= 30; i++) {
    const shade = (60 + i * 5).toString(16);
    files.push(await flatPhoto(folder, `n${String(i).padStart(2, "0")}.jpg`, `#${shade}${shade}40`));
  }
  await startJob(page, /Contact sheet/, ...files);
  await expect(cells(page)).toHaveCount(30, { timeout: 60_000 });

  await test.step("the eleventh is put elsewhere by hand, and stays when the first is removed", async () => {
    await cell(page, 11).click();
    await page
      .getByRole("textbox", { name: "From the left" })
      .or(page.getByLabel("Left", { exact: true }))
      .first()
      .fill("100");
    await page.keyboard.press("Enter");
    await saved(page);
    const before = (await jobOf(page)).cells;
    expect(Object.keys(before)).toEqual(["p11"]);
    await page.getByRole("button", { name: /^n01.jpg/ }).click();
    await page.getByRole("region", { name: "Chosen photos" }).getByRole("button", { name: "Remove" }).click();
    await expect(cells(page)).toHaveCount(29);
    await saved(page);
    expect((await jobOf(page)).cells).toEqual(before);
    await expect(page.getByRole("option", { name: /n11\.jpg/ })).toHaveCount(1);
    await expect(page.getByRole("option", { name: /n12\.jpg/ })).toHaveCount(1);
    await page.getByRole("button", { name: /^Undo/ }).click();
    await expect(cells(page)).toHaveCount(30);
    await page.getByRole("button", { name: /^Undo/ }).click();
    await saved(page);
    expect((await jobOf(page)).cells).toEqual({});
  });

  await test.step("the second of three sheets is taken out: its ten photos, not its place", async () => {
    await part(page, "How the sheet is divided").click();
    await page.getByRole("textbox", { name: "Rows" }).fill("2");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Escape");
    await expect(sum(page, "sheets")).toHaveText("3");
    await page.getByRole("button", { name: /^Sheets/ }).click();
    await page.getByRole("button", { name: "Remove sheet 2" }).click();
    await page.keyboard.press("Escape");
    await expect(sum(page, "sheets")).toHaveText("2");
    await part(page, "How the sheet is divided").click();
    await page.getByRole("textbox", { name: "Rows" }).fill("3");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Escape");
    await expect(sum(page, "sheets")).toHaveText("2");
    await expect(page.getByText(/and 7 more photos are on no sheet/)).toBeVisible();
  });
});
