import { join } from "node:path";
import { chromium, type Page, type Route } from "@playwright/test";
import { chance } from "@wide-quilt/core";
import { Server } from "@wide-quilt/server/testing";
import { cameraPhoto, flatPhoto } from "./photos.ts";
import { sitterPhoto, SITTERS } from "./sitters.ts";
import {
  cell,
  cells,
  expect,
  headsOf,
  jobOf,
  part,
  saved,
  startCopies,
  startJob,
  test,
  ticket,
  type,
} from "./test.ts";

/** How long two windows work on one job over a bad line, in milliseconds. */
const TOGETHER = process.env.WIDE_QUILT_LONG ? 300_000 : 12_000;

// It leaves something in its server, or ends it.
test.use({ apart: true });

test("over plain HTTP, under a name of the network, everything works", async ({ folder }) => {
  const server = await Server.start(join(folder, "data"), "--host", "0.0.0.0", "--key", "open-day-2026");
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--host-resolver-rules=MAP studio.test 127.0.0.1"],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-GB" });
    const errors: string[] = [];
    page.on("pageerror", ({ message }) => errors.push(message));
    const address = `http://studio.test:${server.port}`;
    await page.goto(`${address}/?key=open-day-2026`);
    expect(await page.evaluate(() => [isSecureContext, "randomUUID" in crypto])).toEqual([false, false]);
    expect(page.url()).toBe(`${address}/`);
    await startCopies(page, await cameraPhoto(folder, "network.jpg", 900, 1200));
    await part(page, "Gap between pieces").click();
    await type(page, "Apart", "3mm");
    await page.keyboard.press("Escape");
    expect(await ticket(page)).toContain("3 mm apart");
    await page.keyboard.press("Control+z");
    await expect.poll(() => ticket(page)).toContain("2 mm apart");
    await cell(page, 1).click();
    await page.mouse.wheel(0, -200);
    await saved(page);
    await page.getByRole("link", { name: "Print or export" }).click();
    await page.getByRole("button", { name: "Write the file" }).click();
    await expect(page.getByRole("listitem").filter({ hasText: "Written: " })).toBeVisible();
    expect(errors).toEqual([]);
  } finally {
    await browser.close();
    await server.kill();
  }
});

test("what is not saved outlives another job, a reload and a browser that is closed", async ({
  page,
  folder,
}) => {
  const data = join(folder, "data");
  let server = await Server.start(data);
  await page.goto(server.address);
  await startCopies(page, await cameraPhoto(folder, "kept.jpg", 900, 1200));
  const address = page.url();
  await page.goto(server.address);
  await startJob(page, /^Free/);
  const other = page.url();
  await page.goto(address);
  await saved(page);
  await server.kill();
  await part(page, "Gap between pieces").click();
  await type(page, "Apart", "4mm");
  await page.keyboard.press("Escape");
  await expect(page.getByText(/not saved: the server does not answer/)).toBeVisible();
  // To the jobs and into another one, by the page’s own links, then the window goes.
  await page.getByRole("link", { name: "Jobs", exact: true }).click();
  await page.evaluate((path) => {
    history.pushState({}, "", path);
    dispatchEvent(new PopStateEvent("popstate"));
  }, new URL(other).pathname);
  await expect(page.getByText(/does not answer/).first()).toBeVisible();
  const context = page.context();
  await page.close({ runBeforeUnload: false });
  server = await Server.start(data, "--port", server.port);
  const again = await context.newPage();
  await again.goto(address);
  await expect.poll(() => ticket(again)).toContain("4 mm apart");
  await saved(again);
  await expect.poll(async () => (await jobOf(again)).ticket.gap).toBe(4000);
  // What a window that is gone did can be taken back from any other.
  await again.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => ticket(again)).toContain("2 mm apart");
  await server.kill();
});

test("photos that are brought while the server is away come in when it is back", async ({ page, folder }) => {
  const data = join(folder, "data");
  let server = await Server.start(data);
  await page.goto(server.address);
  await startJob(page, /Copies of one photo/);
  await server.kill();
  await page.getByLabel("Photo files").setInputFiles(await cameraPhoto(folder, "late.jpg", 900, 1200));
  await expect(page.getByText(/not saved: the server does not answer/)).toBeVisible();
  server = await Server.start(data, "--port", server.port);
  await expect(page.getByText("1 in this job")).toBeVisible();
  await saved(page);
  await server.kill();
});

test("an untouched field, a locked cell and another kind of job and back change nothing", async ({
  table: page,
  folder,
}) => {
  await startCopies(page, await cameraPhoto(folder, "still.jpg", 900, 1200));
  const before = await jobOf(page);
  // Thirty-five millimetres in inches are not round: Enter in a field says nothing that was not typed.
  await page.getByLabel("Units").selectOption("in");
  await part(page, "Finished size").click();
  for (const label of ["Width", "Height"]) {
    await page.getByRole("textbox", { name: label, exact: true }).focus();
    await page.keyboard.press("Enter");
  }
  await page.keyboard.press("Escape");
  await saved(page);
  expect(await jobOf(page)).toEqual({ ...before, unit: "in" });
  await page.getByLabel("Units").selectOption("mm");

  await page.getByText("Move cells").click();
  await cell(page, 2).click();
  await page.keyboard.press("ArrowRight");
  await page.getByRole("button", { name: "Lock in place" }).click();
  await page.keyboard.press("Delete");
  await expect(page.getByText(/A locked cell stays/)).toBeVisible();
  await expect(cells(page)).toHaveCount(8);
  await saved(page);
  const moved = await jobOf(page);
  const kind = page.getByLabel("Kind of job");
  for (const other of ["contact", "free", "collage", "copies"]) {
    await kind.selectOption(other);
    if (other === "free") await expect(cells(page)).not.toHaveCount(0);
    await saved(page);
  }
  const { aside: _aside, ...back } = await jobOf(page);
  const { aside: _none, ...was } = moved;
  expect(back).toEqual(was);
});

