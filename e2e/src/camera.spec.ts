import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ruleById } from "@wide-quilt/core";
import { COMING_NEARER, film, FILM_PACE, readSlate, stretchOf } from "@wide-quilt/demo";
import { SITTERS } from "./sitters.ts";
import { expect, faults, jobOf, measure, part, saved, startJob, test, write } from "./test.ts";

const RULE = ruleById("ie-passport");

test.use({
  apart: true,
  // The browser’s own stand-in for a camera plays this film, over and over.
  launchOptions: [
    async ({ launchOptions }, use) => {
      const path = join(mkdtempSync(join(tmpdir(), "wide-quilt-film-")), "film.mjpeg");
      writeFileSync(path, await film(SITTERS[0]!, RULE.background!.colour));
      const args = [
        ...(launchOptions.args ?? []),
        "--use-fake-device-for-media-stream",
        "--use-fake-ui-for-media-stream",
        `--use-file-for-fake-video-capture=${path}`,
      ];
      await use({ ...launchOptions, args });
    },
    { scope: "worker" },
  ],
});

test("a camera waits until all is right, takes the picture by itself, and it prints true", async ({
  table: page,
  server,
}) => {
  await startJob(page, /Document photos/);
  await part(page, "Document-photo rule").click();
  await page.getByLabel("Find a rule").fill("Ireland");
  await page.getByRole("button", { name: /^Ireland, passport/ }).click();
  await page.keyboard.press("Escape");
  await saved(page);
  await page.goto(`${page.url()}/people`);
  await page.getByRole("link", { name: "Take photos here" }).click();
  const says = page.getByRole("region", { name: "Camera" }).getByRole("status");
  const heard = new Set<string>();
  const listening = (async () => {
    while (!(await page.getByRole("button", { name: /Take it again/ }).isVisible())) {
      heard.add(
        (await says
          .first()
          .textContent({ timeout: 2000 })
          .catch(() => "")) ?? "",
      );
      await page.waitForTimeout(60);
    }
  })();
  await expect(page.getByRole("button", { name: /Take it again/ })).toBeVisible({ timeout: 60_000 });
  await listening;
  console.log([...heard]);
  expect(await faults(page)).toEqual([]);
  const { stash } = await jobOf(page);
  expect(stash).toHaveLength(1);
  const photo = await (
    await page.request.get(`${server.address}/api/photos/${stash[0]!.id}/preview/1600`)
  ).body();
  const number = await readSlate(photo);
  const { stretch, since } = stretchOf(number);
  console.log(stretch.name, since);
});
