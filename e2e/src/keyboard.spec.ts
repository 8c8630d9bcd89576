import { cameraPhoto } from "./photos.ts";
import {
  cell,
  expect,
  faults,
  part,
  pictureInCell,
  saved,
  startCopies,
  startJob,
  test,
  ticket,
} from "./test.ts";

test("the whole job by keyboard alone", async ({ table: page, folder }) => {
  const files = [
    await cameraPhoto(folder, "MS-401.jpg", 1500, 2000),
    await cameraPhoto(folder, "MS-402.jpg", 1800, 2400),
  ];
  const tabTo = async (name: RegExp, most = 60) => {
    for (let i = 0; i < most; i++) {
      const is = await page.evaluate(() => {
        const focused = document.activeElement;
        return focused?.getAttribute("aria-label") ?? focused?.textContent ?? "";
      });
      if (name.test(is)) return;
      await page.keyboard.press("Tab");
    }
    throw new Error(`Tab does not lead to ${name}`);
  };
  await tabTo(/^Copies of one photo/);
  await page.keyboard.press("Enter");
  await page.getByRole("region", { name: "Ticket" }).waitFor();
  await page.getByLabel("Photo files").setInputFiles(files);
  await expect(page.getByText("2 in this job")).toBeVisible();

  await tabTo(/^MS-402.jpg/);
  await page.keyboard.press("Enter");
  await expect(cell(page, 8)).toHaveAccessibleName(/MS-402/);

  await tabTo(/^Gap between pieces/);
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Apart", { exact: true })).toBeFocused();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Escape");
  await expect(part(page, "Gap between pieces")).toBeFocused();
  expect(await ticket(page)).toContain("3 mm apart");

  await tabTo(/^Cell 1/);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowDown");
  await expect(cell(page, 6)).toBeFocused();
  await expect(cell(page, 6)).toHaveAttribute("aria-selected", "true");
  const before = await pictureInCell(page, 6);
  for (let i = 0; i < 10; i++) await page.keyboard.press(".");
  const larger = await pictureInCell(page, 6);
  expect(larger.width / before.width).toBeCloseTo(1.02 ** 10, 2);
  await page.keyboard.press("Shift+ArrowRight");
  const moved = await pictureInCell(page, 6);
  expect(moved.x).toBeGreaterThan(larger.x + 1);
  await page.keyboard.press("r");
  await page.keyboard.press("w");
  await expect(page.getByText("Nothing is cropped")).toBeVisible();
  await page.keyboard.press("Backspace");
  await expect.poll(async () => (await pictureInCell(page, 6)).width).toBeCloseTo(before.width, 0);

  await page.keyboard.press("?");
  await expect(page.getByRole("heading", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await saved(page);
  await page.keyboard.press("Control+z");
  await expect(page.getByText("Nothing is cropped")).toBeVisible();
  await page.keyboard.press("Control+p");
  await expect(page.getByRole("button", { name: "Write the file" })).toBeVisible();
  await tabTo(/^Write the file/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("link", { name: "Download" })).toBeVisible();
});

test("axe finds nothing on any view, panel or dialog", async ({ table: page, folder }) => {
  test.setTimeout(600_000);
  await startCopies(page);
  await page
    .getByLabel("Photo files")
    .setInputFiles([
      await cameraPhoto(folder, "MS-411.jpg", 600, 800),
      await cameraPhoto(folder, "MS-412.jpg", 300, 200),
    ]);
  await expect(page.getByText("2 in this job")).toBeVisible();
  await page.getByRole("button", { name: /^MS-412/ }).click();
  await cell(page, 3).click();
  await page.getByRole("button", { name: "In cell 3" }).click();
  expect(await faults(page)).toEqual([]);
  const titles = [
    "How many",
    "Finished size",
    "Paper",
    "How the paper lies",
    "Gap between pieces",
    "Place on the sheet",
    "Margins",
    "Marks to cut by",
    "Outline",
    "Slack, bleed and safe zone",
    "Where it is made",
    "Pixels per inch",
  ];
  for (const title of titles) {
    await part(page, title).click();
    expect(await faults(page, "[role=dialog]")).toEqual([]);
    await page.keyboard.press("Escape");
  }
  await page.getByRole("button", { name: "Keys" }).click();
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "Print or export" }).click();
  await expect(page.getByAltText(/as it is written/)).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.goto(new URL("/", page.url()).href);
  await expect(page.getByRole("link", { name: /^Open Copies of one photo/ })).toBeVisible();
  expect(await faults(page)).toEqual([]);
});

