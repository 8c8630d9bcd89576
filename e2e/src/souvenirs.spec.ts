import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { BOOTH_PICTURES } from "@wide-quilt/demo";
import type { EventView } from "@wide-quilt/server/contract";
import { Server } from "@wide-quilt/server/testing";
import sharp from "sharp";
import { expect, faults, test } from "./test.ts";

test.use({ ignoreHTTPSErrors: true });

test("the operator of a tablet’s server over HTTPS crops a shot by hand and has guests take their set along on a telephone", async ({
  page,
  context,
}) => {
  const data = mkdtempSync(join(tmpdir(), "wide-quilt-e2e-"));
  const server = await Server.start(data, "--host", "127.0.0.2", "--key", "key of the hide", "--tls", "own");
  try {
    await page.goto(`${server.address}/?key=${encodeURIComponent("key of the hide")}`);
    const begun = await page.request.post(`${server.address}/api/events`, {
      data: { name: "Open day at the hide", patterns: ["ships-strip-of-three"] },
    });
    const { id, state } = (await begun.json()) as EventView;
    await page.request.put(`${server.address}/api/events/${id}/setup`, {
      data: { setup: { ...state.setup, camera: false } },
    });
    for (const [i, draw] of BOOTH_PICTURES.slice(0, 3).entries())
      await page.request.post(`${server.address}/api/events/${id}/shots?name=visit-${i + 1}.jpg`, {
        headers: { "Content-Type": "application/octet-stream" },
        data: await sharp(Buffer.from(draw(1500, 1125)))
          .jpeg()
          .toBuffer(),
      });

    // Cropped by keys before it prints; what is kept is on the page that is printed.
    await page.goto(`${server.address}/booth/${id}`);
    await page.getByRole("article", { name: "Set 1" }).getByRole("button", { name: "Crop" }).click();
    await page.getByRole("button", { name: "Crop shot 2" }).click();
    await page.getByRole("slider", { name: "Closer" }).fill("2");
    await page.getByRole("group", { name: /Shot 2/ }).focus();
    for (let i = 0; i < 6; i++) await page.keyboard.press("ArrowRight");
    expect(await faults(page)).toEqual([]);
    await page.getByRole("button", { name: "Keep this crop" }).click();
    const crops = async () =>
      ((await (await page.request.get(`${server.address}/api/events/${id}`)).json()) as EventView).state
        .sets[0]!.crops;
    await expect.poll(crops).toMatchObject({ 2: { fit: "fill", scale: 2 } });
    // Moved to the right by 3 mm of a place 41 mm wide that shows half of the photo: its middle lies left of the photo’s.
    const { centre } = (await crops())[2]!;
    expect(centre.x).toBeLessThan(0.5);
    await page.keyboard.press("Escape");
    await page.getByRole("article", { name: "Set 1" }).getByRole("button", { name: "Print it" }).click();
    await page.getByRole("button", { name: "Test print" }).click();
    await expect(page.getByText(/A test print of made-up photos goes to/)).toBeVisible({ timeout: 120_000 });
    await expect(
      page.getByRole("region", { name: "Done" }).getByRole("button", { name: "Set 1" }),
    ).toBeVisible({
      timeout: 60_000,
    });

    // What is taken along of the event: a job of another kind, in one act.
    await page.getByRole("button", { name: "Take along" }).click();
    await expect(page.getByRole("menuitem", { name: "Report as PDF" })).toBeVisible();
    expect(await faults(page, "[role=menu]")).toEqual([]);
    await page.keyboard.press("Escape");

    // The guests’ link, opened on a telephone that has no key.
    await page.getByRole("region", { name: "Done" }).getByRole("button", { name: "Set 1" }).click();
    const link = await page.getByRole("link", { name: "its own page" }).getAttribute("href");
    const telephone = await context.browser()!.newContext({
      ignoreHTTPSErrors: true,
      viewport: { width: 390, height: 844 },
    });
    const guest = await telephone.newPage();
    await guest.goto(link!);
    await expect(guest.getByRole("heading", { name: "Open day at the hide" })).toBeVisible();
    await expect(guest.getByAltText("Your print")).toBeVisible();
    const size = () =>
      guest
        .getByAltText("Your print")
        .evaluate(({ naturalWidth, naturalHeight }: HTMLImageElement) => [naturalWidth, naturalHeight]);
    await expect.poll(size).toEqual([600, 1800]);
    const saving = guest.waitForEvent("download");
    await guest.getByRole("link", { name: "Keep shot 1" }).click();
    expect((await saving).suggestedFilename()).toMatch(/\.jpg$/);
    expect(await faults(guest)).toEqual([]);
    // Nothing else is reached from there.
    await guest.goto(`${server.address}/booth/${id}`);
    await expect(guest.getByText(/needs a key/)).toBeVisible();

    // Other computers are told what to look for.
    await page.goto(`${server.address}/network`);
    await expect(page.getByText(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/)).toBeVisible();
    expect(await faults(page)).toEqual([]);

    await page.request.post(`${server.address}/api/events/${id}/entries`, { data: { entry: { do: "end" } } });
    await guest.goto(link!);
    await expect(guest.getByRole("alert")).toContainText("has ended");
    await telephone.close();
  } finally {
    await server.kill();
  }
});
