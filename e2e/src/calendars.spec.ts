import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import sharp from "sharp";
import type { Page } from "@playwright/test";
import { colouredPhotos } from "./photos.ts";
import { expect, faults, jobOf, measure, part, saved, startJob, test, ticket, type, write } from "./test.ts";

/** Eight photos, each of one colour that no other has. */
const COLOURS = ["#c81e1e", "#1e9c1e", "#1e1ec8", "#c8c81e", "#c81ec8", "#1ec8c8", "#787878", "#784614"];

/** A page of a PDF in pixels, by Poppler, and the number of the photo at a place of it, in mm; 0 for paper. */
async function painted(pdf: string, page: number, folder: string, ppi = 40) {
  const to = join(folder, `page-${page}`);
  measure("pdftoppm", "-r", `${ppi}`, "-f", `${page}`, "-l", `${page}`, "-png", "-singlefile", pdf, to);
  const { data, info } = await sharp(`${to}.png`).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const px = (mm: number) => Math.round((mm * ppi) / 25.4);
  const pixel = (x: number, y: number) =>
    data.subarray(3 * (y * info.width + x), 3 * (y * info.width + x) + 3);
  return {
    size: [info.width, info.height],
    photoAt(x: number, y: number): number {
      const hex = pixel(px(x), px(y)).toString("hex");
      const near = (colour: string) =>
        [1, 3, 5].every(
          (at) =>
            Math.abs(parseInt(colour.slice(at, at + 2), 16) - parseInt(hex.slice(at - 1, at + 1), 16)) < 6,
        );
      return COLOURS.findIndex(near) + 1;
    },
  };
}

const textOf = (pdf: string, page: number, ...box: number[]): string =>
  measure(
    "pdftotext",
    ...["-f", `${page}`, "-l", `${page}`],
    // A part of the page, in pixels of 72 to the inch.
    ...["-x", "-y", "-W", "-H"].flatMap((flag, i) =>
      box.length > 0 ? [flag, `${Math.round(box[i]! * (72 / 25.4))}`] : [],
    ),
    pdf,
    "-",
  );

async function months(page: Page, first: string, count: number): Promise<void> {
  await part(page, "Which months").click();
  await page.getByRole("combobox", { name: "First month" }).selectOption(first);
  await type(page, "Year", "2027");
  await type(page, "How many months", String(count));
  await page.keyboard.press("Escape");
}

async function beginAs(page: Page, product: RegExp): Promise<void> {
  await part(page, "What kind of calendar").click();
  await page.getByRole("button", { name: product }).click();
  await page.keyboard.press("Escape");
}

