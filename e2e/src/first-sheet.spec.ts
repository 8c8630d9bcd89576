import { readFileSync } from "node:fs";
import { join } from "node:path";
import { cameraPhoto, off, pixel, QUARTERS } from "./photos.ts";
import {
  cell,
  cells,
  expect,
  measure,
  part,
  pictureInCell,
  saved,
  startCopies,
  sum,
  test,
  ticket,
} from "./test.ts";

test("from photo files to paper that can be cut", async ({ table: page, folder, server }) => {
  const first = await cameraPhoto(folder, "MS-101.jpg");
  const files = [
    first,
    await cameraPhoto(folder, "MS-102.jpg", 4000, 3000),
    await cameraPhoto(folder, "MS-103.jpg", 1600, 2000),
  ];

  await test.step("starts a job and drops in photos", async () => {
    await startCopies(page, ...files);
    expect(await ticket(page)).toBe(
      "Put as many as fit (8) copies at 35 × 45 mm on 10 × 15 cm paper, turned to fit the most, 2 mm apart and centred inside no margins, with corner ticks to cut by, no outline and no slack, finished plainly, for Lab, lustre at 300 ppi, a page to a sheet.",
    );
  });

  await test.step("sees at once that 4 × 2 = 8 fit and what is left over", async () => {
    await expect(sum(page, "fits")).toHaveText("4 × 2 = 8");
    await expect(sum(page, "left over")).toHaveText("3.2\u00a0mm sides, 4.8\u00a0mm ends");
    await expect(sum(page, "file")).toHaveText("1800 × 1200 px");
    await expect(cells(page)).toHaveCount(8);
  });

  await test.step("puts one photo in all cells", async () => {
    await page.getByRole("button", { name: /^MS-103.jpg/ }).click();
    await page.getByRole("button", { name: "Put in all" }).click();
    await expect(cell(page, 8)).toHaveAccessibleName(/MS-103.jpg/);
    await page.getByRole("button", { name: /^MS-101.jpg/ }).click();
    await page.getByRole("button", { name: "Put in all" }).click();
    await expect(cell(page, 8)).toHaveAccessibleName(/MS-101.jpg/);
  });

  await test.step("moves and scales it in one cell, and all eight follow", async () => {
    const box = (await cell(page, 3).boundingBox())!;
    const before = await pictureInCell(page, 1);
    await page.mouse.move(box.x + 50, box.y + 60);
    await page.mouse.down();
    await page.mouse.move(box.x + 50, box.y + 50, { steps: 4 });
    await page.mouse.move(box.x + 50, box.y + 45, { steps: 4 });
    await page.mouse.up();
    // A 3 : 4 photo in a 7 : 9 cell has 0.83 mm to spare at either end, 3.7 px on this screen: it stops there.
    const moved = await pictureInCell(page, 1);
    expect(moved.y).toBeLessThan(before.y - 2);
    await page.mouse.wheel(0, -400);
    await expect.poll(async () => (await pictureInCell(page, 1)).width / before.width).toBeGreaterThan(1.5);
    const all = await Promise.all([1, 2, 3, 4, 5, 6, 7, 8].map((number) => pictureInCell(page, number)));
    for (const one of all) {
      expect(Math.abs(one.x - all[0]!.x)).toBeLessThan(0.6);
      expect(Math.abs(one.y - all[0]!.y)).toBeLessThan(0.6);
    }
    await saved(page);
  });

  await test.step("changes the paper to A4: as many as fit, or the eight that were asked for", async () => {
    await part(page, "Paper").click();
    await page.getByRole("radio", { name: /^A4/ }).click();
    await page.keyboard.press("Escape");
    await expect(sum(page, "fits")).toHaveText("8 × 4 = 32");
    expect(await ticket(page)).toContain("as many as fit (32) copies");
    await part(page, "How many").click();
    await page.getByRole("radio", { name: /Just this many/ }).click();
    await page.getByLabel("Copies").fill("8");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Escape");
    expect(await ticket(page)).toContain("Put 8 copies");
    await expect(sum(page, "fits")).toHaveText("4 × 2 = 8 of 32");
    await expect(cells(page)).toHaveCount(8);
  });

  await test.step("takes 10 × 15 cm again, sets corner ticks and a 0.2 mm outline", async () => {
    await part(page, "Paper").click();
    await page.getByRole("radio", { name: /^10 × 15 cm/ }).click();
    await page.keyboard.press("Escape");
    await part(page, "Marks to cut by").click();
    await page.getByRole("radio", { name: "Crosses" }).click();
    await page.getByRole("radio", { name: "Corner ticks" }).click();
    await page.keyboard.press("Escape");
    await part(page, "Outline").click();
    await page.getByRole("radio", { name: "Grey", exact: true }).click();
    await page.getByLabel("Line width").fill("0.1mm * 2");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Escape");
    expect(await ticket(page)).toContain("with corner ticks to cut by, a 0.2 mm grey outline");
    await saved(page);
  });

  await test.step("takes the crop back to computed, so that the written colours are known", async () => {
    await cell(page, 1).click();
    await page.getByRole("button", { name: "Back to computed" }).click();
    await saved(page);
  });

  const write = async (format: RegExp, name: string) => {
    await page.getByRole("radio", { name: format }).click();
    await expect(page.getByText("being measured")).toHaveCount(0, { timeout: 20_000 });
    await page.getByRole("button", { name: "Write the file" }).click();
    const run = page.getByRole("listitem").filter({ hasText: `Written: ${name}` });
    const link = run.getByRole("link", { name: "Download" });
    await link.waitFor();
    const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
    const path = join(folder, download.suggestedFilename());
    await download.saveAs(path);
    return path;
  };

  await test.step("writes a JPEG whose pixels, density and colours are what they should be", async () => {
    await page.getByRole("link", { name: "Print or export" }).click();
    const path = await write(/^JPEG/, "Copies of one photo.jpg");
    expect(path).toMatch(/Copies of one photo\.jpg$/);
    const shown = await page.locator("dl div", { hasText: "File size" }).locator("dd").innerText();
    expect(Math.abs(parseFloat(shown) - readFileSync(path).length / 1000)).toBeLessThan(1);
    const tags = JSON.parse(measure("exiftool", "-j", "-G1", path))[0];
    expect(tags).toMatchObject({
      "File:FileType": "JPEG",
      "File:ImageWidth": 1800,
      "File:ImageHeight": 1200,
      "JFIF:XResolution": 300,
      "JFIF:YResolution": 300,
      "JFIF:ResolutionUnit": "inches",
      "IFD0:XResolution": 300,
      "IFD0:YResolution": 300,
      "IFD0:ResolutionUnit": "inches",
    });
    expect(tags["ICC_Profile:ProfileDescription"]).toMatch(/sRGB/i);
    // The plan at 300 ppi: columns at 3.2, 40.2, 77.2, 114.2 mm, rows at 4.8 and 51.8 mm, 35 × 45 mm each.
    const px = (mm: number) => (mm * 300) / 25.4;
    for (const x of [3.2, 40.2, 77.2, 114.2]) {
      for (const y of [4.8, 51.8]) {
        const edges = await greyEdges(path, px(x), px(y), px(35), px(45));
        for (const [found, exact] of edges) expect(Math.abs(found - exact)).toBeLessThanOrEqual(0.5);
        expect(
          off(await pixel(path, Math.round(px(x + 8)), Math.round(px(y + 10))), QUARTERS.topLeft),
        ).toBeLessThan(8);
        expect(
          off(await pixel(path, Math.round(px(x + 27)), Math.round(px(y + 10))), QUARTERS.topRight),
        ).toBeLessThan(8);
        expect(
          off(await pixel(path, Math.round(px(x + 8)), Math.round(px(y + 35))), QUARTERS.bottomLeft),
        ).toBeLessThan(8);
        expect(
          off(await pixel(path, Math.round(px(x + 27)), Math.round(px(y + 35))), QUARTERS.bottomRight),
        ).toBeLessThan(8);
      }
    }
    // A corner tick on the upper edge of cell 1, between the paper's edge and the cell.
    expect(off(await pixel(path, 20, Math.floor(px(4.8))), "#20242c")).toBeLessThan(40);
  });

  await test.step("writes a PDF whose page is the paper, photos whole, marks as lines", async () => {
    const path = await write(/^PDF/, "Copies of one photo.pdf");
    const boxes = measure("pdfinfo", "-box", path);
    for (const name of ["MediaBox", "TrimBox", "BleedBox"]) {
      const [, right, top] = new RegExp(`${name}:\\s+0\\.00\\s+0\\.00\\s+([\\d.]+)\\s+([\\d.]+)`).exec(
        boxes,
      )!;
      expect(Math.abs((Number(right) * 25.4) / 72 - 152.4)).toBeLessThan(0.01);
      expect(Math.abs((Number(top) * 25.4) / 72 - 101.6)).toBeLessThan(0.01);
    }
    const images = measure("pdfimages", "-list", path).split("\n").slice(2).filter(Boolean);
    expect(images).toHaveLength(8);
    for (const row of images) expect(row.trim().split(/\s+/).slice(3, 5)).toEqual(["3000", "4000"]);
    measure("pdfimages", "-all", path, join(folder, "embedded"));
    expect(readFileSync(join(folder, "embedded-000.jpg")).equals(readFileSync(first))).toBe(true);
    expect(measure("qpdf", "--check", path)).toContain("No syntax or stream encoding errors");
  });

  await test.step("reloads and all is there; undoes eleven steps, also after the reload", async () => {
    await page.goto(page.url().replace(/\/press$/, ""));
    await saved(page);
    const now = await ticket(page);
    await page.reload();
    await saved(page);
    expect(await ticket(page)).toBe(now);
    expect(now).toContain("Put 8 copies");
    const said: string[] = [];
    for (let i = 0; i < 11; i++) {
      said.push((await page.getByRole("button", { name: "Undo" }).getAttribute("title"))!);
      const answer = page.waitForResponse((response) => response.url().endsWith("/undo") && response.ok());
      await page.keyboard.press("Control+z");
      await answer;
    }
    expect(said[0]).toMatch(/kind of file/);
    expect(said[1]).toMatch(/back to computed/);
    expect(new Set(said).size).toBeGreaterThan(3);
    // Eleven steps back: PDF, computed, width, outline, crosses and back, paper, 8 copies, number, A4, the scaling.
    expect(await ticket(page)).toContain("Put as many as fit (8) copies at 35 × 45 mm on 10 × 15 cm paper");
    expect(await ticket(page)).toContain("no outline");
    for (let i = 0; i < 11; i++) {
      const answer = page.waitForResponse((response) => response.url().endsWith("/redo") && response.ok());
      await page.keyboard.press("Control+Shift+z");
      await answer;
    }
    expect(await ticket(page)).toBe(now);
  });
  expect(readFileSync(join(server.data, "out", "Copies of one photo.jpg")).length).toBeGreaterThan(10_000);
});

/**
 * The middles of the four grey outlines around a cell, read off the pixels, beside where they should be. An outline of
 * 0.2 mm is 2.36 px wide and centred on the finished edge, so its middle is the edge.
 */
async function greyEdges(path: string, x: number, y: number, width: number, height: number) {
  const isGrey = async (left: number, top: number) => off(await pixel(path, left, top), "#9a9a9a") < 30;
  const middle = async (at: number, look: (i: number) => Promise<boolean>) => {
    const hits: number[] = [];
    for (let i = Math.round(at) - 4; i <= Math.round(at) + 4; i++) if (await look(i)) hits.push(i);
    return (hits[0]! + hits.at(-1)! + 1) / 2;
  };
  const along = Math.round(y + height / 4);
  const across = Math.round(x + width / 4);
  return [
    [await middle(x, (i) => isGrey(i, along)), x],
    [await middle(x + width, (i) => isGrey(i, along)), x + width],
    [await middle(y, (i) => isGrey(across, i)), y],
    [await middle(y + height, (i) => isGrey(across, i)), y + height],
  ] as const;
}
