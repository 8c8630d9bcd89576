import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { ruleById } from "@wide-quilt/core";
import { BOOTH_PICTURES, film, GUESTS } from "@wide-quilt/demo";
import type { EventView } from "@wide-quilt/server/contract";
import { Server } from "@wide-quilt/server/testing";
import sharp from "sharp";
import type { Page } from "@playwright/test";
import { cameraOf, cell, expect, part, saved, sum, test } from "./test.ts";

const docs = (name: string) => fileURLToPath(new URL(`../../docs/screenshots/${name}.png`, import.meta.url));

test.use({
  // Somebody comes before the camera and holds the head aslant.
  launchOptions: [
    async ({ launchOptions }, use) => {
      const path = join(mkdtempSync(join(tmpdir(), "wide-quilt-film-")), "film.mjpeg");
      const { colour } = ruleById("schengen-visa").background!;
      writeFileSync(path, await film(GUESTS[0]!, colour, { slate: false }));
      await use({ ...launchOptions, args: [...launchOptions.args!, ...cameraOf(path)] });
    },
    { scope: "worker" },
  ],
});

test("one picture of each view, from the demo data", async ({ page }) => {
  const server = await Server.demo(mkdtempSync(join(tmpdir(), "wide-quilt-demo-")));
  await page.goto(server.address);
  await expect(page.getByRole("heading", { name: /Ringers/ })).toBeVisible();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("jobs") });

  await page.getByRole("link", { name: /^Open Ringers/ }).click();
  await cell(page, 3).click();
  await saved(page);
  await page.waitForLoadState("networkidle");
  await expect(sum(page, "cuts")).toHaveText(/\d/);
  await page.screenshot({ path: docs("table") });

  await page.getByRole("link", { name: "Print or export" }).click();
  await expect(page.getByAltText(/as it is written/)).toBeVisible();
  await page.getByRole("button", { name: "Write the file" }).click();
  await expect(page.getByRole("link", { name: "Download" })).toBeVisible();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("press") });
  await page.goto(`${server.address}/sizes`);
  await expect(page.getByText("Album press, uncoated")).toBeVisible();
  await page.screenshot({ path: docs("sizes") });
  await page.goBack();
  await expect(page.getByAltText(/as it is written/)).toBeVisible();
  await page.getByRole("combobox", { name: "Profile" }).selectOption("srgb");
  await page.getByRole("link", { name: "Cut plan" }).click();
  await expect(page.getByText(/passes of the knife/)).toBeVisible();
  await page.screenshot({ path: docs("cuts") });

  const openJob = async (name: RegExp) => {
    await page.goto(server.address);
    await page.getByRole("link", { name }).first().click();
    await page.getByRole("region", { name: "Ticket" }).waitFor();
    await expect(sum(page, "cuts")).not.toHaveText("…");
    await page.waitForLoadState("networkidle");
  };
  await openJob(/^Open Tides and migration/);
  await page.getByRole("button", { name: "Next sheet" }).click();
  await page.waitForLoadState("networkidle");
  for (let turn = 0; turn < 4; turn++) await page.getByRole("button", { name: "Next sheet" }).click();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("calendar") });
  await part(page, "How days are set").click();
  await expect(page.getByRole("radio", { name: "quiet figures" })).toBeVisible();
  await page.screenshot({ path: docs("months") });
  await page.keyboard.press("Escape");

  await openJob(/^Open Document photos/);
  await cell(page, 2).click();
  await expect(page.getByRole("region", { name: "Head and rule" })).toBeVisible();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("portraits") });
  await page.getByRole("region", { name: "Head and rule" }).getByRole("link", { name: "People" }).click();
  await expect(page.getByText(/^\d of 7 pass/)).toBeVisible();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("people") });

  await openJob(/^Open The autumn/);
  await page.screenshot({ path: docs("contact") });

  await openJob(/^Open Season album/);
  await part(page, "How the sheet is divided").click();
  await expect(page.getByRole("button", { name: /^Proposal 4, crops/ })).toBeVisible({ timeout: 30_000 });
  await page.screenshot({ path: docs("collage") });

  await openJob(/^Open Panorama for the hide wall/);
  await expect(page.getByRole("button", { name: "Sheet F2 as it is printed" })).toBeVisible();
  await page.screenshot({ path: docs("mural") });
  await page.getByRole("radio", { name: "As printed" }).click();
  for (let turn = 0; turn < 12; turn++) await page.getByRole("button", { name: "Next sheet" }).click();
  await expect(page.getByRole("img", { name: "Sheet 13 of 13 as it is printed" })).toBeVisible();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("map") });

  await openJob(/^Open Open-day frame/);
  await page.waitForLoadState("networkidle");
  await part(page, "Finish").click();
  await page.getByRole("button", { name: /^Shapes/ }).click();
  await page.getByRole("button", { name: "Ribbon in front" }).click();
  await page.screenshot({ path: docs("shapes") });

  await page.goto(`${server.address}/patterns`);
  await expect(page.getByRole("heading", { name: /Eight badges/ })).toBeVisible();
  await page.screenshot({ path: docs("patterns") });
  await page.getByRole("link", { name: "Open-day frame", exact: true }).click();
  await page.getByRole("button", { name: /^Event printer, in the tent/ }).click();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("targets") });

  await booth(page, server.address);

  await openJob(/^Open Document photos/);
  await page.goto(`${page.url()}/camera`);
  await page.getByRole("button", { name: "Somebody new" }).click();
  await expect(page.getByText("Hold your head upright")).toBeVisible({ timeout: 60_000 });
  await page.screenshot({ path: docs("camera") });
  await server.kill();
});