test("quarters to a page, photos swapped by dragging, the border moved by hand and by keys, one month alone", async ({
  table: page,
  server,
  folder,
}) => {
  await startJob(page, /^Calendar/, ...(await colouredPhotos(folder, COLOURS.slice(0, 4))));
  await months(page, "January", 12);
  await beginAs(page, /^Wall calendar A3/);
  await part(page, "What kind of calendar").click();
  await page.getByRole("radio", { name: "A quarter" }).click();
  await page.keyboard.press("Escape");
  await expect.poll(() => ticket(page)).toContain("a quarter to a page of A3 paper, upright");

  await test.step("the third quarter’s photo goes to the first, and that one to the third", async () => {
    await page.getByRole("button", { name: "Sheets", exact: true }).click();
    const sheets = page.getByRole("dialog", { name: "Sheets" }).getByRole("listitem");
    await expect(sheets).toHaveCount(5);
    await sheets.nth(3).dragTo(sheets.nth(1));
    expect(await faults(page)).toEqual([]);
    await page.keyboard.press("Escape");
    await saved(page);
  });

  await test.step("the border is dragged from 60 to 45 %, and 2 further by keys", async () => {
    await page.getByRole("button", { name: "Next sheet" }).click();
    const border = page.getByRole("separator", { name: "Border between photo and days" });
    const sheet = (await page.getByRole("img", { name: "Sheet 2 of 5" }).boundingBox())!;
    // What photo and days share of 420 mm.
    const step = (408 / 420) * sheet.height;
    const from = (await border.boundingBox())!;
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2 - 0.08 * step, {
      steps: 4,
    });
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2 - 0.15 * step, {
      steps: 4,
    });
    await page.mouse.up();
    await expect.poll(() => ticket(page)).toContain("the photo above taking 45 %");
    await border.focus();
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("ArrowUp");
    await expect.poll(() => ticket(page)).toContain("the photo above taking 43 %");
    expect(await faults(page)).toEqual([]);
    // Both keys are one step back.
    await page.keyboard.press("ControlOrMeta+z");
    await expect.poll(() => ticket(page)).toContain("the photo above taking 45 %");
    await saved(page);
  });

  const [pdf] = await write(page, server, "PDF", "all the same");
  // Below 12 mm for the binding, 45 % of 408 mm are 183.6 mm: two millimetres before 195.6 is the photo, two after the days.
  const shown = await Promise.all(
    [1, 2, 3, 4, 5].map(async (sheet) => {
      const { photoAt } = await painted(pdf!, sheet, folder);
      return sheet === 1 ? [photoAt(148, 30)] : [photoAt(148, 193.6), photoAt(148, 197.6)];
    }),
  );
  // The cover shows what January’s page shows.
  expect(shown).toEqual([[3], [3, 0], [2, 0], [1, 0], [4, 0]]);
  expect(textOf(pdf!, 3)).toMatch(/April[\s\S]*May[\s\S]*June/);
  expect(textOf(pdf!, 3)).not.toMatch(/March|July/);

  await test.step("the shell paints the same pixels as the server", async () => {
    const file = join(folder, "job.json");
    writeFileSync(file, JSON.stringify(await jobOf(page)));
    const written = await write(page, server, "PNG", "all the same");
    const shell = fileURLToPath(new URL("../../apps/cli/dist/main.js", import.meta.url));
    measure("node", shell, "render", file, "--photos", folder, "--out", join(folder, "shell.png"));
    // All but the date in them, which the shell leaves out so that the same job is always the same file.
    const pixels = (path: string) => measure("identify", "-format", "%w %h %#", path);
    for (const [i, path] of written.entries())
      expect(pixels(join(folder, `shell 0${i + 1}.png`)), path).toBe(pixels(path));
  });

  await test.step("the second quarter by itself has its photo", async () => {
    await page.goBack();
    await part(page, "Which months").click();
    await page.getByRole("combobox", { name: "The page" }).selectOption("April to June");
    await page.getByRole("button", { name: "Make it alone" }).click();
    await expect.poll(() => ticket(page)).toContain("April to June 2027");
    const alone = await jobOf(page);
    expect(alone.stash.map(({ name }) => name)).toEqual(["month-2.png"]);
    const one = (await write(page, server, "PDF")).find((path) => path !== pdf);
    expect(measure("pdfinfo", one!)).toMatch(/Pages:\s+1\n/);
    expect((await painted(one!, 1, folder)).photoAt(148, 193.6)).toBe(2);
    expect(textOf(one!, 1)).toBe(textOf(pdf!, 3));
  });
});

test("a poster of the year: twelve columns of days, days of a dropped file in theirs", async ({
  table: page,
  server,
}) => {
  await startJob(page, /^Calendar/);
  await months(page, "January", 12);
  await beginAs(page, /^Poster of the year/);
  await expect.poll(() => ticket(page)).toContain("a year to a page of A2 paper, on its side");
  const events = ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//x//EN", "BEGIN:VEVENT", "UID:1@x"].concat(
    ["DTSTAMP:20260101T000000Z", "DTSTART;VALUE=DATE:20270910", "RRULE:FREQ=MONTHLY;COUNT=2"],
    ["SUMMARY:Ringing", "END:VEVENT", "END:VCALENDAR", ""],
  );
  await page.getByRole("region", { name: "Table" }).evaluate((table, text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], "diary.ics", { type: "text/calendar" }));
    for (const kind of ["dragenter", "dragover", "drop"])
      table.dispatchEvent(new DragEvent(kind, { dataTransfer: data, bubbles: true, cancelable: true }));
  }, events.join("\r\n"));
  await expect(page.getByText("The days of diary.ics are in.")).toBeVisible();
  await saved(page);
  const [pdf] = await write(page, server, "PDF");
  expect(measure("pdfinfo", pdf!)).toMatch(/Pages:\s+1\n[\s\S]*Page size:\s+1683\.\d+ x 1190\.\d+ pts/);
  // Twelve columns share 594 − 2 · 16 mm: September is in the ninth, from 390 to 437 mm, October in the next.
  const column = (month: number) => textOf(pdf!, 1, 16 + ((month - 1) * 562) / 12 - 1, 0, 562 / 12, 420);
  expect(column(9)).toMatch(/September/);
  expect(column(9)).toMatch(/Ringing/);
  expect(column(10)).toMatch(/Ringing/);
  for (const other of [1, 8, 11]) expect(column(other), `${other}`).not.toMatch(/Ringing/);
  // 10 September 2027 is a Friday: by Python’s calendar.
  expect(
    measure("python3", "-c", "import datetime; print(datetime.date(2027, 9, 10).isoweekday())").trim(),
  ).toBe("5");
});

