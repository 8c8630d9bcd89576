import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { deltaE2000, labOf } from "@wide-quilt/core";
import { demoProfiles } from "@wide-quilt/demo";
import { flatPhoto } from "./photos.ts";
import { expect, faults, measure, part, saved, startCopies, startJob, sum, test, type } from "./test.ts";

const written = (page: Page) => page.getByRole("listitem").filter({ hasText: /Written: / });

const toPress = async (page: Page) => {
  await saved(page);
  await page.getByRole("link", { name: "Print or export" }).click();
  await expect(page.getByAltText(/as it is written/)).toBeVisible();
};

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("a sheet for a press: its profile is added, proved on screen, written as TIFF, and made again to the byte", async ({
  table: page,
  folder,
  server,
}) => {
  const icc = join(folder, "dune.icc");
  writeFileSync(icc, demoProfiles()[1]!.profile);
  // A green that no uncoated paper has.
  await startCopies(page, await flatPhoto(folder, "green.jpg", "#00ff00", 1400, 1800));
  await toPress(page);

  await test.step("a file that is no profile is refused with a sentence, and nothing changes", async () => {
    const wrong = join(folder, "wrong.icc");
    writeFileSync(wrong, "no profile at all");
    await page.getByLabel("ICC profile").setInputFiles(wrong);
    await expect(page.getByText(/not an ICC profile/)).toBeVisible();
    await expect(page.getByRole("combobox", { name: "Profile" })).toHaveValue("srgb");
    await page.getByRole("button", { name: "Close" }).click();
  });

  await test.step("the right one is chosen as it comes", async () => {
    await page.getByLabel("ICC profile").setInputFiles(icc);
    await expect(page.getByRole("combobox", { name: "Profile" }).locator("option:checked")).toHaveText(
      "Dune press, uncoated (CMYK)",
    );
    await page.getByRole("combobox", { name: "Intent" }).selectOption("perceptual");
  });

  await test.step("the soft proof says how much cannot be printed, and covers it", async () => {
    await page.getByRole("radio", { name: "As printed" }).click();
    const proof = page.getByAltText("Sheet 1 as it will look printed");
    await expect(proof).toBeVisible({ timeout: 60_000 });
    // Eight pieces of 35 × 45 mm on 4 × 6 in are 81.4 % of the sheet, and they are all that green.
    await expect(page.getByText(/^8[12]\.\d\s% of the sheet cannot be printed/)).toBeVisible();
    const middle = () =>
      proof.evaluate(async (image: HTMLImageElement) => {
        await image.decode();
        const canvas = document.createElement("canvas");
        [canvas.width, canvas.height] = [image.naturalWidth, image.naturalHeight];
        const context = canvas.getContext("2d")!;
        context.drawImage(image, 0, 0);
        return [...context.getImageData(canvas.width * 0.13, canvas.height * 0.25, 1, 1).data.slice(0, 3)];
      });
    // A duller green: sRGB to the press by the perceptual intent and back, 174 199 97 by transicc.
    const lab = ([r, g, b]: number[]) => labOf(r!, g!, b!);
    // Looked at again where the picture was changed for the next one at this moment.
    await expect(async () =>
      expect(deltaE2000(lab(await middle()), lab([174, 199, 97]))).toBeLessThan(4),
    ).toPass({ timeout: 60_000 });
    await page.getByLabel("cover what cannot be printed").check();
    await expect(async () => expect(await middle()).toEqual([255, 0, 200])).toPass({ timeout: 60_000 });
    expect(await faults(page)).toEqual([]);
    await page.getByRole("radio", { name: "As written" }).click();
  });

  await test.step("written as TIFF it has four inks, the profile, its density and what it says of itself", async () => {
    await page.getByRole("radio", { name: "TIFF" }).click();
    await page.getByRole("textbox", { name: "By", exact: true }).fill("Marram Spit");
    await page.getByRole("textbox", { name: "Copyright" }).fill("© 2026 Marram Spit");
    await page.getByRole("button", { name: "Write the file" }).click();
    await expect(written(page)).toHaveCount(1);
    const path = join(server.data, "out", "Copies of one photo.tif");
    expect(measure("identify", "-format", "%[colorspace] %w %h %x %U", path)).toBe(
      "CMYK 1800 1200 300 PixelsPerInch",
    );
    expect(
      measure("exiftool", "-s3", "-ICC_Profile:ProfileDescription", "-IFD0:Artist", "-XMP-dc:Rights", path)
        .trim()
        .split("\n"),
    ).toEqual(["Dune press, uncoated", "Marram Spit", "© 2026 Marram Spit"]);
  });

  await test.step("again exactly as before needs no dialog and gives the same bytes", async () => {
    await page.getByRole("button", { name: "Again exactly as before" }).click();
    await expect(written(page)).toHaveCount(2);
    const [first, second] = ["", " (2)"].map((again) =>
      readFileSync(join(server.data, "out", `Copies of one photo${again}.tif`)),
    );
    expect(second!.equals(first!)).toBe(true);
  });

  await test.step("PNG cannot hold it, which is said", async () => {
    await page.getByRole("radio", { name: "PNG" }).click();
    await page.getByRole("button", { name: "Write the file" }).click();
    await expect(page.getByText(/A PNG cannot hold CMYK colours/).first()).toBeVisible();
  });

  await test.step("all runs are kept in one view", async () => {
    await page.getByRole("link", { name: "All runs" }).click();
    await expect(page.getByRole("region", { name: "Made" }).getByRole("listitem")).toHaveCount(3);
    expect(await faults(page)).toEqual([]);
  });
});