test("axe finds nothing on the other kinds of jobs, their panels, the cut plan and the pattern book", async ({
  table: page,
  folder,
  server,
}) => {
  test.setTimeout(600_000);
  const photo = await cameraPhoto(folder, "MS-431.jpg", 600, 800);
  const kinds: [RegExp, string[]][] = [
    [/Mixed sizes/, ["Sizes and numbers", "Papers", "What comes first", "How it is cut"]],
    [/One per sheet/, ["The cell of each sheet", "How the paper lies"]],
    [/Collage/, ["How the sheet is divided", "Border"]],
    [
      /Strips and cards/,
      [
        "Shots of a strip or a card",
        "The strip or card, cut",
        "Room for words",
        "What the knife may be off by",
      ],
    ],
    [/^Free/, []],
  ];
  for (const [kind, titles] of kinds) {
    await page.goto(server.address);
    await startJob(page, kind, photo);
    expect(await faults(page)).toEqual([]);
    for (const title of titles) {
      await part(page, title).click();
      expect(await faults(page, "[role=dialog]")).toEqual([]);
      await page.keyboard.press("Escape");
    }
  }
  const add = page.getByRole("region", { name: "Add a cell" });
  await add.getByRole("button", { name: /^Add / }).click();
  await cell(page, 1).click();
  await page.getByRole("button", { name: "Rulers" }).click();
  expect(await faults(page)).toEqual([]);
  await page.getByRole("button", { name: "Sheets", exact: true }).click();
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Keep as pattern" }).click();
  expect(await faults(page)).toEqual([]);
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await saved(page);
  await page.goto(`${page.url()}/cuts`);
  await expect(page.getByText(/passes of the knife/)).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.goto(`${server.address}/patterns`);
  await expect(page.getByRole("button", { name: "Start a job" }).first()).toBeVisible();
  expect(await faults(page)).toEqual([]);
});

test("nothing of the head, the ticket and the press is cut off at 1024 × 700, of any kind, with a name of 150 letters", async ({
  table: page,
  folder,
}) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  await startCopies(page, await cameraPhoto(folder, "MS-421.jpg", 600, 800));
  await page.getByRole("button", { name: "Copies of one photo", exact: true }).click();
  await page.getByRole("textbox", { name: "Name" }).fill("Terns over the outer sandbank ".repeat(5));
  await page.keyboard.press("Enter");
  /** What reaches over the window, or over what it stands in. */
  const cutOff = () =>
    page.evaluate(() => {
      const { innerWidth, innerHeight } = window;
      const root = document.documentElement;
      const parts = [
        ...document.querySelectorAll("header a, header button, header select, [aria-label='Ticket'] button"),
      ];
      const over = parts.filter((part) => {
        const { left, top, right, bottom, width } = part.getBoundingClientRect();
        const isName = part.closest("nav") !== null;
        const isCut = !isName && part.tagName !== "SELECT" && part.scrollWidth > part.clientWidth + 1;
        return (
          width > 0 && (left < 0 || top < 0 || right > innerWidth + 0.5 || bottom > innerHeight || isCut)
        );
      });
      return [
        ...over.map((part) => part.textContent),
        ...(root.scrollWidth > innerWidth || root.scrollHeight > innerHeight ? ["the page scrolls"] : []),
      ];
    });
  const kind = page.getByRole("combobox", { name: "Kind of job" });
  const kinds = await kind
    .locator("option")
    .evaluateAll((all) => all.map((one) => (one as HTMLOptionElement).value));
  expect(kinds.length).toBeGreaterThanOrEqual(7);
  for (const one of kinds) {
    await kind.selectOption(one);
    await saved(page);
    expect([one, await cutOff()]).toEqual([one, []]);
    await expect(page.getByRole("link", { name: "Print or export" })).toBeInViewport({ ratio: 1 });
  }
  // The right column at its end does not take the page along.
  const aside = page.getByRole("complementary", { name: /^Selected cell/ });
  await aside.evaluate((element) => element.scrollTo(0, element.scrollHeight));
  await aside.hover();
  await page.mouse.wheel(0, 2000);
  expect(await page.evaluate(() => [window.scrollY, document.documentElement.scrollTop])).toEqual([0, 0]);
  expect(await cutOff()).toEqual([]);
  await page.getByRole("link", { name: "Print or export" }).click();
  await expect(page.getByRole("heading", { name: "Press" })).toBeVisible();
  expect(await cutOff()).toEqual([]);
  await page.getByRole("link", { name: "Cut plan" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  expect((await cutOff()).filter((part) => part !== "the page scrolls")).toEqual([]);
});

test("stays whole at 1024 and at 2560 pixels", async ({ table: page, folder }) => {
  await startCopies(page, await cameraPhoto(folder, "MS-421.jpg", 600, 800));
  for (const [width, height] of [
    [1024, 700],
    [2560, 1440],
  ] as const) {
    await page.setViewportSize({ width, height });
    const [across, down] = await page.evaluate(() => [
      document.documentElement.scrollWidth,
      document.documentElement.scrollHeight,
    ]);
    expect(across).toBeLessThanOrEqual(width);
    expect(down).toBeLessThanOrEqual(height);
    for (const name of ["Undo", "Redo"])
      await expect(page.getByRole("button", { name })).toBeInViewport({ ratio: 1 });
    await expect(page.getByRole("link", { name: "Print or export" })).toBeInViewport({ ratio: 1 });
    await expect(cell(page, 8)).toBeInViewport({ ratio: 0.999 });
  }
});
