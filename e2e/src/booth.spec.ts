import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PRINTERS } from "@wide-quilt/core";
import { film } from "@wide-quilt/demo";
import { MODELS, SimulatedPrinter } from "@wide-quilt/devices";
import type { EventView } from "@wide-quilt/server/contract";
import { Server } from "@wide-quilt/server/testing";
import sharp from "sharp";
import { flatPhoto } from "./photos.ts";
import { SITTERS } from "./sitters.ts";
import { cameraOf, expect, faults, test, type } from "./test.ts";

test.use({
  // Events stay in a server, and one test ends it.
  apart: true,
  launchOptions: [
    async ({ launchOptions }, use) => {
      const path = join(mkdtempSync(join(tmpdir(), "wide-quilt-film-")), "film.mjpeg");
      writeFileSync(path, await film(SITTERS[0]!, "#dfe8ea"));
      await use({ ...launchOptions, args: [...launchOptions.args!, ...cameraOf(path)] });
    },
    { scope: "worker" },
  ],
});

test("guests take a strip home by one key and by touch; the operator puts paper in, prints a set again and ends it; a server that was killed goes on", async ({
  table: page,
  server,
  folder,
  context,
}) => {
  const model = MODELS.find(({ id }) => id === "event")!;
  const printer = await new SimulatedPrinter(model, { folder: join(folder, "prints"), pace: 50 }).start();
  printer.putPaper(0);
  const own = { ...PRINTERS[0]!, id: "booth", name: "Flock", address: printer.address, ppi: model.ppi };
  await page.request.put(`${server.address}/api/printers/booth`, { data: own });

  // From nothing to an event: a name, a pattern, a printer, a PIN.
  await page.getByRole("link", { name: "Events" }).click();
  await page.getByLabel("Name").fill("Open day at the hide");
  await page.getByLabel("What guests take home").selectOption("Strip of three");
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByText("No set is begun")).toBeVisible();
  await page.getByRole("button", { name: /Where prints go/ }).click();
  await page.getByLabel("Flock").check();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: /Where photos come from/ }).click();
  await type(page, "A PIN to leave the guests’ page", "4711");
  await expect(page.getByLabel("Another PIN to leave the guests’ page")).toBeVisible();
  await page.keyboard.press("Escape");
  expect(await faults(page)).toEqual([]);

  // The guests: one key begins; the shots are counted down to and taken by themselves.
  const [guests] = await Promise.all([
    context.waitForEvent("page"),
    page.getByRole("link", { name: "Guests’ page" }).click(),
  ]);
  await guests.setViewportSize({ width: 1024, height: 768 });
  await expect(guests.getByText("Touch here, or press the big button")).toBeVisible();
  expect(await faults(guests)).toEqual([]);
  await guests.keyboard.press("Space");
  await expect(guests.getByText("shot 1 of 3")).toBeVisible();
  await expect(guests.getByText("Good like this?")).toBeVisible({ timeout: 60_000 });
  expect(await faults(guests)).toEqual([]);
  // Taken once more by touch, in upright.
  await guests.setViewportSize({ width: 820, height: 1180 });
  await guests.getByRole("button", { name: "Take 2 again" }).click();
  await expect(guests.getByText("shot 2 of 3")).toBeVisible();
  // Reloaded in the middle it is at the same shot.
  await guests.reload();
  await expect(guests.getByText("shot 2 of 3")).toBeVisible();
  await expect(guests.getByText("Good like this?")).toBeVisible({ timeout: 60_000 });
  await guests.getByRole("button", { name: "One print more" }).click();
  await guests.getByRole("button", { name: "Print it" }).click();
  await expect(guests.getByText("Your prints are coming out")).toBeVisible();

  // The operator sees why nothing comes out, in a sentence, and mends it at the printer.
  const flock = page.getByRole("region", { name: "Flock" });
  await expect(flock.getByText(/out of paper/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole("region", { name: "To do" })).toContainText("The printer is out of paper");
  printer.putPaper(1);
  await expect.poll(() => printer.names.length, { timeout: 60_000 }).toBe(1);

  // Killed with a print on its way, both pages open: they say so, and go on where they were.
  await server.kill();
  await expect(page.getByText("the server is not heard")).toBeVisible();
  await expect(guests.getByText("One moment please …")).toBeVisible();
  const again = await Server.start(server.data, "--port", server.port);
  try {
    await expect(page.getByText("running")).toBeVisible({ timeout: 30_000 });
    printer.putPaper(10);
    await expect.poll(() => printer.names.length, { timeout: 60_000 }).toBe(2);
    await expect(page.getByRole("region", { name: "Done" }).getByText("1 ×2")).toBeVisible({
      timeout: 30_000,
    });
    // Once more for somebody who lost theirs.
    await page.getByRole("region", { name: "Done" }).getByRole("button", { name: "Set 1" }).click();
    await expect(page.getByRole("dialog")).toContainText("2 prints came out");
    await page.getByRole("button", { name: "Print it again" }).click();
    await expect.poll(() => printer.names.length, { timeout: 60_000 }).toBe(3);

    // What came out: sheets cut down the middle by the printer into two strips, the same to the pixel.
    await expect.poll(() => printer.prints.length).toBe(6);
    const [left, right] = printer.prints.slice(0, 2).map((path) => readFileSync(path)) as [Buffer, Buffer];
    const [one, other] = await Promise.all([left, right].map((png) => sharp(png).raw().toBuffer()));
    const { width, height } = await sharp(left).metadata();
    // 4 × 6 in at 302 ppi, in halves: 604 × 1812 px.
    expect([width, height]).toEqual([604, 1812]);
    const { channels } = await sharp(left).metadata();
    const differs = [...one!].flatMap((value, i) =>
      value === other![i] ? [] : [Math.floor(i / channels!) % width!],
    );
    // But for the marks at the very edge, which the knife goes through.
    expect(differs.filter((x) => x > 0 && x < width! - 1)).toEqual([]);

    // Nobody leaves the guests’ page without the PIN.
    await expect(guests.getByText("One moment please …")).toBeHidden({ timeout: 30_000 });
    await guests.getByRole("button", { name: "For the operator" }).click();
    await guests.getByLabel("PIN of the operator").fill("1234");
    await guests.keyboard.press("Enter");
    await expect(guests.getByLabel("Not this PIN; try again")).toBeVisible();
    await page.getByRole("button", { name: "End", exact: true }).click();
    await expect(guests.getByText("This booth is closed.")).toBeVisible();
  } finally {
    await again.kill();
    await printer.stop();
  }
});

