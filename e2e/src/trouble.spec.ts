import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { Server } from "@wide-quilt/server/testing";
import { cameraPhoto } from "./photos.ts";
import { cell, cells, expect, part, saved, startCopies, test, ticket } from "./test.ts";

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("names each bad file and keeps the good ones", async ({ table: page, folder }) => {
  const good = await cameraPhoto(folder, "good.jpg", 900, 1200);
  const bad = (name: string, data: Buffer | string) => {
    writeFileSync(join(folder, name), data);
    return join(folder, name);
  };
  const whole = readFileSync(good);
  await startCopies(page);
  await page
    .getByLabel("Photo files")
    .setInputFiles([
      bad("letter.jpg", "Dear ringers, the badges are ready."),
      bad("cut.jpg", whole.subarray(0, whole.length / 2)),
      bad("nothing.jpg", ""),
      good,
    ]);
  await expect(page.getByText("1 in this job")).toBeVisible();
  const refused = page.getByRole("alert").filter({ hasText: "3 files were not brought in" });
  await expect(refused).toContainText(
    "letter.jpg: This is not a photo that can be read, whatever its name says.",
  );
  await expect(refused).toContainText("cut.jpg: The file is damaged or was cut off");
  await expect(refused).toContainText("nothing.jpg: The file is empty.");
  await expect(cell(page, 1)).toHaveAccessibleName(/good.jpg/);
});

test("two windows change one job: each sees the other at once, and takes back its own steps alone", async ({
  table: page,
  context,
  folder,
}) => {
  await startCopies(page, await cameraPhoto(folder, "two.jpg", 900, 1200));
  const other = await context.newPage();
  await other.goto(page.url());
  await saved(other);
  await part(other, "Place on the sheet").click();
  await other.getByRole("radio", { name: "In the top left corner" }).click();
  await saved(other);
  await expect.poll(() => ticket(page)).toContain("at the top left");
  await part(page, "Gap between pieces").click();
  await page.getByLabel("Apart", { exact: true }).fill("5mm");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await saved(page);
  await expect.poll(() => ticket(other)).toContain("5 mm apart and at the top left");
  // Nobody has to be told of every change.
  await expect(page.getByText(/another window/)).toHaveCount(0);
  // The last step is the other one's: each takes back what is its own.
  await other.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => ticket(page)).toContain("5 mm apart and centred");
  await expect(other.getByRole("button", { name: "Undo" })).toBeDisabled();
  await expect(other.getByRole("button", { name: "Undo" })).toHaveAttribute(
    "title",
    /“gap”, was made in another window/,
  );
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => ticket(other)).toContain("2 mm apart and centred");
});

test("the server is killed while one works: it is said, nothing is lost, and work goes on", async ({
  page,
  folder,
}) => {
  const data = join(folder, "data");
  let server = await Server.start(data);
  await page.goto(server.address);
  await startCopies(page, await cameraPhoto(folder, "kept.jpg", 900, 1200));
  await server.kill();
  await part(page, "Gap between pieces").click();
  await page.getByLabel("Apart", { exact: true }).fill("4mm");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/not saved: the server does not answer, trying again/)).toBeVisible();
  await page.keyboard.press("Escape");
  expect(await ticket(page)).toContain("4 mm apart");
  server = await Server.start(data, "--port", server.port);
  await saved(page);
  await page.reload();
  await saved(page);
  expect(await ticket(page)).toContain("4 mm apart");
  await expect(cells(page)).toHaveCount(8);
  await server.kill();
});

test("a run that is cancelled leaves nothing, one that is too large is refused with a sentence", async ({
  table: page,
  folder,
  server,
}) => {
  await startCopies(page, await cameraPhoto(folder, "many.jpg", 3000, 4000));
  await part(page, "How many").click();
  await page.getByRole("radio", { name: /Just this many/ }).click();
  await page.getByLabel("Copies").fill("3000");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await saved(page);
  await page.getByRole("link", { name: "Print or export" }).click();
  await page.getByRole("button", { name: "Write 375 sheets" }).click();
  await expect(page.getByText("Writing sheets")).toBeVisible();
  await page.getByRole("listitem").getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByText("Cancelled. Nothing was written.")).toBeVisible();
  expect(readdirSync(join(server.data, "out"))).toEqual([]);
  await page.goto(page.url().replace(/\/press$/, ""));
  await saved(page);
  await part(page, "Paper").click();
  await page.getByLabel("Width", { exact: true }).fill("4m");
  await page.keyboard.press("Enter");
  await page.getByLabel("Height", { exact: true }).fill("3m");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(
    page.getByText(/The file would have 1674 million pixels; the most is 400 million/),
  ).toBeVisible();
  await page.getByRole("button", { name: /^Write at \d+ ppi/ }).click();
  await expect(page.getByText(/million pixels/)).toHaveCount(0);
});
