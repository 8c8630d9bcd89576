import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { finish, notice } from "./finish.ts";
import { flatPhoto } from "./photos.ts";
import { cell, cells, expect, measure, part, saved, startJob, test, ticket } from "./test.ts";

/** A small photo with the exposure of a camera. */
async function exposed(folder: string, name: string, iso: number, taken: string): Promise<string> {
  const path = join(folder, name);
  await sharp({ create: { width: 600, height: 400, channels: 3, background: "#3c6e50" } })
    .withExif({
      IFD0: { Make: "Marram", Model: "Field body" },
      IFD2: {
        ExposureTime: "1/250",
        FNumber: "56/10",
        ISOSpeedRatings: String(iso),
        DateTimeOriginal: taken,
      },
    })
    .jpeg()
    .toFile(path);
  return path;
}

test("a contact sheet with exposure data, sorted and narrowed as the stash is", async ({
  table: page,
  folder,
  server,
}) => {
  const files = [
    await exposed(folder, "c-late.jpg", 400, "2026:10:04 18:00:00"),
    await exposed(folder, "a-early.jpg", 100, "2026:10:03 07:41:12"),
    await exposed(folder, "b-noon.jpg", 200, "2026:10:03 12:00:00"),
    await flatPhoto(folder, "d-scan.jpg", "#884422"),
    await flatPhoto(folder, "e-scan.jpg", "#224488"),
  ];
  await startJob(page, /Contact sheet/, ...files);
  expect(await ticket(page)).toContain("Show 5 photos, in their order, in 5 columns and 6 rows on A4 paper");
  await expect(cells(page)).toHaveCount(5);

  await test.step("sorts by the time, begins a section for each day", async () => {
    await part(page, "Which photos, and their order").click();
    await page.getByRole("radio", { name: "By the time they were taken" }).click();
    await page.keyboard.press("Escape");
    await expect(cell(page, 1)).toHaveAccessibleName(/a-early/);
    await part(page, "Sections").click();
    await page.getByRole("radio", { name: "A section for each day" }).click();
    await page.keyboard.press("Escape");
    expect(await ticket(page)).toContain("with a section for each day");
  });

  await test.step("rates two in the stash and shows only those; the sheet follows", async () => {
    await page.getByRole("button", { name: /^a-early.jpg/ }).click();
    await page.getByRole("button", { name: /^c-late.jpg/ }).click({ modifiers: ["Control"] });
    await expect(page.getByRole("region", { name: "Chosen photos" })).toContainText("2 photos");
    await page.getByRole("button", { name: "4 stars" }).click();
    await page.getByRole("textbox", { name: "New tag" }).fill("album");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("button", { name: /^a-early.jpg, 4 of 5 stars/ })).toBeVisible();
    await page.getByRole("button", { name: /^Sort and narrow/ }).click();
    await page.getByLabel("Rating").last().selectOption("3");
    await page.keyboard.press("Escape");
    await expect(cells(page)).toHaveCount(2);
    expect(await ticket(page)).toContain("Show 2 picked photos");
    await page.getByRole("button", { name: /^Sort and narrow/ }).click();
    await page.getByRole("button", { name: "Every photo, as they lie" }).click();
    await page.keyboard.press("Escape");
    await expect(cells(page)).toHaveCount(5);
  });

  await test.step("words with fields; a missing one leaves nothing hanging", async () => {
    await finish(page, "Words");
    await page
      .getByRole("textbox", { name: "Words", exact: true })
      .fill("[frame, 3 digits] [name]\n[shutter] · [aperture] · [iso]");
    await cell(page, 4).click();
    const reads = page.getByRole("region", { name: "Words", exact: true });
    await expect(reads).toContainText("004 d-scan");
    await page.getByRole("textbox", { name: "Words", exact: true }).press("End");
    await page.getByRole("button", { name: "Put a field in" }).click();
    await page.getByRole("menuitem", { name: "[rating]" }).click();
    await expect(page.getByRole("textbox", { name: "Words", exact: true })).toHaveValue(/\[rating\]/);
  });

  await test.step("a list gives photos words of their own", async () => {
    const list = join(folder, "titles.csv");
    writeFileSync(list, "photo,place\nd-scan.jpg,North hide\nz-none.jpg,Nowhere\n");
    await page.getByLabel("List of photos").setInputFiles(list);
    await expect(notice(page, /says something of one photo/)).toBeVisible();
    await expect(notice(page, /there is no photo “z-none.jpg”/)).toBeVisible();
    await page
      .getByRole("textbox", { name: "Words", exact: true })
      .fill("[name], [place]\n[shutter] · [aperture] · [iso]");
    await expect(page.getByRole("region", { name: "Words", exact: true })).toContainText(
      "d-scan, North hide",
    );
  });

  await test.step("the PDF has the words as text, equal to the photos' EXIF", async () => {
    await saved(page);
    await page.getByRole("link", { name: "Print or export" }).click();
    await page.getByRole("radio", { name: /^PDF/ }).click();
    await page.getByRole("button", { name: "Write the file" }).click();
    await expect(page.getByRole("listitem").filter({ hasText: /Written: / })).toBeVisible();
    const text = measure("pdftotext", "-layout", join(server.data, "out", "Contact sheet.pdf"), "-");
    for (const file of files.slice(0, 3)) {
      const [iso, aperture, shutter] = measure("exiftool", "-s3", "-ISO", "-FNumber", "-ExposureTime", file)
        .trim()
        .split("\n");
      expect(text).toContain(`${shutter} · f/${aperture} · ISO ${iso}`);
    }
    expect(text).toContain("d-scan, North hide");
    expect(text).toContain("3 October 2026");
    expect(text).toContain("Sheet 1 of 1");
  });

  await test.step("so has the SVG, with its letters inside, the same picture as the PNG", async () => {
    for (const format of [/^SVG/, /^PNG/]) {
      await page.getByRole("radio", { name: format }).click();
      await page.getByRole("button", { name: "Write the file" }).click();
      await expect(
        page
          .getByRole("listitem")
          .filter({ hasText: /Written: / })
          .first(),
      ).toContainText(format.source.slice(1).toLowerCase());
    }
    const svg = join(server.data, "out", "Contact sheet.svg");
    const png = join(server.data, "out", "Contact sheet.png");
    const source = readFileSync(svg, "utf8");
    expect(source).toContain('width="210mm" height="297mm"');
    expect(source).toContain(">d-scan, North hide</tspan>");
    expect(source).not.toMatch(/href="(?!data:|#)/);
    const viewer = await page.context().newPage();
    await viewer.setViewportSize({ width: 420, height: 594 });
    await viewer.goto(
      `data:text/html,<style>*{margin:0}</style><img src="data:image/svg+xml;base64,${readFileSync(svg).toString("base64")}" width="420">`,
    );
    await viewer.waitForFunction(() => document.images[0]!.complete);
    const shot = await sharp(await viewer.screenshot())
      .removeAlpha()
      .raw()
      .toBuffer();
    const ours = await sharp(png).resize(420, 594, { fit: "fill" }).removeAlpha().raw().toBuffer();
    let far = 0;
    for (let i = 0; i < ours.length; i++) if (Math.abs(ours[i]! - shot[i]!) > 60) far++;
    // Only edges and letters fall on other parts of a pixel.
    expect(far / ours.length).toBeLessThan(0.01);
    expect(ours.reduce((least, value) => Math.min(least, value))).toBeLessThan(90);
    await viewer.close();
  });
});
