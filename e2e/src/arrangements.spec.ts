import sharp from "sharp";
import { bands, cameraPhoto, flatPhoto, off, pixel, QUARTERS, shares } from "./photos.ts";
import { cell, cells, expect, part, saved, startJob, sum, test, ticket, type, writePng } from "./test.ts";

/** Millimetres to pixels at 300 ppi. */
const px = (mm: number) => (mm * 300) / 25.4;

/** Every found edge is where it should be, to half a pixel. */
function expectEdges(found: readonly [number, number][], exact: readonly (readonly [number, number])[]) {
  expect(found).toHaveLength(exact.length);
  found.forEach(([from, to], i) => {
    expect(Math.abs(from - px(exact[i]![0]))).toBeLessThanOrEqual(0.5);
    expect(Math.abs(to - px(exact[i]![1]))).toBeLessThanOrEqual(0.5);
  });
}

test("a mixed set on two papers, the smaller one where it is enough", async ({
  table: page,
  folder,
  server,
}) => {
  await startJob(page, /Mixed sizes/, await cameraPhoto(folder, "MS-501.jpg", 1200, 1800));
  await part(page, "Sizes and numbers").click();
  await page.getByRole("button", { name: "Remove line 2" }).click();
  await type(page, "How many", "4");
  await page.keyboard.press("Escape");
  await part(page, "Papers").click();
  await page.getByLabel("Also").selectOption({ label: "10 × 15 cm (4 × 6 in)" });
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain(
    "Put 4 at 101.6 × 152.4 mm on as few sheets as possible of A4 or 10 × 15 cm paper, 2 mm apart and centred inside no margins, to be freed by straight cuts",
  );
  // A4 holds three: two upright, 205.2 mm wide, and one turned below, 152.4 + 2 + 101.6 = 256 mm high. The fourth is
  // 10 × 15 cm paper itself.
  await expect(sum(page, "sheets")).toContainText(/^2/);
  await part(page, "Marks to cut by").click();
  await page.getByRole("radio", { name: "None" }).click();
  await page.keyboard.press("Escape");
  const files = await writePng(page, server);
  expect(files).toHaveLength(2);
  expect(await sharp(files[0]).metadata()).toMatchObject({ width: 2480, height: 3508, density: 300 });
  expect(await sharp(files[1]).metadata()).toMatchObject({ width: 1200, height: 1800 });
  // Centred: 20.5 mm at either end, 2.4 mm beside the two. Which of the two rows is above is left to the packing.
  const rows = await Promise.all([40, 257].map((mm) => bands(files[0]!, "row", px(mm))));
  const [one, two] = rows.sort((a, b) => a.length - b.length);
  expectEdges(two!, [
    [2.4, 104],
    [106, 207.6],
  ]);
  expect(one).toHaveLength(1);
  expect(Math.abs(one![0]![1] - one![0]![0] - px(152.4))).toBeLessThanOrEqual(1);
  expectEdges(await bands(files[1]!, "row", 900), [[0, 101.6]]);
});

test("a nine-photo collage by sizes solved backwards", async ({ table: page, folder, server }) => {
  const photos = await Promise.all(
    Array.from({ length: 9 }, (_, i) => cameraPhoto(folder, `MS-52${i}.jpg`, 900 + i, 700)),
  );
  await startJob(page, /Collage/, ...photos);
  await part(page, "How the paper lies").click();
  await page.getByRole("radio", { name: "Upright" }).click();
  await page.keyboard.press("Escape");
  await part(page, "How the sheet is divided").click();
  await page.getByRole("radio", { name: /^Rows by counts/ }).click();
  await page.getByRole("button", { name: "Add a row" }).click();
  await page.keyboard.press("Escape");
  await part(page, "Gap between pieces").click();
  await type(page, "Apart", "3mm");
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("four rows of 2, 3, 2, 2 cells, 3 mm apart with a border of 5 mm");
  await expect(cells(page)).toHaveCount(9);
  const [file] = await writePng(page, server);
  expect(await sharp(file).metadata()).toMatchObject({ width: 2400, height: 3600 });
  // Rows (304.8 − 10 − 9)/4 = 71.45 mm high; two in a row (203.2 − 10 − 3)/2 = 95.1 wide, three 62.4 wide.
  const rows = [0, 1, 2, 3].map((i) => [5 + i * 74.45, 76.45 + i * 74.45] as const);
  expectEdges(await bands(file!, "column", 300), rows);
  const two = [
    [5, 100.1],
    [103.1, 198.2],
  ] as const;
  const three = [0, 1, 2].map((i) => [5 + i * 65.4, 67.4 + i * 65.4] as const);
  for (const [row, wanted] of [two, three, two, two].entries()) {
    expectEdges(await bands(file!, "row", px(rows[row]![0] + 20)), wanted);
  }
});

