import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { Server } from "@wide-quilt/server/testing";
import { cell, expect, part, saved, test } from "./test.ts";

const docs = (name: string) => fileURLToPath(new URL(`../../docs/screenshots/${name}.png`, import.meta.url));

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
  await page.screenshot({ path: docs("table") });

  await part(page, "Finished size").click();
  await page.screenshot({ path: docs("ticket") });
  await page.keyboard.press("Escape");

  await page.getByRole("link", { name: "Print or export" }).click();
  await expect(page.getByAltText(/as it is written/)).toBeVisible();
  await page.getByRole("button", { name: "Write the file" }).click();
  await expect(page.getByRole("link", { name: "Download" })).toBeVisible();
  await page.waitForLoadState("networkidle");
  await page.screenshot({ path: docs("press") });
  await server.kill();
});