test("a guest’s telephone sends three photos, takes one out, and has its strip printed", async ({
  table: page,
  server,
  folder,
  context,
}) => {
  const begun = await page.request.post(`${server.address}/api/events`, {
    data: { name: "Open day at the hide, second evening", patterns: ["ships-strip-of-three"] },
  });
  const { id, guests } = (await begun.json()) as EventView;
  await page.goto(`${server.address}/booth/${id}`);
  await page.getByRole("button", { name: /Where photos come from/ }).click();
  await page.getByLabel("Telephones of guests").check();
  await expect(page.getByRole("img", { name: /Code for telephones/ })).toBeVisible();
  await expect(page.getByText("Only this computer reaches this address")).toBeVisible();
  await page.keyboard.press("Escape");

  const phone = await context.newPage();
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto(`${server.address}/g/${guests}`);
  await expect(phone.getByText("3 photos make a strip of three.")).toBeVisible();
  const colours = ["#aa3322", "#22aa33", "#3322aa", "#888811"];
  const photos = await Promise.all(
    colours.map((colour, i) => flatPhoto(folder, `p${i}.jpg`, colour, 1200, 900)),
  );
  const chooser = phone.getByLabel("Photos of this telephone");
  writeFileSync(join(folder, "film.mov"), "not a photo");
  await chooser.setInputFiles([...photos.slice(0, 2), join(folder, "film.mov")]);
  await expect(phone.getByRole("alert")).toContainText("film.mov");
  await expect(phone.getByText("1 more photo, and your set is full.")).toBeVisible();
  expect(await faults(phone)).toEqual([]);
  await phone.getByRole("button", { name: /Shot 2/ }).click();
  await expect(phone.getByText("2 more photos")).toBeVisible();
  await chooser.setInputFiles(photos.slice(2));
  await phone.getByRole("button", { name: "Print it" }).click();
  await expect(phone.getByText("Your print is out")).toBeVisible({ timeout: 60_000 });
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await expect(
    page.getByRole("region", { name: "Done" }).getByRole("button", { name: "Set 1" }),
  ).toBeVisible();

  // Its strip as it was written: the first, then the two that came in place of what was taken out, by their colours.
  const written = join(server.data, "out", "Open day at the hide, second evening");
  const [file] = readdirSync(written);
  const seen = await Promise.all(
    [24, 66, 108].map(async (y) => {
      const box = { left: 280, top: Math.round((y * 300) / 25.4), width: 20, height: 20 };
      const [r, g, b] = await sharp(join(written, file!)).extract(box).resize(1, 1).raw().toBuffer();
      return [r!, g!, b!]
        .map((value) => Math.round(value / 17))
        .map((value) => value.toString(16))
        .join("");
    }),
  );
  expect(seen).toEqual(["a32", "32a", "881"]);
});
