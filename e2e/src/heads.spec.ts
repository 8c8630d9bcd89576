import sharp from "sharp";
import { SITTERS, sitterPhoto } from "./sitters.ts";
import { cell, cells, expect, faults, headsOf, jobOf, saved, startJob, test, write } from "./test.ts";

/** Room at the right of somebody, as beside a friend who stepped out of the picture. */
const BESIDE = { x: -50, y: -80, width: 1600, height: 1000 };
/** Dots on the hair and on the chin, of a colour that is nowhere else. */
const DOTS = [200, 560].map((y) => `<circle cx="350" cy="${y}" r="9" fill="#ff00ff"/>`).join("");

/** Pixels of the dots in a picture. */
async function dotted(path: string): Promise<number> {
  const { data, info } = await sharp(path).raw().toBuffer({ resolveWithObject: true });
  let count = 0;
  for (let i = 0; i < data.length; i += info.channels)
    if (data[i]! > 180 && data[i + 1]! < 90 && data[i + 2]! > 180) count++;
  return count;
}

test("crops keep heads in, say where they do not, and heads are the photo’s", async ({
  table: page,
  folder,
  server,
}) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  const file = await sitterPhoto(folder, "friend-who-stepped-out-of-the-picture-just-then.jpg", SITTERS[0]!, {
    width: 2400,
    height: 1500,
    frame: BESIDE,
    over: DOTS,
  });
  await startJob(page, /Copies of one photo/, file);
  const heads = async () => Object.values(await headsOf(page)).flat().length;
  await expect.poll(heads, { timeout: 60_000 }).toBe(1);
  await saved(page);

  await test.step("the head is in every piece that is written", async () => {
    // A piece of 35 × 45 mm has 0.35 px for one of the drawing: a dot of radius 9 has some 80 px.
    const pieces = await cells(page).count();
    expect(pieces).toBe(8);
    const [path] = await write(page, server, "PNG");
    expect(await dotted(path!)).toBeGreaterThan(pieces * 2 * 50);
    await page.goBack();
  });

  await test.step("a crop by hand that cuts it is told, and given back", async () => {
    await cell(page, 1).click();
    const box = (await cell(page, 1).boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 - 60, box.y + box.height / 2, { steps: 5 });
    await page.mouse.up();
    await expect(
      page.getByText(/The crop of friend-who.* (cuts the head|leaves a head out)\./),
    ).toBeVisible();
    await page.getByRole("button", { name: "Keep heads in" }).click();
    await expect(page.getByText(/The crop of friend-who/)).toHaveCount(0);
  });

  await test.step("a head that is none goes, which is no step of the job, and is found again", async () => {
    const undo = page.getByRole("button", { name: "Undo" });
    const before = await undo.getAttribute("title");
    await page.getByRole("button", { name: /^friend-who.*, in 8 cells$/ }).click();
    await page.getByRole("button", { name: "1 head" }).click();
    expect(await faults(page, "[role=dialog]")).toEqual([]);
    await page.getByRole("button", { name: "This is no head" }).click();
    await expect.poll(heads).toBe(0);
    await page.getByRole("button", { name: "Find heads again" }).click();
    await expect.poll(heads).toBe(1);
    await page.keyboard.press("Escape");
    expect(await undo.getAttribute("title")).toBe(before);
  });
});

test("what the rule asks for is put behind everyone in one act, measured, and taken back in one step", async ({
  table: page,
  folder,
}) => {
  test.setTimeout(240_000);
  const behind = `<rect x="-400" y="-400" width="1500" height="1700" fill="#5f7d58"/>`;
  const files = [];
  for (const [i, person] of SITTERS.slice(0, 4).entries())
    files.push(await sitterPhoto(folder, `sitter-${i}.jpg`, person, { behind }));
  await startJob(page, /Document photos/, ...files);
  await page.getByRole("button", { name: /^People: / }).click();
  await page.getByRole("link", { name: "All about people" }).click();
  const passing = page.getByRole("row").filter({ hasText: "passes" });
  await expect(page.getByRole("row").filter({ hasText: "does not pass" })).toHaveCount(4, {
    timeout: 60_000,
  });
  await expect(page.getByText(/^Background: ΔE/).first()).toBeVisible();
  await page.getByRole("button", { name: /behind everyone$/ }).click();
  await expect(page.getByRole("progressbar", { name: /behind everyone/ })).toBeVisible();
  await expect(passing).toHaveCount(4, { timeout: 120_000 });
  expect(Object.keys((await jobOf(page)).backdrops)).toHaveLength(4);
  expect(await faults(page)).toEqual([]);
  await page.getByRole("link", { name: "Back to the table" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(async () => Object.keys((await jobOf(page)).backdrops).length).toBe(0);
  await page.getByRole("button", { name: "Redo" }).click();
  await expect.poll(async () => Object.keys((await jobOf(page)).backdrops).length).toBe(4);
});