test("a JPEG within its bytes, with the curve of size against quality", async ({
  table: page,
  folder,
  server,
}) => {
  const noise = join(folder, "noise.jpg");
  measure("/usr/bin/convert", "-size", "1400x1800", "xc:", "+noise", "Random", "-blur", "0x1", noise);
  await startCopies(page, noise);
  await toPress(page);
  await page.getByRole("button", { name: "Size against quality" }).click();
  const curve = page.getByRole("img", { name: /^Size by quality/ });
  await expect(curve).toBeVisible({ timeout: 60_000 });
  const at100 = /100: ([\d.]+) MB/.exec((await curve.getAttribute("aria-label"))!.replaceAll("\u00a0", " "))!;
  expect(Number(at100[1])).toBeGreaterThan(1);
  await page.getByLabel("a limit for its bytes").check();
  await type(page, "At most", "600");
  await page.getByRole("button", { name: "Write the file" }).click();
  await expect(written(page)).toHaveCount(1);
  const path = join(server.data, "out", "Copies of one photo.jpg");
  expect(readFileSync(path).length).toBeLessThanOrEqual(600_000);
  expect(
    measure("exiftool", "-s3", "-JFIF:XResolution", "-IFD0:XResolution", path).trim().split("\n"),
  ).toEqual(["300", "300"]);
  await type(page, "At most", "20");
  await page.getByRole("button", { name: "Write the file" }).click();
  // The proof says it too, as soon as it is painted anew.
  const runs = page.getByRole("complementary", { name: "To check, and written so far" });
  await expect(runs.getByText(/Even at quality 40 the file has/)).toBeVisible();
});

