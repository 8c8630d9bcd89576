import sharp from "sharp";
import { flatPhoto } from "./photos.ts";
import { expect, faults, measure, part, saved, startJob, sum, test, ticket, write } from "./test.ts";

test("a page of 13 × 18 cm twice on A4, written as PDF and JPEG, and freed by its cut plan", async ({
  table: page,
  folder,
  server,
}) => {
  await startJob(page, /One per sheet/, await flatPhoto(folder, "red.jpg", "#c80000", 1600, 2400));
  await part(page, "Pages to a sheet").click();
  await page.getByRole("radio", { name: /^Several to a sheet/ }).click();
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await expect.poll(() => ticket(page)).toContain("the same page two times to a sheet of A4, cut apart");
  await expect(sum(page, "sheets")).toHaveText("1");
  await page.getByRole("radio", { name: "As printed" }).click();
  await expect(page.getByRole("img", { name: "Sheet 1 of 1 as it is printed" })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await saved(page);

  await test.step("as JPEG: two red pictures of 11.8 cm less border, where the ruler has them", async () => {
    const [path] = (await write(page, server, "JPEG")) as [string];
    expect(measure("identify", "-format", "%w %h", path)).toBe("2480 3508");
    const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const isRed = (x: number, y: number) => {
      const at = (y * info.width + x) * 3;
      return data[at]! > 150 && data[at + 1]! < 90;
    };
    const runs: [number, number][] = [];
    for (let y = 1, from = -1; y < info.height; y++) {
      if (isRed(1240, y) && from < 0) from = y;
      if (!isRed(1240, y) && from >= 0) {
        runs.push([from, y]);
        from = -1;
      }
    }
    // 13 × 18 cm is 127 × 177.8 mm; on its side, twice 127 and 4 between: (297 − 258) / 2 = 19.5 from the top. The border
    // of 6 mm leaves 115.
    const px = (mm: number) => (mm * 300) / 25.4;
    expect(runs).toHaveLength(2);
    for (const [i, [from, to]] of runs.entries()) {
      expect(Math.abs(from - px(19.5 + 6 + i * 131))).toBeLessThanOrEqual(1);
      expect(Math.abs(to - px(19.5 + 121 + i * 131))).toBeLessThanOrEqual(1);
    }
  });

  await test.step("as PDF: one page of A4", async () => {
    const [path] = (await write(page, server, "PDF")) as [string];
    expect(measure("pdfinfo", path)).toMatch(/Pages:\s+1\n[\s\S]*Page size:\s+595\.\d+ x 841\.\d+ pts/);
  });

  await test.step("the cut plan frees both", async () => {
    await page.getByRole("link", { name: "Cut plan" }).click();
    await expect(page.getByRole("heading", { name: "Cut plan" })).toBeVisible();
    await expect(page.getByLabel("Only cut the finished sheet out, not its cells")).toHaveCount(0);
    // The last cut parts two pieces of 127 mm, or frees both of a stack.
    await expect(
      page
        .getByRole("row")
        .filter({ hasText: /127\s?mm/ })
        .first(),
    ).toBeVisible();
  });
});

test("sixteen cards on two sheets of A4 so that cut stacks lie in order, undone and reloaded on the way", async ({
  table: page,
  folder,
  server,
}) => {
  // Each card is a grey of its own, so that the written sheets say which lies where.
  const files: string[] = [];
  for (let i = 0; i < 16; i++) {
    const shade = (20 + i * 14).toString(16).padStart(2, "0");
    files.push(
      await flatPhoto(
        folder,
        `c${String(i + 1).padStart(2, "0")}.jpg`,
        `#${shade}${shade}${shade}`,
        850,
        550,
      ),
    );
  }
  await startJob(page, /One per sheet/, ...files);
  await part(page, "Paper").click();
  await page.getByRole("textbox", { name: "Width" }).first().fill("85");
  await page.keyboard.press("Enter");
  await page.getByRole("textbox", { name: "Height" }).first().fill("55");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await part(page, "Pages to a sheet").click();
  await page.getByRole("radio", { name: /^Several to a sheet/ }).click();
  await page.getByRole("radio", { name: /^So that cut stacks/ }).click();
  await page.getByRole("checkbox", { name: "Pages may lie on their side" }).uncheck();
  await page.keyboard.press("Escape");
  await expect(sum(page, "pages")).toHaveText("16");
  await expect(sum(page, "sheets")).toHaveText("2");
  await test.step("nothing of the foot is cut off at 1024 × 700", async () => {
    await page.setViewportSize({ width: 1024, height: 700 });
    const units = (await page.getByLabel("Units").boundingBox())!;
    expect(units.x + units.width).toBeLessThanOrEqual(1024);
    await page.setViewportSize({ width: 1280, height: 800 });
  });
  // First that pages may not turn, then the order of stacks: repeated, each page has a sheet of its own.
  for (let i = 0; i < 2; i++) await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(sum(page, "sheets")).toHaveText("16");
  for (let i = 0; i < 2; i++) await page.getByRole("button", { name: /^Redo/ }).click();
  await expect(sum(page, "sheets")).toHaveText("2");
  await saved(page);
  await page.reload();
  await expect(sum(page, "sheets")).toHaveText("2");
  const sheets = await write(page, server, "PNG");
  expect(sheets).toHaveLength(2);
  const greys: number[][] = [];
  for (const path of sheets) {
    const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    // Two across and four down of ten places are taken; their middles, from 2 × 85 + 4 and 5 × 55 + 16 on A4.
    const at = (column: number, row: number) => {
      const x = Math.round((((210 - 174) / 2 + 42.5 + column * 89) * 300) / 25.4);
      const y = Math.round((((297 - 291) / 2 + 27.5 + row * 59) * 300) / 25.4);
      return data[(y * info.width + x) * 3]!;
    };
    greys.push([0, 1, 2, 3].flatMap((row) => [at(0, row), at(1, row)]));
  }
  // Cut through the pile: each place is a stack, the first sheet on top; laid one on the other they go from dark to light.
  const stacked = [0, 1, 2, 3, 4, 5, 6, 7].flatMap((place) => greys.map((sheet) => sheet[place]!));
  stacked.forEach((grey, i) => expect(Math.abs(grey - (20 + i * 14))).toBeLessThanOrEqual(3));
});