test("heads that were found by themselves are no steps: undo, reload and redo are what they were", async ({
  table: page,
  folder,
}) => {
  await startJob(page, /Document photos/);
  await page
    .getByLabel("Photo files")
    .setInputFiles([
      await sitterPhoto(folder, "one.jpg", SITTERS[0]!),
      await sitterPhoto(folder, "two.jpg", SITTERS[1]!),
    ]);
  const heads = async () => Object.keys(await headsOf(page)).length;
  await expect.poll(heads, { timeout: 60_000 }).toBe(2);
  await saved(page);
  const undo = page.getByRole("button", { name: "Undo" });
  await expect(undo).toHaveAttribute("title", /adding photos/);
  await undo.click();
  await expect(page.getByRole("button", { name: "Redo" })).toHaveAttribute("title", /adding photos/);
  await page.reload();
  await saved(page);
  await expect(page.getByRole("button", { name: "Redo" })).toBeEnabled();
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(page.getByText("2 in this job")).toBeVisible();
  await expect.poll(heads).toBe(2);
});

test("two windows work on one job over a line that breaks: it is the same in both, nothing lost, nothing twice", async ({
  table: page,
  browser,
}) => {
  test.setTimeout(TOGETHER + 240_000);
  await startJob(page, /^Free/);
  const other = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: "en-GB" })
  ).newPage();
  await other.goto(page.url());
  await saved(other);
  const next = chance(77);
  const badly = (route: Route) => {
    const luck = next();
    if (luck < 0.15) return route.abort("connectionreset");
    // It is done, and nobody hears of it.
    if (luck < 0.3)
      return route.fetch().then(
        () => route.abort("connectionreset"),
        () => route.abort(),
      );
    return route.continue();
  };
  let there = 0;
  const work = async (window: Page, seed: number) => {
    const chanceOf = chance(seed);
    const add = window.getByRole("region", { name: "Add a cell" }).getByRole("button", { name: /^Add / });
    const undo = window.getByRole("button", { name: "Undo" });
    let own = 0;
    for (const until = Date.now() + TOGETHER; Date.now() < until;) {
      await window.getByLabel("Table").click({ position: { x: 10, y: 10 } });
      if (own > 0 && chanceOf() < 0.3) {
        // Steps are taken back in the order of their making, each once.
        await expect(undo).toBeEnabled();
        await undo.click();
        own--;
        there--;
      } else {
        await add.click();
        own++;
        there++;
      }
      // Once in a while both are up to date.
      if (chanceOf() < 0.3) await saved(window);
    }
    await saved(window);
  };
  for (const window of [page, other]) await window.route(/\/api\/jobs\/[^/]+\/(edits|undo)$/, badly);
  await Promise.all([work(page, 5), work(other, 6)]);
  await expect.poll(async () => Object.keys((await jobOf(page)).cells).length).toBe(there);
  for (const window of [page, other]) await expect(cells(window)).toHaveCount(there);
  for (const window of [page, other]) await window.unrouteAll({ behavior: "ignoreErrors" });
  await other.context().close();
});

test("a page of an older build says that there is a newer one", async ({ table: page }) => {
  await page.route("**/api/jobs?bin=false", async (route) => {
    const response = await route.fetch({ maxRetries: 3 });
    await route.fulfill({ response, headers: { ...response.headers(), "x-wide-quilt-build": "another" } });
  });
  await page.reload();
  await expect(page.getByText(/Wide Quilt was updated/)).toBeVisible();
  // What is still on its way would otherwise be answered after the test is over.
  await page.unrouteAll({ behavior: "wait" });
  await page.getByRole("button", { name: "Load again" }).click();
  await expect(page.getByRole("heading", { name: "Start a job" })).toBeVisible();
});

test("a job that is deleted elsewhere says so, and can be kept as it is here", async ({
  table: page,
  folder,
  server,
}) => {
  await startCopies(page, await flatPhoto(folder, "gone.jpg", "#3246c8"));
  const id = new URL(page.url()).pathname.split("/")[2]!;
  const ask = (method: string, path: string, body?: object) =>
    fetch(`${server.address}/api/jobs/${id}${path}`, {
      method,
      headers: { "Content-Type": "application/json" },
      body: body && JSON.stringify(body),
    });
  await ask("PUT", "/bin", { binned: true });
  await ask("DELETE", "");
  await expect(page.getByText(/was deleted in another window/)).toBeVisible();
  await page.getByRole("button", { name: "Keep it as a new job" }).click();
  await expect(cells(page)).toHaveCount(8);
  expect(new URL(page.url()).pathname).not.toContain(id);
});
