import { join } from "node:path";
import { MODELS, SimulatedPrinter } from "@wide-quilt/devices";
import { flatPhoto } from "./photos.ts";
import { expect, measure, part, saved, startCopies, test, type } from "./test.ts";

test("a printer is asked what it can do, prints a job, and is waited for when it has no paper", async ({
  table: page,
  folder,
}) => {
  const model = MODELS.find(({ id }) => id === "inkjet")!;
  const printer = await new SimulatedPrinter(model, { folder: join(folder, "prints") }).start();
  printer.putPaper(0);
  await page.getByRole("link", { name: "Sizes" }).click();
  await page.getByRole("button", { name: "Add one" }).first().click();
  await type(page, "Name", "Shore inkjet");
  await type(page, "Address, where it prints by IPP", "ipp://localhost:1/ipp/print");
  await page.getByRole("button", { name: "Ask what it can do" }).click();
  await expect(page.getByText(/cannot be reached/)).toBeVisible();
  await type(page, "Address, where it prints by IPP", printer.address);
  await page.getByRole("button", { name: "Ask what it can do" }).click();
  await expect(page.getByText(/Shore inkjet: colour; takes image\/jpeg, application\/pdf/)).toBeVisible();
  await expect(page.getByRole("textbox", { name: "Unprintable, bottom" })).toHaveValue("12.5");
  await expect(page.getByRole("textbox", { name: "Best sent at" })).toHaveValue("360");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Shore inkjet" })).toContainText("12.5");

  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  await startCopies(page, await flatPhoto(folder, "green.jpg", "#228844", 1400, 1800));
  await part(page, "Where it is made").click();
  await page.getByRole("radio", { name: /Shore inkjet/ }).click();
  await page.keyboard.press("Escape");
  await saved(page);
  // Cells reach into the edge that it cannot print: said, and passed knowingly.
  await page.getByRole("link", { name: "Print or export" }).click();
  await page.getByRole("button", { name: "Print on Shore inkjet" }).click();
  await expect(page.getByText(/would spoil the print. It can be mended/)).toBeVisible();
  await page.getByRole("button", { name: "Do it all the same" }).click();
  await expect(page.getByText(/The printer is out of paper/)).toBeVisible();
  printer.putPaper(10);
  const done = page.getByRole("listitem").filter({ hasText: /Printed on Shore inkjet/ });
  await expect(done).toHaveCount(1);
  expect(printer.prints).toHaveLength(1);
  // 4 × 6 in at 360 ppi, lying; the unprintable 12.5 mm of the upright paper's foot are at the left.
  expect(measure("identify", "-format", "%w %h", printer.prints[0]!)).toBe("2160 1440");
  const bare = measure(
    "/usr/bin/convert",
    printer.prints[0]!,
    "-crop",
    "170x1440+0+0",
    "-format",
    "%[fx:minima]",
    "info:",
  );
  expect(Number(bare)).toBe(1);
  await page.getByRole("button", { name: "Again exactly as before" }).click();
  await expect(done).toHaveCount(2);
  expect(printer.prints).toHaveLength(2);
  await printer.stop();
});