test("nine photos that fill a sheet with nothing cropped, and one of them larger", async ({
  table: page,
  folder,
  server,
}) => {
  const sizes = [
    [900, 600],
    [600, 900],
    [800, 600],
    [900, 601],
    [600, 800],
    [901, 600],
    [700, 700],
    [601, 900],
    [902, 600],
  ] as const;
  const photos = await Promise.all(sizes.map(([w, h], i) => cameraPhoto(folder, `MS-53${i}.jpg`, w, h)));
  await startJob(page, /Collage/, ...photos);
  expect(await ticket(page)).toContain("with 9 photos, nothing cropped, 2 mm apart");
  await part(page, "How the sheet is divided").click();
  const proposals = page.getByRole("list", { name: "Proposals" }).getByRole("button");
  await expect(proposals.nth(3)).toHaveAccessibleName(/crops/);
  // The proposal that crops least of those shown.
  const crops = await Promise.all(
    [0, 1, 2, 3].map(
      async (i) =>
        parseFloat((await proposals.nth(i).locator("xpath=../p").innerText()).replace(/\D*/, "")) || 0,
    ),
  );
  await proposals.nth(crops.indexOf(Math.min(...crops))).click();
  await page.keyboard.press("Escape");
  await expect(sum(page, "cropped")).toHaveText(/nothing|0\.[0-3]/);
  const [file] = await writePng(page, server);
  // Each photo is four equal quarters: with nothing cropped each colour covers a quarter of the printed area.
  const counts = await shares(file!, Object.values(QUARTERS));
  const all = counts.reduce((a, b) => a + b, 0);
  for (const count of counts) expect(Math.abs(count / all - 0.25)).toBeLessThan(0.004);
  // Nine cells, whatever their division, and 2 mm between: the bare part is the border and the gaps.
  const { width, height } = await sharp(file).metadata();
  const border = 1 - ((width - 2 * px(5)) * (height - 2 * px(5))) / (width * height);
  expect(1 - all / (width * height)).toBeGreaterThan(border);
  expect(1 - all / (width * height)).toBeLessThan(border + 0.06);
});

test("a pair of equal strips by shot numbers", async ({ table: page, folder, server }) => {
  const colours = ["#c83232", "#32a03c", "#3246c8", "#d2be28"];
  const photos = await Promise.all(colours.map((colour, i) => flatPhoto(folder, `MS-54${i}.jpg`, colour)));
  await startJob(page, /Collage/, ...photos);
  await part(page, "Paper").click();
  await page.getByRole("radio", { name: /^10 × 15 cm/ }).click();
  await page.keyboard.press("Escape");
  await part(page, "How the paper lies").click();
  await page.getByRole("radio", { name: "Upright" }).click();
  await page.keyboard.press("Escape");
  await part(page, "How the sheet is divided").click();
  await page.getByRole("radio", { name: /^An equal grid/ }).click();
  await type(page, "Columns", "2");
  await type(page, "Rows", "4");
  await page.keyboard.press("Escape");
  await expect(cells(page)).toHaveCount(8);
  // Two columns: the cells of one row share a shot.
  for (const [number, shot] of [
    [2, 1],
    [3, 2],
    [4, 2],
    [5, 3],
    [6, 3],
    [7, 4],
    [8, 4],
  ] as const) {
    await cell(page, number).click();
    await type(page, "Shot number", String(shot));
  }
  await expect(cell(page, 8)).toHaveAccessibleName(/MS-543.jpg/);
  const [file] = await writePng(page, server);
  for (const [row, colour] of colours.entries()) {
    const y = Math.round(px(5 + 17 + row * 36.1));
    for (const x of [px(25), px(76)])
      expect(off(await pixel(file!, Math.round(x), y), colour)).toBeLessThan(8);
  }
  // The two strips are the same picture: 10 × 15 cm cut down its middle, pixel for pixel.
  const half = (left: number) =>
    sharp(file).extract({ left, top: 0, width: 550, height: 1800 }).raw().toBuffer();
  const [from] = (await bands(file!, "row", 300)).map(([start]) => start);
  const second = (await bands(file!, "row", 300))[1]![0];
  const [a, b] = await Promise.all([half(from!), half(second)]);
  const differs = a.reduce((worst, value, i) => Math.max(worst, Math.abs(value - b[i]!)), 0);
  expect(differs).toBe(0);
});

