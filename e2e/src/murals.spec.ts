import { join } from "node:path";
import sharp from "sharp";
import { colouredPhotos } from "./photos.ts";
import { expect, faults, measure, part, saved, startJob, sum, test, ticket, type, write } from "./test.ts";

const [WIDTH, HEIGHT] = [4080, 1020];

/** A photo that says of each pixel where it is: columns in red and green, rows in blue, sixteen to the step. */
async function ruler(path: string): Promise<string> {
  const data = Buffer.alloc(WIDTH * HEIGHT * 3);
  for (let y = 0, i = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      data[i++] = Math.floor(x / 16);
      data[i++] = (x % 16) * 16 + 8;
      data[i++] = Math.floor(y / 4);
    }
  await sharp(data, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
    .png()
    .toFile(path);
  return path;
}

test("a panorama over two rows of A4: each sheet shows its part of it, where it is measured", async ({
  table: page,
  folder,
  server,
}) => {
  await startJob(page, /^Mural/, await ruler(join(folder, "spit.png")));
  await test.step("its size by its width, and by full sheets", async () => {
    await part(page, "Size of the picture").click();
    await type(page, "Width", "1632 mm");
    await expect.poll(() => ticket(page)).toContain("together 1632 × 408 mm");
    await page.getByRole("radio", { name: /^By how many sheets/ }).click();
    await type(page, "Sheets across", "5");
    await type(page, "Sheets down", "2");
    expect(await faults(page)).toEqual([]);
    await page.getByRole("radio", { name: /^By both sides/ }).click();
    await type(page, "Width", "1632 mm");
    await type(page, "Height", "408 mm");
    await page.keyboard.press("Escape");
    await expect.poll(() => ticket(page)).toContain("together 1632 × 408 mm");
  });
  await test.step("papers compared, one taken; edges kept free", async () => {
    await part(page, "Paper of the sheets").click();
    await page.getByRole("button", { name: "Take A4, upright" }).click();
    await type(page, "Kept free at the edges", "13 mm");
    expect(await faults(page)).toEqual([]);
    await page.keyboard.press("Escape");
    // By hand: 210 − 26 = 184, less 10 for each joint: 1632 takes ten; 297 − 26 = 271: 408 takes two.
    await expect.poll(() => ticket(page)).toContain("10 × 2 sheets of A4, upright");
    await expect(sum(page, "sheets")).toHaveText("20");
    await expect(sum(page, "joints")).toHaveText("28");
  });
  await test.step("joints", async () => {
    await part(page, "Put together").click();
    await page.getByRole("combobox", { name: "That strip is printed" }).selectOption("full");
    await page.getByRole("checkbox", { name: /^Letters/ }).uncheck();
    expect(await faults(page)).toEqual([]);
    await page.keyboard.press("Escape");
    await part(page, "Where seams fall").click();
    await expect(page.getByText(/No seam goes through a head/)).toBeVisible();
    expect(await faults(page)).toEqual([]);
    await page.keyboard.press("Escape");
  });
  await part(page, "Pixels per inch").click();
  await type(page, "Pixels per inch", "127");
  await page.keyboard.press("Escape");
  await test.step("a sheet in hand", async () => {
    await page.getByRole("button", { name: "Sheet B2 as it is printed" }).click();
    await expect(page.getByRole("img", { name: "Sheet 12 of 20 as it is printed" })).toBeVisible();
    expect(await faults(page)).toEqual([]);
  });
  await saved(page);
  const paths = await write(page, server, "PNG");
  expect(paths).toHaveLength(20);
  // 127 ppi are 5 pixels a millimetre; a millimetre of the picture is 2.5 pixels of the photo.
  for (const [number, path] of paths.entries()) {
    const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([1050, 1485]);
    const [column, row] = [number % 10, Math.floor(number / 10)];
    // By hand: each sheet shows 174 × 261 mm, its picture from 13 mm on.
    for (const [x, y] of [
      [20, 30],
      [100, 100],
      [180, 150],
    ] as const) {
      const page = { x: column * 174 + x - 13, y: row * 261 + y - 13 };
      if (page.x > 1630 || page.y > 406) continue;
      const at = 3 * (Math.round(y * 5) * info.width + Math.round(x * 5));
      const [red, , blue] = data.subarray(at, at + 3);
      // Sixteen columns, 6.4 mm, have one red; four rows, 1.6 mm, one blue.
      expect(Math.abs(red! - (page.x * 2.5) / 16)).toBeLessThan(1.2);
      expect(Math.abs(blue! - (page.y * 2.5) / 4)).toBeLessThan(1.5);
    }
  }
  await test.step("what A1 prints under B1 is what B1 shows, to the last bit", async () => {
    const strip = (path: string, left: number) =>
      sharp(path).removeAlpha().extract({ left, top: 65, width: 50, height: 1300 }).raw().toBuffer();
    // 184 mm are printed from 13 mm on; the last 10 mm of them are covered.
    const [under, over] = [await strip(paths[0]!, (13 + 174) * 5), await strip(paths[1]!, 13 * 5)];
    expect(under.equals(over)).toBe(true);
  });
});

test("a collage spread over six sheets, as one PDF that says where each belongs", async ({
  table: page,
  folder,
  server,
}) => {
  const photos = await colouredPhotos(folder, ["#c81e1e", "#1e9c1e", "#1e1ec8", "#c8c81e"]);
  await startJob(page, /^Collage/, ...photos);
  await part(page, "Paper").click();
  await type(page, "Width", "550 mm");
  await type(page, "Height", "500 mm");
  await page.keyboard.press("Escape");
  await part(page, "Pages to a sheet").click();
  await page.getByRole("radio", { name: /^Spread over several sheets/ }).click();
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await expect.poll(() => ticket(page)).toContain("each page spread over sheets of A4");
  await expect(sum(page, "sheets")).toHaveText("6");
  await page.setViewportSize({ width: 1024, height: 700 });
  expect(await faults(page)).toEqual([]);
  await saved(page);
  const [path] = (await write(page, server, "PDF", "all the same")) as [string];
  expect(measure("pdfinfo", path)).toMatch(/Pages:\s+6\n/);
  const text = measure("pdftotext", path, "-");
  expect(text).toContain("A1 · B1 goes here");
  expect(text).toContain("A2 goes here");
});

test("a triptych with reflected edges, nested on a roll with its map: measured in the file", async ({
  table: page,
  folder,
  server,
}) => {
  await startJob(page, /^Mural/, await ruler(join(folder, "spit.png")));
  await part(page, "Size of the picture").click();
  await page.getByRole("radio", { name: /^By both sides/ }).click();
  await type(page, "Width", "816 mm");
  await type(page, "Height", "204 mm");
  await page.keyboard.press("Escape");
  await test.step("three panels, 24 mm apart, reflected around 30 mm", async () => {
    await part(page, "In one piece or in panels").click();
    await page.getByRole("radio", { name: "In panels" }).click();
    await type(page, "Apart on the wall", "24 mm");
    await page.getByRole("combobox", { name: "Around the edges of frames" }).selectOption("mirrored");
    await type(page, "So far around", "30 mm");
    // By hand: (816 − 48) / 3 = 256; 1500 + 102 − 20 = 1582.
    await expect(page.getByRole("row", { name: /^1 128\smm 1582\smm/ })).toBeVisible();
    expect(await faults(page)).toEqual([]);
    await page.keyboard.press("Escape");
  });
  await expect.poll(() => ticket(page)).toContain("in 3 panels 24 mm apart, mirrored around 30 mm");
  await test.step("a roll", async () => {
    await part(page, "Paper of the sheets").click();
    await page.getByRole("radio", { name: "From a roll" }).click();
    await page.getByRole("checkbox", { name: "Pieces may lie on their side" }).uncheck();
    await type(page, "Its width, typed", "700 mm");
    await type(page, "Kept free at the edges", "10 mm");
    await type(page, "Between pieces", "20 mm");
    expect(await faults(page)).toEqual([]);
    await page.keyboard.press("Escape");
    await part(page, "Put together").click();
    await page.getByRole("checkbox", { name: /^A sheet more/ }).check();
    await page.keyboard.press("Escape");
  });
  await part(page, "Pixels per inch").click();
  await type(page, "Pixels per inch", "127");
  await page.keyboard.press("Escape");
  await expect.poll(() => ticket(page)).toContain("3 pieces on Roll, 700 mm wide");
  await page.getByRole("button", { name: "Sheet 2 as it is printed" }).click();
  await expect(page.getByRole("img", { name: "Sheet 1 of 2 as it is printed" })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.setViewportSize({ width: 1024, height: 700 });
  expect(await faults(page)).toEqual([]);
  await saved(page);
  const [path] = (await write(page, server, "PNG")) as [string];
  const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  // By hand, 127 ppi being 5 px a millimetre: two pieces of 316 × 264 mm beside each other, 20 apart, the third below.
  expect([info.width, info.height]).toEqual([3500, 5 * (10 + 264 + 20 + 264 + 10)]);
  // Red says the column: the picture is 816 mm of 4080 px, 5 px a millimetre; its panels begin at 0, 280 and 560 mm.
  const column = (x: number, y: number) =>
    data[3 * (Math.round(y * 5) * info.width + Math.round(x * 5))]! * 16;
  const at = [
    { x: 10, y: 10, from: 0 },
    { x: 346, y: 10, from: 280 },
    { x: 10, y: 294, from: 560 },
  ];
  for (const { x, y, from } of at) {
    for (const [here, shows] of [
      [40, from + 10],
      [150, from + 120],
      // Past the edge at 30 mm, 12 mm out, the picture is seen again as it is 12 mm in; at 286 mm likewise.
      [18, from + 12],
      [298, from + 244],
    ] as const)
      expect(Math.abs(column(x + here, y + 130) - shows * 5)).toBeLessThan(24);
  }
});

test("sheets that went wrong are printed again, alone, and the work is there again the next day", async ({
  table: page,
  folder,
  server,
}) => {
  await startJob(page, /^Mural/, await ruler(join(folder, "spit.png")));
  await part(page, "Size of the picture").click();
  await type(page, "Width", "816 mm");
  await page.keyboard.press("Escape");
  await part(page, "Pixels per inch").click();
  await type(page, "Pixels per inch", "127");
  await page.keyboard.press("Escape");
  const tick = async (name: string, how: string) => {
    await page.getByRole("button", { name: `Sheet ${name} as it is printed` }).click();
    await page.getByRole("radio", { name: how, exact: true }).click();
    await page.getByRole("radio", { name: "As it hangs" }).click();
  };
  await tick("A1", "Printed");
  await tick("B1", "Went wrong");
  await tick("C1", "Went wrong");
  await page.getByRole("button", { name: "Sheet C1 as it is printed" }).click();
  await page.getByRole("button", { name: "The 2 that went wrong" }).click();
  await expect(page.getByText("Only B1, C1 are printed and written.")).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await saved(page);
  await page.reload();
  await expect(page.getByText(/Only 2 of \d+ sheets are printed and written: B1, C1/)).toBeVisible();
  const paths = await write(page, server, "PNG");
  expect(paths).toHaveLength(2);
  // B1 shows the picture from where A1 ends: 297 − 10 mm of paper or 210 − 10, less 10 covered.
  const { data, info } = await sharp(paths[0]!).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const shown = (info.width === 1050 ? 200 : 287) - 10;
  const red = data[3 * (200 * info.width + 5 * (5 + 40))]!;
  expect(Math.abs(red * 16 - (shown + 40) * 5)).toBeLessThan(24);
});
