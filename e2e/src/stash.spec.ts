import { execFileSync } from "node:child_process";
import { join } from "node:path";
import sharp from "sharp";
import { px } from "./finish.ts";
import { bands, flatPhoto, off, pixel } from "./photos.ts";
import { cell, expect, measure, saved, startCopies, startJob, test, type, writePng } from "./test.ts";

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("proofs: one a sheet, named by a rule, into a folder and a ZIP, nothing overwritten unless asked", async ({
  table: page,
  folder,
  server,
}) => {
  const names = ["gull:1.jpg", "tern.jpg", "knot.jpg"];
  const files = [];
  for (const [i, name] of names.entries())
    files.push(await flatPhoto(folder, name, ["#884422", "#228844", "#442288"][i]!, 600, 400));
  await startJob(page, /One per sheet/, ...files);
  await saved(page);
  await page.getByRole("link", { name: "Print or export" }).click();
  await page.getByRole("textbox", { name: "File names" }).fill("[name]-[sheet, 3 digits]");
  await type(page, "First number", "7");
  await expect(page.getByText("gull:1-007.jpg, tern-008.jpg and so on, 3 files")).toBeVisible();
  await page.getByRole("textbox", { name: "Folder for them" }).fill("Members");
  const write = page.getByRole("button", { name: "Write 3 sheets" });
  // The photos are small, which is said each time and passed knowingly.
  const writeKnowingly = async () => {
    await write.click();
    await page.getByRole("button", { name: "Do it all the same" }).click();
  };
  const done = page.getByRole("listitem").filter({ hasText: /Written: / });
  await writeKnowingly();
  await expect(done).toHaveCount(1);
  await writeKnowingly();
  await expect(done).toHaveCount(2);
  const listed = () =>
    execFileSync("ls", [join(server.data, "out", "Members")], { encoding: "utf8" })
      .trim()
      .split("\n");
  // A colon is no sign for a file name, so it is a dash there.
  expect(listed()).toEqual([
    "gull-1-007 (2).jpg",
    "gull-1-007.jpg",
    "knot-009 (2).jpg",
    "knot-009.jpg",
    "tern-008 (2).jpg",
    "tern-008.jpg",
  ]);
  await page.getByRole("checkbox", { name: "write over files of the same names" }).check();
  await writeKnowingly();
  await expect(done).toHaveCount(3);
  expect(listed()).toHaveLength(6);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    done.first().getByRole("link", { name: "Take all as a ZIP" }).click(),
  ]);
  const zip = join(folder, "proofs.zip");
  await download.saveAs(zip);
  const inside = measure("python3", "-m", "zipfile", "-l", zip);
  expect(inside).toMatch(/Members\/gull-1-007\.jpg/);
  // An even white border: 6 mm on all four sides of 177.8 × 127 mm.
  const proof = join(server.data, "out", "Members", "tern-008.jpg");
  expect(await bands(proof, "row", 600)).toEqual([[px(6), px(177.8 - 6)]]);
  expect(await bands(proof, "column", 900)).toEqual([[px(6), px(127 - 6)]]);
});

test("the stash: two thousand photos, multi-select, where used, replaced everywhere, HEIC", async ({
  table: page,
  folder,
  server,
}) => {
  const start = async (stash: { id: string; name: string; number: number }[]) => {
    const fresh = await (
      await fetch(`${server.address}/api/jobs`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify({ kind: "copies", name: "Many", locale: "en-GB" }),
      })
    ).json();
    const answer = await fetch(`${server.address}/api/jobs/import`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ ...fresh.job, stash, numbered: stash.length }),
    });
    return (await answer.json()).id as string;
  };

  await test.step("of two thousand only what is seen is drawn", async () => {
    const many = Array.from({ length: 2000 }, (_, i) => ({
      id: `p${i}`,
      name: `IMG_${i + 1}.jpg`,
      number: i + 1,
    }));
    await page.goto(`${server.address}/jobs/${await start(many)}`);
    await expect(page.getByText("2000 in this job")).toBeVisible();
    const tiles = page.locator("[data-photo]");
    expect(await tiles.count()).toBeLessThan(60);
    await tiles.first().focus();
    for (let i = 0; i < 12; i++) await page.keyboard.press("ArrowDown");
    await expect(page.locator("[data-photo]:focus")).toHaveAccessibleName(/^IMG_25.jpg/);
    await page
      .getByRole("textbox", { name: "Search photos by name" })
      .or(page.getByLabel("Search photos by name"))
      .first()
      .fill("IMG_1999");
    await expect(tiles).toHaveCount(1);
  });

  await page.goto(server.address);
  const red = await flatPhoto(folder, "red.jpg", "#c80000");
  const blue = await flatPhoto(folder, "blue.jpg", "#0000c8");
  const heic = join(folder, "phone.heic");
  const png = join(folder, "phone.png");
  await sharp({ create: { width: 640, height: 480, channels: 3, background: "#00a000" } })
    .png()
    .toFile(png);
  execFileSync("/usr/bin/heif-enc", ["-q", "90", png, "-o", heic], { stdio: "ignore" });
  await startCopies(page, red, blue, heic);

  await test.step("a HEIC photo from a telephone is read, and printed", async () => {
    await page.getByRole("button", { name: /^phone.heic/ }).click();
    await page
      .getByRole("button", { name: "In cell 1" })
      .or(page.getByRole("button", { name: "Put in all" }))
      .first()
      .click();
    await expect(cell(page, 1)).toHaveAccessibleName(/phone.heic/);
    const preview = await page
      .locator("[data-photo] img")
      .last()
      .evaluate((image: HTMLImageElement) => image.naturalWidth);
    expect(preview).toBe(320);
  });

  await test.step("says where a photo is used, goes there, and shows only the unused", async () => {
    await expect(page.getByRole("region", { name: "Chosen photos" })).toContainText("sheet 1 cell 1");
    await page.getByRole("button", { name: "sheet 1 cell 3" }).click();
    await expect(cell(page, 3)).toHaveAttribute("aria-selected", "true");
  });

  await test.step("replaces it everywhere with another file, and undoes that", async () => {
    await page
      .getByLabel("File to replace it with")
      .setInputFiles(await flatPhoto(folder, "green.jpg", "#00c800"));
    await expect(cell(page, 8)).toHaveAccessibleName(/green.jpg/);
    await saved(page);
    await page.getByRole("button", { name: /^Undo/ }).click();
    await expect(cell(page, 8)).toHaveAccessibleName(/phone.heic/);
  });

  await test.step("takes several out at once", async () => {
    await page.getByRole("button", { name: /^red.jpg/ }).click();
    await page.getByRole("button", { name: /^blue.jpg/ }).click({ modifiers: ["Shift"] });
    await page.getByRole("region", { name: "Chosen photos" }).getByRole("button", { name: "Remove" }).click();
    await expect(page.getByText("1 in this job")).toBeVisible();
  });
  const [path] = await writePng(page, server);
  expect(off(await pixel(path!, px(20), px(20)), "#00a000")).toBeLessThan(12);
});
