import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { cameraPhoto } from "./photos.ts";
import { cell, expect, saved, startCopies, test, ticket } from "./test.ts";

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("renames, duplicates, bins, takes out and deletes jobs", async ({ table: page, folder, server }) => {
  await expect(page.getByText("Nothing is on the go yet.")).toBeVisible();
  await startCopies(page, await cameraPhoto(folder, "MS-201.jpg", 900, 1200));
  await page.getByRole("button", { name: "Copies of one photo" }).click();
  await page.getByLabel("Name of the job").fill("Ringers’ badges");
  await page.keyboard.press("Enter");
  await saved(page);
  await page.getByRole("link", { name: "Jobs", exact: true }).click();

  const card = (name: string) =>
    page.getByRole("listitem").filter({ has: page.getByRole("heading", { name, exact: true }) });
  const more = async (name: string, item: string) => {
    await page.getByRole("button", { name: `More for ${name}`, exact: true }).click();
    await page.getByRole("menuitem", { name: item }).click();
  };
  await expect(card("Ringers’ badges")).toContainText("8 at 35\u00a0×\u00a045\u00a0mm on 10 × 15 cm");
  await expect(card("Ringers’ badges").locator("svg image")).toHaveCount(8);

  await more("Ringers’ badges", "Duplicate");
  await expect(card("Ringers’ badges, copy")).toBeVisible();
  await more("Ringers’ badges, copy", "Rename");
  await page.getByLabel("Name of the job").fill("Members’ badges");
  await page.keyboard.press("Enter");
  await expect(card("Members’ badges")).toBeVisible();

  await more("Members’ badges", "Put in the bin");
  await expect(card("Members’ badges")).toHaveCount(0);
  await page.getByRole("button", { name: "Bin", exact: true }).click();
  await card("Members’ badges").getByRole("button", { name: "Take out" }).click();
  await expect(page.getByText("The bin is empty.")).toBeVisible();
  await page.getByRole("button", { name: "Back to the jobs" }).click();
  await more("Members’ badges", "Put in the bin");
  await page.getByRole("button", { name: "Bin", exact: true }).click();
  await card("Members’ badges").getByRole("button", { name: "Delete for good" }).click();
  await expect(page.getByText("The bin is empty.")).toBeVisible();
  const left = (await (await fetch(`${server.address}/api/jobs`)).json()) as { name: string }[];
  expect(left.map(({ name }) => name)).toEqual(["Ringers’ badges"]);
});

test("saves a job as a job file and opens it again, elsewhere too", async ({ table: page, folder }) => {
  const photo = await cameraPhoto(folder, "MS-202.jpg", 900, 1200);
  await startCopies(page, photo);
  const said = await ticket(page);
  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  await page.getByRole("button", { name: /^More for/ }).click();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("menuitem", { name: "Save as a job file" }).click(),
  ]);
  const path = join(folder, download.suggestedFilename());
  await download.saveAs(path);
  expect(path).toMatch(/Copies of one photo\.job\.json$/);

  // As it comes from another machine: the photo is known there by another id, and its file is not here.
  const file = JSON.parse(readFileSync(path, "utf8"));
  const id = file.stash[0].id;
  writeFileSync(path, JSON.stringify(file).replaceAll(id, "elsewhere"));
  await page.getByLabel("Job file").setInputFiles(path);
  await page.getByRole("region", { name: "Ticket" }).waitFor();
  expect(await ticket(page)).toBe(said);
  await expect(page.getByText(/8 cells have a photo whose file is not here/)).toBeVisible();
  await page.getByLabel("Photo files").setInputFiles(photo);
  await expect(page.getByText(/whose file is not here/)).toHaveCount(0);
  await expect(page.getByText("1 in this job")).toBeVisible();
  await expect(cell(page, 1)).toHaveAccessibleName(/MS-202/);

  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  writeFileSync(path, "{ this is no job");
  await page.getByLabel("Job file").setInputFiles(path);
  await expect(page.getByText(/is not a job file: it is not JSON/)).toBeVisible();
  writeFileSync(path, JSON.stringify({ ...file, ticket: { ...file.ticket, gap: -5 } }));
  await page.getByLabel("Job file").setInputFiles(path);
  await expect(page.getByText(/“ticket.gap” must be at least 0 mm/)).toBeVisible();
});