/** Pictures of the open day’s booth, each as it is and the other way round. */
const visits = BOOTH_PICTURES.flatMap((draw) =>
  [false, true].map((flop) => {
    const picture = sharp(Buffer.from(draw(1500, 1125)));
    return (flop ? picture.flop() : picture).jpeg().toBuffer();
  }),
);

/** An event that runs, as its operator and its guests see it. */
async function booth(page: Page, address: string): Promise<void> {
  const begun = await page.request.post(`${address}/api/events`, {
    data: { name: "Open day at the hide", patterns: ["ships-strip-of-three"] },
  });
  const { id, state } = (await begun.json()) as EventView;
  const setUp = (review: boolean) =>
    page.request.put(`${address}/api/events/${id}/setup`, {
      data: { setup: { ...state.setup, review, telephones: true } },
    });
  await setUp(false);
  for (const [i, visit] of visits.entries()) {
    await page.request.post(`${address}/api/events/${id}/shots?name=visit-${i + 1}.jpg`, {
      headers: { "Content-Type": "application/octet-stream" },
      data: await visit,
    });
  }
  await page.goto(`${address}/booth/${id}`);
  await expect(page.getByRole("region", { name: "Done" }).getByRole("button", { name: "Set 2" })).toBeVisible(
    {
      timeout: 60_000,
    },
  );
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("booth") });
  await setUp(true);
  writeFileSync(docs("guests"), await guests(page, `${address}/booth/${id}/guest`));
  await page.setViewportSize({ width: 1280, height: 800 });
}

const STEP = { width: 1024, height: 768 };
const PHONE = { width: 390, height: 844 };
const APART = 12;

/** The four steps of the guests’ page side by side, and the page that a telephone sends photos from. */
async function guests(page: Page, booth: string): Promise<Buffer> {
  const looking = page.getByText("Good like this?");
  await page.setViewportSize(STEP);
  await page.goto(booth);
  // The last visit is still looked at.
  await expect(looking).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Print it" }).click();
  await expect(page.getByText(/Your prints are/)).toBeVisible();
  await page.waitForLoadState("networkidle");
  const thanks = await page.screenshot();
  await page.keyboard.press("Space");
  const begin = page.getByText("Touch here, or press the big button");
  await expect(begin).toBeVisible();
  await page.waitForLoadState("networkidle");
  const rest = await page.screenshot();
  await begin.click();
  await expect(page.getByRole("timer")).toHaveText("3", { timeout: 60_000 });
  const posing = await page.screenshot();
  await expect(looking).toBeVisible({ timeout: 60_000 });
  await page.waitForLoadState("networkidle");
  const looked = await page.screenshot();
  await page.setViewportSize(PHONE);
  const { origin, pathname } = new URL(booth);
  const event = await page.request.get(`${origin}/api/events/${pathname.split("/")[2]}`);
  await page.goto(`${origin}/g/${((await event.json()) as EventView).guests}`);
  await expect(page.getByRole("button", { name: /Choose or take photos/ })).toBeVisible();
  const telephone = await page.screenshot();
  return sideBySide([rest, posing, looked, thanks], telephone);
}

async function sideBySide(steps: readonly Buffer[], telephone: Buffer): Promise<Buffer> {
  const [width, height] = [STEP.width / 2, STEP.height / 2];
  const whole = 2 * height + APART;
  const phone = await sharp(telephone).resize({ height: whole }).png().toBuffer({ resolveWithObject: true });
  const small = await Promise.all(steps.map((step) => sharp(step).resize(width, height).png().toBuffer()));
  const places = small.map((input, i) => ({
    input,
    left: (i % 2) * (width + APART),
    top: Math.floor(i / 2) * (height + APART),
  }));
  const left = 2 * (width + APART);
  return sharp({
    create: { width: left + phone.info.width, height: whole, channels: 3, background: "#ffffff" },
  })
    .composite([...places, { input: phone.data, left, top: 0 }])
    .png({ compressionLevel: 9 })
    .toBuffer();
}
