import { readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import sharp from "sharp";
import type { Face } from "@wide-quilt/core";
import { CLOSE, headOf, ROOMY } from "@wide-quilt/demo";
import { flatPhoto } from "./photos.ts";
import { SITTERS, sitterPhoto } from "./sitters.ts";
import {
  cell,
  expect,
  faults,
  headsOf,
  jobOf,
  measure,
  part,
  saved,
  startJob,
  sum,
  test,
  ticket,
  write,
} from "./test.ts";

const MM = 300 / 25.4;

/** Chooses the rule of the job by what it is called. */
async function takeRule(page: Page, sought: string, name: RegExp): Promise<void> {
  await part(page, "Document-photo rule").click();
  await page.getByLabel("Find a rule").fill(sought);
  await page.getByRole("button", { name }).click();
  await page.keyboard.press("Escape");
}

const head = (page: Page) => page.getByRole("region", { name: "Head and rule" });

test("from upload to a sheet of eight of somebody who is right in all that is measured, for three rules", async ({
  table: page,
  folder,
  server,
}) => {
  // Magenta dots beside the head, level with the drawn crown and chin: what a ruler would be laid to. The rules count hair.
  const person = SITTERS[0]!;
  const dots = [170, 568].map((y) => `<circle cx="170" cy="${y}" r="5" fill="#ff00ff"/>`).join("");
  const photo = await sitterPhoto(folder, "MS-101.jpg", person, { width: 2400, height: 3000, over: dots });
  await startJob(page, /Document photos/, photo);
  const rules: [string, RegExp, number, number, number][] = [
    ["Ireland", /^Ireland, passport/, 31.5, 36, 8],
    ["United States", /^United States, passport/, 25.4, 34.925, 2],
    ["United Kingdom", /^United Kingdom, passport/, 29, 34, 8],
  ];
  for (const [i, [sought, name, from, to, copies]] of rules.entries()) {
    await test.step(sought, async () => {
      await takeRule(page, sought, name);
      await part(page, "How many of each person").click();
      await page.getByRole("textbox", { name: "Of each person" }).fill(String(copies));
      await page.keyboard.press("Enter");
      await page.keyboard.press("Escape");
      await cell(page, 1).click();
      // All is measured and right, but for the dots in the background, which are seen too.
      await expect(head(page).getByText(/^1[2-9] right$/)).toBeVisible({ timeout: 30_000 });
      await expect(
        head(page).getByRole("listitem").filter({ hasText: "Even background wrong" }),
      ).toBeVisible();
      await expect(head(page).getByText("wrong", { exact: true })).toHaveCount(1);
      await expect(sum(page, "pieces")).toHaveText(String(copies));
      const job = await jobOf(page);
      const out = join(server.data, "out");
      await write(page, server, "PNG", "all the same");
      const written = () => readdirSync(out).filter((name) => name.endsWith(".png")).length;
      await expect.poll(written, { timeout: 30_000 }).toBe(i + 1);
      // The newest file: the dots of one piece, found by ImageMagick, are a head's height apart.
      const newest = measure("bash", "-c", `ls -t "${out}"/*.png | head -1`).trim();
      const listed = measure(
        "/usr/bin/convert",
        newest,
        ...["-fill", "white", "-fuzz", "25%", "+opaque", "#ff00ff", "-fill", "black", "-opaque", "#ff00ff"],
        ...["-colorspace", "gray", "-threshold", "50%", "-define", "connected-components:verbose=true"],
        ...["-define", "connected-components:area-threshold=8", "-connected-components", "8", "null:"],
      );
      const found = [...listed.matchAll(/ ([\d.]+),([\d.]+) \d+ \S*\(0[,)]/g)].map(([, x, y]) => ({
        x: Number(x),
        y: Number(y),
      }));
      expect(found).toHaveLength(2 * copies);
      const first = found.reduce((a, b) => (b.y < a.y ? b : a));
      const below = found.filter(({ x, y }) => Math.abs(x - first.x) < 3 && y > first.y);
      const tall = Math.min(...below.map(({ y }) => y - first.y)) / MM;
      expect(tall).toBeGreaterThan(from - 0.1);
      expect(tall).toBeLessThan(to + 0.1);
      expect(job.ticket.kind).toBe("portraits");
      await page.goBack();
      await expect(part(page, "Document-photo rule")).toBeVisible();
    });
  }
  expect(await faults(page)).toEqual([]);
});

test("heads are found: crown, chin and eyes within 4 % of the head, of all ten sitters", async ({
  table: page,
  folder,
}) => {
  const size = { width: 960, height: 1200 };
  const files = [];
  for (const [i, person] of SITTERS.entries())
    files.push(await sitterPhoto(folder, `sitter-${i}.jpg`, person, size));
  await startJob(page, /Document photos/, ...files);
  await expect
    .poll(async () => Object.keys(await headsOf(page)).length, { timeout: 60_000 })
    .toBe(SITTERS.length);
  const job = await jobOf(page);
  const heads = await headsOf(page);
  let worst = 0;
  for (const [i, person] of SITTERS.entries()) {
    const { id } = job.stash.find(({ name }) => name === `sitter-${i}.jpg`)!;
    const drawn = headOf(person, size.width, size.height, ROOMY);
    const found = heads[id]![0]!;
    const tall = (drawn.chin.y - drawn.crown.y) * size.height;
    for (const handle of ["crown", "chin", "leftEye", "rightEye"] as const) {
      const away = apart(found[handle], drawn[handle], size, handle === "crown" || handle === "chin") / tall;
      worst = Math.max(worst, away);
      expect(away, `${handle} of sitter ${i}`).toBeLessThan(0.04);
    }
  }
  console.log(`the handle farthest off: ${(worst * 100).toFixed(2)} % of the head`);
});

/** How far two points are apart, in pixels; of crown and chin only up and down matters. */
function apart(
  a: Face["chin"],
  b: Face["chin"],
  size: { width: number; height: number },
  down: boolean,
): number {
  const y = (a.y - b.y) * size.height;
  return down ? Math.abs(y) : Math.hypot((a.x - b.x) * size.width, y);
}

test("a list of 24 people becomes packed sheets, and files named after each", async ({
  table: page,
  folder,
  server,
}) => {
  const size = { width: 960, height: 1200 };
  const files: string[] = [];
  for (let i = 0; i < 23; i++) {
    const person = SITTERS[i % SITTERS.length]!;
    const backdrop = `#${(0xd8e0e4 + i * 0x010101 + (i % 3)).toString(16)}`;
    files.push(await sitterPhoto(folder, `P${100 + i}.jpg`, { ...person, backdrop }, size));
  }
  // As a spreadsheet on Windows saves it: semicolons, and letters of Windows-1252.
  const lines = Array.from({ length: 24 }, (_, i) => {
    const name = i === 0 ? "Zoë Märsh" : `Ringer ${String(i + 1).padStart(2, "0")}`;
    const rule = i === 5 ? "jp-passport" : i === 7 ? "no-such-rule" : "";
    const quantity = i === 2 ? "6" : i === 3 ? "many" : "";
    return [name, `R-${i + 1}`, `p${100 + i}`, rule, quantity].join(";");
  });
  const list = join(folder, "people.csv");
  writeFileSync(list, Buffer.from(["Name;Number;Photo;Rule;Quantity", ...lines].join("\r\n"), "latin1"));

  await startJob(page, /Document photos/, ...files);
  await part(page, "How many of each person").click();
  await page.getByRole("textbox", { name: "Of each person" }).fill("4");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await part(page, "Names").click();
  await page.getByRole("radio", { name: /A name under each piece/ }).click();
  await page.keyboard.press("Escape");
  await part(page, "People").click();
  await page.getByRole("link", { name: "All about people" }).click();
  await page.getByLabel("List of people, CSV").setInputFiles(list);
  const reader = page.getByRole("dialog", { name: "What is in people.csv" });
  await expect(reader.getByText(/^23 of 24 have a photo/)).toBeVisible();
  await expect(
    reader.getByText(/Line 25: there is no photo “p123” in this job\. Ringer 24 is listed/),
  ).toBeVisible();
  await expect(reader.getByText(/Line 9: there is no rule “no-such-rule”/)).toBeVisible();
  await expect(reader.getByText(/Line 5: “many” is no quantity/)).toBeVisible();
  await reader.getByRole("button", { name: "Take these 24 people" }).click();
  await expect(page.getByText("24 people were read from people.csv.")).toBeVisible();
  await expect(page.getByLabel("Name of Zoë Märsh")).toHaveValue("Zoë Märsh");
  await expect(page.getByText("23 of 24 pass")).toBeVisible({ timeout: 180_000 });
  expect(await faults(page)).toEqual([]);

  await test.step("the photo that was missing comes later and goes where it belongs", async () => {
    const late = await sitterPhoto(folder, "P123.jpg", { ...SITTERS[1]!, backdrop: "#ccd4d8" }, size);
    await page.getByLabel("Photo files").setInputFiles(late);
    await expect(page.getByRole("row")).toHaveCount(25);
    await expect(page.getByText("24 of 24 pass")).toBeVisible({ timeout: 180_000 });
  });
  await test.step("packed sheets, everyone with their name", async () => {
    await page.getByRole("link", { name: "Back to the table" }).click();
    expect(await ticket(page)).toContain("of 24 people by the rule International, travel document portrait");
    await saved(page);
    await page.getByRole("link", { name: "Print or export" }).click();
    await page.getByRole("radio", { name: /^PDF/ }).click();
    await page.getByRole("button", { name: /^Write \d+ sheets$/ }).click();
    await expect(page.getByRole("listitem").filter({ hasText: /Written: / })).toBeVisible({
      timeout: 90_000,
    });
    const pdf = measure("bash", "-c", `ls "${join(server.data, "out")}"/*.pdf`).trim();
    const text = measure("pdftotext", pdf, "-");
    expect(text.match(/Zoë Märsh/g)).toHaveLength(4);
    expect(text.match(/Ringer 03/g)).toHaveLength(6);
    expect(measure("pdfinfo", pdf)).toMatch(/Page size:\s+(432 x 288|288 x 432) pts/);
  });
});

test("what has no face, two, or one that is cut off gets a sentence; nothing is lost", async ({
  table: page,
  folder,
}) => {
  const two = join(folder, "two.jpg");
  const side = await sitterPhoto(folder, "side.jpg", SITTERS[1]!, { width: 800, height: 1000 });
  await sharp({ create: { width: 1600, height: 1000, channels: 3, background: "#e0e4e8" } })
    .composite([
      { input: side, left: 0, top: 0 },
      {
        input: await sitterPhoto(folder, "other.jpg", SITTERS[3]!, { width: 800, height: 1000 }),
        left: 800,
        top: 0,
      },
    ])
    .jpeg({ quality: 92 })
    .toFile(two);
  const files = [
    await flatPhoto(folder, "wall.jpg", "#9aa7b0", 900, 1100),
    two,
    // Cut through the hair, and too close for a photo of 2 × 2 inches.
    await sitterPhoto(folder, "cut.jpg", SITTERS[0]!, {
      width: 900,
      height: 1000,
      frame: { x: 60, y: 176, width: 580, height: 644 },
    }),
    await sitterPhoto(folder, "close.jpg", SITTERS[0]!, { width: 1060, height: 1362, frame: CLOSE }),
  ];
  await startJob(page, /Document photos/, ...files);
  await takeRule(page, "United States", /^United States, passport/);
  await part(page, "People").click();
  await page.getByRole("link", { name: "All about people" }).click();
  const row = (name: string) => page.getByRole("row").filter({ has: page.getByLabel(`Name of ${name}`) });
  await expect(row("wall")).toContainText("No head was found in this photo", { timeout: 30_000 });
  await expect(row("close")).toContainText(
    /The photo needs .* more at the right, .* and .* more at the left/,
    {
      timeout: 30_000,
    },
  );
  await expect(row("close")).toContainText("does not pass");
  const said = async (name: string) => {
    await page.getByRole("button", { name: `Handles of ${name}` }).click();
    const text = await page.getByRole("dialog").innerText();
    await page.keyboard.press("Escape");
    return text;
  };
  expect(await said("wall")).toContain(
    "No head was found in this photo. Set the crown, the chin and the eyes on it by hand.",
  );
  // Photos are looked through by several at once: the last one may be done before the second is.
  const comes = (name: string) => expect.poll(() => said(name), { timeout: 60_000 });
  await comes("two").toContain("There is a second head in this photo; the larger one was measured.");
  await comes("cut").toContain("The photo seems to cut the top of the head off.");

  await test.step("handles are set by hand, by keyboard too, and the figures follow", async () => {
    await page.getByRole("button", { name: "Handles of wall" }).click();
    await page.getByRole("button", { name: "Set the handles by hand" }).click();
    const chin = page.getByRole("button", { name: /^Chin/ });
    await chin.focus();
    const before = await headsOf(page);
    for (let i = 0; i < 3; i++) await page.keyboard.press("Shift+ArrowDown");
    await page.keyboard.press("Escape");
    await expect
      .poll(async () => Object.values(await headsOf(page)).filter((heads) => heads.length > 0).length)
      .toBe(4);
    const id = (await jobOf(page)).stash[0]!.id;
    const moved = async () => (await headsOf(page))[id]![0]!.chin.y - before[id]![0]!.chin.y;
    // Three times a hundredth of the height.
    await expect.poll(moved).toBeCloseTo(0.03, 3);
  });
  await test.step("a list that is none is refused, the people stay", async () => {
    const zip = join(folder, "people.xlsx");
    writeFileSync(zip, Buffer.from([0x50, 0x4b, 3, 4, 0, 0]));
    await page.getByLabel("List of people, CSV").setInputFiles(zip);
    await expect(
      page.getByText("This is not a text file. Save the table as CSV and read that."),
    ).toBeVisible();
    const headless = join(folder, "headless.csv");
    writeFileSync(headless, "a,b\n?,!\n");
    await page.getByLabel("List of people, CSV").setInputFiles(headless);
    const reader = page.getByRole("dialog", { name: "What is in headless.csv" });
    await expect(reader.getByText(/^Nobody yet: say what the columns are/)).toBeVisible();
    await expect(reader.getByRole("button", { name: /^Take/ })).toBeDisabled();
    await reader.getByRole("button", { name: "Leave it" }).click();
    await expect(page.getByRole("row")).toHaveCount(5);
  });
  await test.step("the same with the next photos, in two actions", async () => {
    await page.getByRole("button", { name: "The same with the next photos" }).click();
    await expect(page.getByText("Nobody yet")).toBeVisible();
    await page.getByLabel("Photo files").setInputFiles(files[3]!);
    await expect(page.getByLabel("Name of close")).toHaveValue("close");
    await expect(page.getByLabel("Rule of close")).toHaveValue("");
    expect((await jobOf(page)).ticket).toMatchObject({ rule: "us-passport" });
  });
});

test("a photo that is put in somebody’s cell is theirs, and whose it was is asked", async ({
  table: page,
  folder,
}) => {
  const files = await Promise.all(
    ["Ada.jpg", "Ben.jpg"].map((name, i) =>
      sitterPhoto(folder, name, SITTERS[i]!, { width: 600, height: 750 }),
    ),
  );
  await startJob(page, /Document photos/, ...files);
  const people = async () => {
    const { ticket: own, stash } = await jobOf(page);
    const nameOf = (photo: string | null) => stash.find(({ id }) => id === photo)?.name;
    return own.kind === "portraits" ? own.people.map(({ name, photo }) => `${name}: ${nameOf(photo)}`) : [];
  };
  await cell(page, 1).click();
  await page.getByRole("button", { name: /^Ben/ }).click();
  await page.getByRole("button", { name: "In cell 1" }).click();
  await expect(page.getByText("This is Ben’s photo: Ada and Ben are both shown by it now.")).toBeVisible();
  await expect.poll(people).toEqual(["Ben: Ben.jpg", "Ben: Ben.jpg"]);
  await page.getByRole("button", { name: "Change the two over" }).click();
  await expect.poll(people).toEqual(["Ada: Ben.jpg", "Ben: Ada.jpg"]);
  await page.keyboard.press("Control+z");
  await expect.poll(people).toEqual(["Ben: Ben.jpg", "Ben: Ben.jpg"]);
});
