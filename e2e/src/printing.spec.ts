import { join } from "node:path";
import { PRINTERS } from "@wide-quilt/core";
import { MODELS, SimulatedPrinter } from "@wide-quilt/devices";
import { flatPhoto } from "./photos.ts";
import { expect, faults, measure, part, saved, startCopies, test, type } from "./test.ts";

// It leaves something in its server, or ends it.
test.use({ apart: true });

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
  // It says what it can do, and just that is offered.
  const printing = page.getByRole("region", { name: "Printing" });
  await expect(printing).toContainText("Shore inkjet: out of paper. It prints as soon as that is mended.");
  await expect(printing.getByRole("combobox", { name: "Paper in it" }).getByRole("option")).toHaveText([
    "What is in it",
    "Plain paper",
    "Photo paper, glossy",
    "Photo paper, matte",
  ]);
  await printing.getByRole("combobox", { name: "Paper in it" }).selectOption("Photo paper, matte");
  await printing.getByRole("radio", { name: "Normal" }).click();
  await printing.getByLabel("in black alone").check();
  await type(page, "Copies of each sheet", "100");
  await expect(printing.getByText("At most 99.")).toBeVisible();
  await type(page, "Copies of each sheet", "2");
  await expect(printing).toContainText("Sent as JPEG; 2 sheets in all");
  expect(await faults(page)).toEqual([]);
  await page.getByRole("button", { name: "Print on Shore inkjet" }).click();
  await expect(page.getByText(/would spoil the print. It can be mended/)).toBeVisible();
  await page.getByRole("button", { name: "Do it all the same" }).click();
  await expect(page.getByText(/The printer is out of paper/)).toBeVisible();
  printer.putPaper(10);
  const done = page.getByRole("listitem").filter({ hasText: /Printed on Shore inkjet/ });
  await expect(done).toHaveCount(1);
  expect(printer.prints).toHaveLength(2);
  expect(printer.jobs).toMatchObject([
    { copies: 2, printed: 2, type: "photographic-matte", quality: 4, grey: true, scaling: "none" },
  ]);
  const off = "%[fx:abs(mean.r-mean.g)+abs(mean.g-mean.b)]";
  expect(Number(measure("/usr/bin/convert", printer.prints[0]!, "-format", off, "info:"))).toBe(0);
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
  expect(printer.prints).toHaveLength(4);
  await printer.stop();
});

test("a printer of one odd page is sent its pixels, and cuts them in two", async ({
  table: page,
  folder,
  server,
}) => {
  const model = MODELS.find(({ id }) => id === "event")!;
  const printer = await new SimulatedPrinter(model, { folder: join(folder, "prints") }).start();
  await page.request.put(`${server.address}/api/printers/flock`, {
    data: {
      ...PRINTERS.find(({ id }) => id === "event")!,
      id: "flock",
      name: "Flock",
      address: printer.address,
    },
  });
  await page.reload();
  await startCopies(page, await flatPhoto(folder, "green.jpg", "#228844", 1400, 1800));
  await part(page, "Where it is made").click();
  await page.getByRole("radio", { name: /Flock/ }).click();
  await page.keyboard.press("Escape");
  await saved(page);
  await page.getByRole("link", { name: "Print or export" }).click();
  const printing = page.getByRole("region", { name: "Printing" });
  await expect(printing).toContainText("Flock event printer is ready.");
  await expect(printing).toContainText("It prints this paper to its edges.");
  await expect(printing).toContainText("Sent as pixels (PWG raster).");
  await page.getByRole("button", { name: "Print on Flock" }).click();
  const done = page.getByRole("listitem").filter({ hasText: /Printed on Flock/ });
  await expect(done.or(page.getByRole("button", { name: "Do it all the same" })).first()).toBeVisible();
  if ((await done.count()) === 0) await page.getByRole("button", { name: "Do it all the same" }).click();
  await expect(done).toHaveCount(1);
  // 4 in at 302 ppi are 1208 px, so 604 each; 6 in are 1812.
  expect(printer.prints.map((path) => measure("identify", "-format", "%w %h", path))).toEqual([
    "604 1812",
    "604 1812",
  ]);
  await printer.stop();
  await page.reload();
  await expect(printing).toContainText(/cannot be reached.*Is it switched on/);
  await printer.start();
  await printing.getByRole("button", { name: "Ask again" }).click();
  await expect(printing).toContainText("Flock event printer is ready.");
  await printer.stop();
});
