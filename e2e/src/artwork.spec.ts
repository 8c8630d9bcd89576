import { readdirSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { CARD_WINDOWS, cardPng } from "@wide-quilt/demo";
import { expect, faults, jobOf, part, saved, startJob, sum, test, ticket, writePng } from "./test.ts";

/** What is behind each window, in the order of the photos. */
const COLOURS = ["#c81e1e", "#1e9c1e", "#1e1ec8"];

async function photosIn(folder: string, colours: readonly string[]): Promise<string[]> {
  return Promise.all(
    colours.map(async (background, i) => {
      const path = join(folder, `${background.slice(1)}-${i}.png`);
      await sharp({ create: { width: 900, height: 700, channels: 3, background } })
        .png()
        .toFile(path);
      return path;
    }),
  );
}

/** The colours in the middle of the card’s windows on a written sheet, which has so many pixels across; by sharp. */
async function seenOn(sheet: string, place: (x: number, y: number) => [number, number]): Promise<string[]> {
  const { data, info } = await sharp(sheet).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return CARD_WINDOWS.map(({ x, y, width, height }) => {
    const [left, top] = place(x + width / 2, y + height / 2);
    const at = (Math.round(top) * info.width + Math.round(left)) * info.channels;
    return `#${[...data.subarray(at, at + 3)].map((value) => value.toString(16).padStart(2, "0")).join("")}`;
  });
}

/** The sheet that was written last. */
function newest(data: string): { path: string; at: number } {
  const out = join(data, "out");
  const all = readdirSync(out).map((name) => ({
    path: join(out, name),
    at: statSync(join(out, name)).mtimeMs,
  }));
  return all.sort((a, b) => b.at - a.at)[0]!;
}

test("photos behind the windows of an artwork: found, numbered anew, printed true at two resolutions, kept for the next client", async ({
  table: page,
  folder,
  server,
}) => {
  const art = join(folder, "open-day-card.png");
  writeFileSync(art, cardPng());
  await startJob(page, /Artwork with windows/);
  await expect(page.getByText("Bring the artwork in first")).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.getByLabel("Artwork", { exact: true }).setInputFiles(art);
  await expect(
    page.getByText("3 windows found, 2 tilted, 1 of another shape than a rectangle."),
  ).toBeVisible();
  await expect(page.getByText("Drop your photos anywhere here")).toBeVisible();
  await page.getByLabel("Photo files").setInputFiles(await photosIn(folder, COLOURS));
  await expect(page.getByText("3 in this job")).toBeVisible();
  await expect(sum(page, "pieces")).toHaveText("3");
  expect(await ticket(page)).toMatch(
    /^Photos behind the three windows of “open-day-card.png”, covering the page, running on 1 mm under it, on 10 × 15 cm paper, upright/,
  );

  // The third window first, by a click and by a key; taken back in one step, and there again after a reload.
  await part(page, "Artwork and its windows").click();
  const numbers = page.getByRole("group", { name: "Windows of open-day-card.png" });
  expect(await faults(page, "[role=dialog]")).toEqual([]);
  await numbers.getByRole("button", { name: "Window 3" }).click();
  await expect(page.getByText("Now the window that is to be 2.")).toBeVisible();
  await page.keyboard.press("Escape");
  const order = async () => {
    const { ticket: now } = await jobOf(page);
    return now.kind === "artwork" ? now.windows.map(({ outline }) => outline.length > 0) : [];
  };
  await expect.poll(order).toEqual([true, false, false]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(order).toEqual([false, false, true]);
  await page.getByRole("button", { name: "Redo" }).click();
  await expect.poll(order).toEqual([true, false, false]);
  await page.reload();
  await part(page, "Artwork and its windows").waitFor();
  const [sheet] = await writePng(page, server);
  const same = (x: number, y: number): [number, number] => [x, y];
  expect(await seenOn(sheet!, same)).toEqual(["#1e9c1e", "#1e1ec8", "#c81e1e"]);
  await page.getByRole("link", { name: "Back to the table" }).click();

  // For a printer of other pixels: the artwork covers the page, each window where it belongs.
  await part(page, "Pixels per inch").click();
  await page.getByRole("textbox", { name: "Pixels per inch", exact: true }).fill("360");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await saved(page);
  await writePng(page, server);
  const finer = newest(server.data).path;
  expect(await sharp(finer).metadata()).toMatchObject({ width: 1440, height: 2160 });
  expect(await seenOn(finer, (x, y) => [x * 1.2, y * 1.2])).toEqual(["#1e9c1e", "#1e1ec8", "#c81e1e"]);
  await page.getByRole("link", { name: "Back to the table" }).click();

  // The next client: the same card, other photos.
  await page.getByRole("button", { name: "Keep as pattern" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Open-day card");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("“Open-day card” is in the pattern book.")).toBeVisible();
  await page.goto(`${server.address}/patterns`);
  await page
    .getByRole("listitem")
    .filter({ hasText: "Open-day card" })
    .getByRole("button", { name: "Start a job" })
    .click();
  await page.getByRole("region", { name: "Ticket" }).waitFor();
  const next = ["#b4b41e", "#b41eb4", "#1eb4b4"];
  const inOrder = [next[1], next[2], next[0]];
  await page.getByLabel("Photo files").setInputFiles(await photosIn(folder, next));
  await expect(page.getByText("3 in this job")).toBeVisible();
  await saved(page);
  await writePng(page, server);
  const forNext = newest(server.data).path;
  expect(await seenOn(forNext, (x, y) => [x * 1.2, y * 1.2])).toEqual(inOrder);
});

test("what is no artwork gets a sentence, at the start and later, and the job stays as it is", async ({
  table: page,
  folder,
}) => {
  await startJob(page, /Artwork with windows/);
  const bad = join(folder, "notes.png");
  writeFileSync(bad, "not a picture");
  await page.getByLabel("Artwork", { exact: true }).setInputFiles(bad);
  await expect(page.getByText(/“notes.png”: This is no graphic that can be read/)).toBeVisible();
  const flat = join(folder, "flat.png");
  await sharp({ create: { width: 600, height: 900, channels: 3, background: "#557788" } })
    .png()
    .toFile(flat);
  await page.getByLabel("Artwork", { exact: true }).setInputFiles(flat);
  await expect(page.getByText(/Nothing in “flat.png” is transparent/)).toBeVisible();
});