test("photos are sharpened for the paper as strongly as is asked, and not at all where nothing is", async ({
  table: page,
  folder,
  server,
}) => {
  // A soft edge between two greys, 90 and 160, down the middle.
  const edge = join(folder, "edge.png");
  const greys = ["-size", "700x1800", "xc:rgb(90,90,90)", "xc:rgb(160,160,160)", "+append"];
  measure("/usr/bin/convert", ...greys, "-blur", "0x3", edge);
  await startCopies(page, edge);
  await saved(page);
  /** The darkest and the lightest grey of the first piece as it is written, and how far from grey any pixel is. */
  const greysOf = (path: string) =>
    measure(
      "/usr/bin/convert",
      path,
      "-crop",
      "300x400+80+100",
      "-format",
      "%[fx:round(255*minima)] %[fx:round(255*maxima)] %[fx:round(255*(maxima.r-maxima.b))]",
      "info:",
    )
      .split(" ")
      .map(Number);
  let count = 0;
  const press = async () => {
    await page.getByRole("link", { name: "Print or export" }).click();
    await page.getByRole("radio", { name: /^PNG/ }).click();
    // What was written before has to be listed first: the list comes a moment after the page.
    await expect(written(page)).toHaveCount(count);
    await page.getByRole("button", { name: "Write the file" }).click();
    await expect(written(page)).toHaveCount(++count);
    const name = await written(page).first().locator("b").innerText();
    await page.getByRole("link", { name: "Back to the table" }).click();
    return greysOf(join(server.data, "out", name));
  };
  const strengthen = async (strength: string) => {
    await page
      .getByRole("tab", { name: "Finish" })
      .or(page.getByRole("radio", { name: "Finish" }))
      .first()
      .click();
    await page.getByRole("button", { name: /^Sharpening/ }).click();
    await page.getByRole("radio", { name: new RegExp(`^${strength}`) }).click();
    await saved(page);
  };
  const [plainLeast, plainMost] = (await press()) as [number, number];
  expect([plainLeast, plainMost]).toEqual([90, 160]);
  await strengthen("High");
  const [least, most, off] = (await press()) as [number, number, number];
  expect(least).toBeLessThan(90);
  expect(most).toBeGreaterThan(160);
  expect(off).toBe(0);
  await strengthen("Low");
  const [low, up] = (await press()) as [number, number];
  expect(up - low).toBeLessThan(most - least);
  expect(up - low).toBeGreaterThan(70);
});

test("a ruler sheet measures a printer, and from then on its sheets come out true", async ({
  table: page,
  server,
}) => {
  await startJob(page, /Ruler sheet/);
  await expect(page.getByRole("region", { name: "Ticket" })).toContainText("Two scales to measure on");
  await toPress(page);
  await page.getByRole("radio", { name: "PDF" }).click();
  await page.getByRole("button", { name: "Write the file" }).click();
  await expect(written(page)).toHaveCount(1);
  const ruler = join(server.data, "out", "Ruler sheet.pdf");
  // A4 has room for 18 cm across and 26 down between 15 mm at each end.
  expect(measure("pdftotext", "-layout", ruler, "-")).toMatch(/Across: 180.mm[\s\S]*Down: 260.mm/);
  const lines = measure("qpdf", "--qdf", "--object-streams=disable", ruler, "-");
  const across = /([\d.]+) ([\d.]+) m\s+([\d.]+) \2 l/g;
  const longest = Math.max(...[...lines.matchAll(across)].map(([, x1, , x2]) => Number(x2) - Number(x1)));
  expect((longest * 25.4) / 72).toBeCloseTo(180, 2);

  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  await page.getByRole("link", { name: "Sizes" }).click();
  const lab = page.getByRole("listitem").filter({ hasText: "Lab, lustre" });
  await lab.getByRole("button", { name: "Change" }).click();
  await type(page, "Across, measured", "178.2");
  await type(page, "Down, measured", "263.9");
  expect(await faults(page)).toEqual([]);
  await page.getByRole("button", { name: "Correct by these measures" }).click();
  await expect(page.getByText(/Prints 99.00\s% across and 101.50\s% down/)).toBeVisible();
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(lab).toContainText("99.00 %");
  expect(await faults(page)).toEqual([]);

  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  await startJob(page, /^Free/);
  await part(page, "Where it is made").click();
  await page.getByRole("radio", { name: /Lab, matte/ }).click();
  await page.getByRole("radio", { name: /Lab, lustre/ }).click();
  await page.keyboard.press("Escape");
  // 1 / 0.99 is 1.01 % more, 1 / 1.015 is 1.48 % less.
  await expect(sum(page, "written")).toContainText(/\+1\.01\s%.*−1\.48\s%/);
});