test("two dozen photos, one a sheet, all with an even border", async ({ table: page, folder, server }) => {
  const photos = await Promise.all(
    Array.from({ length: 24 }, (_, i) =>
      flatPhoto(
        folder,
        `MS-55${String(i).padStart(2, "0")}.jpg`,
        "#3246c8",
        i % 3 === 0 ? 640 + i : 480,
        i % 3 === 0 ? 480 : 640 + i,
      ),
    ),
  );
  await startJob(page, /One per sheet/, ...photos);
  expect(await ticket(page)).toContain(
    "Put each of 24 photos on its own sheet of 13 × 18 cm paper, lying as the photo does, filling it but for a 6 mm white border, even on all sides",
  );
  await part(page, "The cell of each sheet").click();
  await type(page, "Border", "8mm");
  await page.keyboard.press("Escape");
  await expect(sum(page, "sheets")).toHaveText("24");
  const files = await writePng(page, server);
  expect(files).toHaveLength(24);
  let lying = 0;
  for (const file of files) {
    const { width, height } = await sharp(file).metadata();
    const [across, down] = width > height ? [177.8, 127] : [127, 177.8];
    lying += width > height ? 1 : 0;
    expectEdges(await bands(file, "row", height / 2), [[8, across - 8]]);
    expectEdges(await bands(file, "column", width / 2), [[8, down - 8]]);
  }
  // Every third photo lies on its side, and its sheet with it.
  expect(lying).toBe(8);
});

test("sheets are added, brought into order, removed and brought back; cells go between them", async ({
  table: page,
  folder,
}) => {
  const photos = await Promise.all([0, 1, 2].map((i) => cameraPhoto(folder, `MS-56${i}.jpg`, 600, 800 + i)));
  await startJob(page, /One per sheet/, ...photos);
  const sheets = page.getByRole("dialog", { name: "Sheets" });
  const openSheets = () => page.getByRole("button", { name: "Sheets", exact: true }).click();
  await openSheets();
  await sheets.getByRole("button", { name: "Sheet 3 earlier" }).click();
  await sheets.getByRole("button", { name: "Add a bare sheet" }).click();
  await sheets.getByLabel("Pages that face each other").check();
  await page.keyboard.press("Escape");
  await expect(page.getByText("Sheet 3 of 4")).toBeVisible();
  // Pages 2 and 3 face each other: the third photo came second, the bare sheet after it.
  await expect(page.getByRole("listbox")).toHaveCount(2);
  await cell(page, 1).click();
  await expect(cell(page, 1)).toHaveAccessibleName(/MS-562.jpg/);
  await page.getByLabel("On sheet").selectOption({ label: "3" });
  await expect(page.getByRole("listbox", { name: "Cells of sheet 3" }).getByRole("option")).toHaveCount(1);
  await openSheets();
  await sheets.getByRole("button", { name: "Remove sheet 1" }).click();
  await expect(sheets.getByRole("listitem")).toHaveCount(3);
  await sheets.getByRole("button", { name: /Bring back/ }).click();
  await expect(sheets.getByRole("listitem")).toHaveCount(4);
  await page.keyboard.press("Escape");
  await saved(page);
});