test("a desk tent: a month at the front, the next one at the back, upside down on the sheet", async ({
  table: page,
  server,
  folder,
}) => {
  await startJob(page, /^Calendar/, ...(await colouredPhotos(folder, COLOURS.slice(0, 2))));
  await months(page, "March", 2);
  await beginAs(page, /^Desk tent/);
  await page.getByRole("radio", { name: "As printed" }).click();
  await expect(page.getByRole("img", { name: "Sheet 1 of 1 as it is printed" })).toBeVisible();
  await saved(page);
  const [pdf] = await write(page, server, "PDF");
  expect(measure("pdfinfo", pdf!)).toMatch(/Pages:\s+1\n/);
  const { size, photoAt } = await painted(pdf!, 1, folder);
  expect(size).toEqual([331, 468]);
  // Two pages of 210 × 148 mm, foot to foot once folded: on A4 both are 148 of 297 mm high. The photo is at the left of
  // each as that stands: of the upper one, which lies head down, at the right of the sheet.
  const [left, right] = [[30, 180] as const].flat() as [number, number];
  const upper = [photoAt(left, 74), photoAt(right, 74)];
  const lower = [photoAt(left, 222), photoAt(right, 222)];
  expect([upper, lower]).toEqual([
    [0, expect.any(Number)],
    [expect.any(Number), 0],
  ]);
  expect([upper[1], lower[0]].sort()).toEqual([1, 2]);
  const words = textOf(pdf!, 1);
  expect(words).toMatch(/March/);
  expect(words).toMatch(/April/);
});

test("a change of the first day of the week is on the table with the next frame", async ({
  table: page,
  folder,
}) => {
  await startJob(page, /^Calendar/, ...(await colouredPhotos(folder, COLOURS)));
  await page.getByRole("button", { name: "Next sheet" }).click();
  await part(page, "Weeks and language").click();
  const first = page.getByRole("combobox", { name: "Weeks begin on" });
  await first.selectOption("Monday");
  await saved(page);
  // What is drawn when the next frame begins, and how long the change itself takes.
  const changed = (day: string) =>
    first.evaluate(async (field: HTMLSelectElement, day) => {
      const sheet = document.querySelector("svg[aria-label='Sheet 2 of 13']")!;
      const names = () =>
        [...sheet.querySelectorAll("text")]
          .map(({ textContent }) => textContent ?? "")
          .filter((text) => /^(Sun|Mon)/.test(text));
      const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
      await frame();
      await frame();
      const before = performance.now();
      field.value = [...field.options].find(({ text }) => text === day)!.value;
      field.dispatchEvent(new Event("change", { bubbles: true }));
      const took = performance.now() - before;
      await frame();
      return { took, first: names()[0]! };
    }, day);
  const times: number[] = [];
  for (let i = 0; i < 20; i++) {
    const day = i % 2 === 0 ? "Sunday" : "Monday";
    const { took, first: named } = await changed(day);
    times.push(took);
    expect(named.slice(0, 3)).toBe(day.slice(0, 3));
  }
  const usual = times.sort((a, b) => a - b)[times.length >> 1]!;
  test.info().annotations.push({ type: "milliseconds of a change", description: usual.toFixed(1) });
  // One of sixty a second; where a machine is slow or busy, three of them.
  expect(usual).toBeLessThan(process.env.WIDE_QUILT_LONG === "1" ? 1000 / 60 : 50);
});
