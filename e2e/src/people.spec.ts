import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { portrait, renderPhoto, ROOMY, sitter } from "@wide-quilt/demo";
import { EXPOSURE } from "./sitters.ts";
import { expect, faults, jobOf, measure, part, saved, startJob, sum, test, write } from "./test.ts";

/** Sixty of them take ten minutes of a slow machine; `WIDE_QUILT_LONG` is for those. */
const PEOPLE = process.env["WIDE_QUILT_LONG"] ? 60 : 24;
const SHEETS = PEOPLE / 4;

test.use({ apart: true });

test(`${PEOPLE} people from a list whose headings nobody knows, white behind everyone, packed and written`, async ({
  table: page,
  folder,
  server,
}) => {
  test.setTimeout(600_000);
  const files: string[] = [];
  for (let i = 0; i < PEOPLE; i++) {
    const name = `DSC_${String(400 + i).padStart(4, "0")}.jpg`;
    const draw = (w: number, h: number) => portrait(sitter(i), w, h, ROOMY);
    const path = join(folder, name);
    writeFileSync(path, await renderPhoto({ name, width: 900, height: 1200, draw, exposure: EXPOSURE }));
    files.push(path);
  }
  // Files in small letters and without their endings, under words that are in no list of headings.
  const lines = files.map(
    (_, i) =>
      `G-${i + 1};Guest${"abcdefghij"[i % 10]} Sample${"klmnop"[Math.floor(i / 10)]};dsc_${String(400 + i).padStart(4, "0")};2`,
  );
  const list = join(folder, "guests.csv");
  writeFileSync(list, `Wug;Blick;Zorp;Florb\n${lines.join("\n")}\n`);

  const began = Date.now();
  const passed: Record<string, number> = {};
  const mark = (what: string) => (passed[what] = Math.round((Date.now() - began) / 1000));
  await startJob(page, /Document photos/, ...files);
  mark("photos in");
  await page.goto(`${page.url()}/people`);
  await page.getByLabel("List of people, CSV").setInputFiles(list);
  const reader = page.getByRole("dialog", { name: "What is in guests.csv" });
  await expect(reader.getByText(`${PEOPLE} of ${PEOPLE} have a photo.`)).toBeVisible();
  for (const [heading, is] of [
    ["Wug", "number"],
    ["Blick", "name"],
    ["Zorp", "photo"],
    ["Florb", "quantity"],
  ]) {
    await expect(reader.getByLabel(`${heading} is`)).toHaveValue(is!);
  }
  await expect(reader.getByRole("row")).toHaveCount(11);
  await expect(reader.getByText("without its ending").first()).toBeVisible();
  expect(await faults(page, "[role=dialog]")).toEqual([]);
  // Nothing has changed yet.
  expect((await jobOf(page)).ticket).toMatchObject({
    people: expect.arrayContaining([expect.objectContaining({ name: "DSC_0400" })]),
  });
  await reader.getByRole("button", { name: `Take these ${PEOPLE} people` }).click();
  mark("list taken");
  await server.looked();
  mark("heads found and measured");
  await page.getByRole("button", { name: /behind everyone$/ }).click();
  await expect(page.getByText("Putting the background behind everyone")).toBeVisible();
  await expect
    .poll(async () => Object.keys((await jobOf(page)).backdrops).length, { timeout: 300_000 })
    .toBe(PEOPLE);
  mark("background behind everyone");
  await server.looked();
  await expect(page.getByRole("row")).toHaveCount(PEOPLE + 1);
  await page.getByRole("link", { name: "Back to the table" }).click();
  await part(page, "Document-photo rule").waitFor();
  await saved(page);
  const job = await jobOf(page);
  const people = job.ticket.kind === "portraits" ? job.ticket.people : [];
  expect(people.map(({ name, number, quantity }) => `${number} ${name} ${quantity}`)).toEqual(
    lines.map((line) => line.split(";")).map(([number, name, , quantity]) => `${number} ${name} ${quantity}`),
  );
  // The packing takes its time; eight to a sheet of 10 × 15 cm are fifteen sheets.
  await expect(sum(page, "sheets")).toHaveText(new RegExp(`^${SHEETS}\\b`), { timeout: 60_000 });
  await saved(page);
  const sheets = await write(page, server, "PNG", "all the same");
  mark("written");
  // Two pieces of 35 × 45 mm of everyone, eight to a sheet of 10 × 15 cm.
  expect(sheets).toHaveLength(SHEETS);
  for (const sheet of [sheets[0]!, sheets[SHEETS - 1]!]) {
    const size = measure("/usr/bin/identify", "-format", "%w %h", sheet).split(" ").map(Number);
    // The lab’s paper is 4 by 6 in.
    expect(size.toSorted((a, b) => a - b)).toEqual([4 * 300, 6 * 300]);
  }
  console.log(`${PEOPLE} people, seconds from the start: ${JSON.stringify(passed)}`);
});
