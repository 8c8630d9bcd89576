import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { execFileSync } from "node:child_process";
import { colouredPhotos } from "./photos.ts";
import { expect, faults, jobOf, part, saved, startJob, test, ticket, write } from "./test.ts";

const ICS = [
  ...["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//x//EN"],
  ...[
    "BEGIN:VEVENT",
    "UID:1@x",
    "DTSTAMP:20260101T000000Z",
    "DTSTART;VALUE=DATE:20270313",
    "DTEND;VALUE=DATE:20270316",
  ],
  ...["SUMMARY:Spring ringing", "END:VEVENT", "END:VCALENDAR", ""],
].join("\r\n");

const COLOURS = ["#c81e1e", "#1e9c1e", "#1e1ec8"];

test("a wall calendar with its cover, days from a file, to pages that are measured; and next year’s", async ({
  table: page,
  server,
  folder,
}) => {
  await startJob(page, /^Calendar/, ...(await colouredPhotos(folder, COLOURS)));
  await part(page, "Which months").click();
  await page.getByRole("combobox", { name: "First month" }).selectOption("March");
  await page.getByRole("textbox", { name: "Year" }).fill("2027");
  await page.getByRole("textbox", { name: "How many months" }).fill("3");
  await page.getByRole("textbox", { name: "How many months" }).press("Enter");
  await page.keyboard.press("Escape");
  await expect.poll(() => ticket(page)).toContain("March to May 2027");

  await part(page, "How days are set").click();
  await page.getByRole("radio", { name: "room to write" }).click();
  await page.keyboard.press("Escape");
  await expect.poll(() => ticket(page)).toContain("days in room to write");

  // Days are dropped as a file of events, or chosen.
  const diary = join(folder, "diary.ics");
  writeFileSync(diary, ICS);
  await part(page, "Days that mean something").click();
  await page.getByLabel("Files of events or lists of days").setInputFiles(diary);
  await expect(page.getByRole("button", { name: /^diary/ })).toContainText("1 day");
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await saved(page);
  const job = await jobOf(page);
  expect(job.calendar!.sources.s1!.days).toEqual([
    { day: "2027-03-13", last: "2027-03-15", text: "Spring ringing" },
  ]);

  const [pdf] = await write(page, server, "PDF", "all the same");
  const text = (sheet: number) =>
    execFileSync("pdftotext", ["-raw", "-f", String(sheet), "-l", String(sheet), pdf!, "-"], {
      encoding: "utf8",
    });
  // The cover, then March to May, in the names of the browser’s language.
  expect(text(1)).toContain("2027");
  expect(text(2)).toMatch(/March 2027/);
  expect(text(2)).toMatch(/Spring ringing/);
  expect(text(4)).toMatch(/May 2027/);
  // 60 % of A3 or tabloid is the photo; by Poppler’s pixels at 20 ppi.
  const png = join(folder, "page");
  execFileSync("pdftoppm", ["-r", "20", "-f", "2", "-l", "2", "-png", "-singlefile", pdf!, png]);
  const { data, info } = await sharp(`${png}.png`).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => [
    ...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3),
  ];
  const middle = Math.round(info.width / 2);
  expect(at(middle, Math.round(info.height * 0.59))[0]).toBeGreaterThan(150);
  expect(at(middle, Math.round(info.height * 0.61))).toEqual([255, 255, 255]);

  await page.goto(`${server.address}/jobs/${page.url().split("/jobs/")[1]!.split("/")[0]!}`);
  await part(page, "Which months").click();
  await page.getByRole("button", { name: "Make next year’s" }).click();
  await expect.poll(() => ticket(page)).toContain("March to May 2028");
  const next = await jobOf(page);
  expect(next.stash).toEqual([]);
  expect(next.ticket).toMatchObject({ kind: "calendar", style: "write" });
});

test("a month in a collage keeps its place and its month", async ({ table: page, folder }) => {
  await startJob(page, /^Collage/, ...(await colouredPhotos(folder, COLOURS)));
  await page
    .getByRole("radio", { name: "Finish" })
    .or(page.getByRole("tab", { name: "Finish" }))
    .or(page.getByRole("button", { name: "Finish" }))
    .first()
    .click();
  await page.getByRole("button", { name: /Tables and months/ }).click();
  await page.getByRole("button", { name: "A month", exact: true }).click();
  await page.getByRole("combobox", { name: "Month", exact: true }).selectOption("June");
  await saved(page);
  const job = await jobOf(page);
  expect(job.blocks.b1).toMatchObject({ kind: "days", style: "large", of: { span: "month" } });
  expect(job.calendar).not.toBeNull();
  await expect(page.getByText(/^June$/).first()).toBeVisible();
});
