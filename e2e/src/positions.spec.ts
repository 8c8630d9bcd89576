import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { flatPhoto } from "./photos.ts";
import { expect, faults, jobOf, saved, startCopies, test } from "./test.ts";

test("where cells are goes out as a table, is changed in a spreadsheet, and comes in again; faults are told by line", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await flatPhoto(folder, "MS-711.jpg", "#32a03c"));
  await page.getByRole("button", { name: "Sheets", exact: true }).click();
  const sheets = page.getByRole("dialog", { name: "Sheets" });
  await sheets.getByLabel("Positions in").selectOption("px");
  await sheets.getByLabel("from the corner").selectOption("bottom left");
  expect(await faults(page, "[role=dialog]")).toEqual([]);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    sheets.getByRole("button", { name: "Save as a table" }).click(),
  ]);
  const file = join(folder, "positions.csv");
  await download.saveAs(file);
  const [head, first, ...others] = readFileSync(file, "utf8").trim().split("\r\n");
  expect(head).toBe("page,cell,shot,x,y,width,height,tilt,unit,ppi,from");
  expect(others).toHaveLength(7);
  // 35 × 45 mm at 300 ppi are 413.3858 × 531.4961 px.
  expect(first!.split(",").slice(5)).toEqual(["413.3858", "531.4961", "0", "px", "300", "bottom left"]);

  // As it is, it changes nothing.
  await sheets.getByLabel("Table of positions, CSV").setInputFiles(file);
  await expect(page.getByText("8 lines read: every cell is where the table has it.")).toBeVisible();
  expect((await jobOf(page)).cells).toEqual({});

  // The first cell 30 px to the right and tilted, a line that cannot be read, and a cell more.
  const cells = first!.split(",");
  const x = Number(cells[3]);
  const moved = [
    ...cells.slice(0, 3),
    String(x + 30),
    cells[4],
    ...cells.slice(5, 7),
    "5",
    ...cells.slice(8),
  ].join();
  const bad = others[0]!.replace(/^1,2,/, "7,2,");
  const more = ["1", "9", "", "10", "10", "200", "200", "0", "px", "300", "bottom left"].join();
  writeFileSync(file, [head, moved, bad, ...others.slice(1), more].join("\n"));
  await sheets.getByLabel("Table of positions, CSV").setInputFiles(file);
  await expect(page.getByText("8 lines read: 1 cell moved, 1 cell added.")).toBeVisible();
  await expect(
    page.getByText("Line 3: there is no page 7: this job has 1. Add a sheet first."),
  ).toBeVisible();
  const placed = async () => Object.values((await jobOf(page)).cells).flatMap(({ place }) => place ?? []);
  await expect.poll(async () => (await placed()).length).toBe(2);
  const [cell, added] = await placed();
  // 30 px at 300 ppi are 2 540 µm; 200 px are 16 933.
  expect([Math.abs(cell!.x - Math.round(((x + 30) / 300) * 25_400)) <= 1, cell!.angle]).toEqual([true, 5]);
  for (const side of [added!.width, added!.height]) expect(Math.abs(side - 16_933)).toBeLessThanOrEqual(1);

  // One act, one step.
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(async () => (await placed()).length).toBe(0);
  await saved(page);

  writeFileSync(file, "name,size\nA,3\n");
  await page.getByRole("button", { name: "Sheets", exact: true }).click();
  await page.getByLabel("Table of positions, CSV").setInputFiles(file);
  await expect(page.getByText(/No columns for where cells are were found/)).toBeVisible();

  // A table of one’s own is filled in: its own column stays.
  writeFileSync(file, "Label;Nr;x (cm);y (cm);w (cm);h (cm)\nby the door;1;;;;\n");
  const [own] = await Promise.all([
    page.waitForEvent("download"),
    sheets.getByLabel("Table to fill in, CSV").setInputFiles(file),
  ]);
  const filled = join(folder, "filled.csv");
  await own.saveAs(filled);
  expect(readFileSync(filled, "utf8").split("\r\n").slice(0, 2)).toEqual([
    "Label;Nr;x (cm);y (cm);w (cm);h (cm)",
    expect.stringMatching(/^by the door;1;[\d.]+;[\d.]+;[\d.]+;[\d.]+$/),
  ]);
});
