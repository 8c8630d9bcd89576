import AxeBuilder from "@axe-core/playwright";
import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test as base, expect, type Page } from "@playwright/test";
import type { Face, Job } from "@wide-quilt/core";
import type { JobView } from "@wide-quilt/server/contract";
import { Server } from "@wide-quilt/server/testing";

interface Fixtures {
  /** Whether the test has a server of its own: one that is about the server’s life, or leaves something in it. */
  apart: boolean;
  /** A folder of this test's own. */
  folder: string;
  server: Server;
  /** A page that fails the test on any error in it. */
  table: Page;
}

interface Shared {
  /** The server of the tests that have none of their own: starting one takes longer than many of them do. */
  house: Server;
}

/** No test sees what another did: what it made in the shared server is gone before it begins. */
export const test = base.extend<Fixtures, Shared>({
  apart: [false, { option: true }],
  // eslint-disable-next-line no-empty-pattern -- Playwright wants the first argument to be a pattern
  folder: async ({}, use) => use(mkdtempSync(join(tmpdir(), "wide-quilt-e2e-"))),
  house: [
    // eslint-disable-next-line no-empty-pattern -- as above
    async ({}, use) => {
      const server = await Server.start(join(mkdtempSync(join(tmpdir(), "wide-quilt-e2e-")), "data"));
      await use(server);
      await server.kill();
    },
    { scope: "worker" },
  ],
  server: async ({ apart, folder, house }, use) => {
    if (!apart) {
      await cleared(house);
      await use(house);
      return;
    }
    const server = await Server.start(join(folder, "data"));
    await use(server);
    await server.kill();
  },
  table: async ({ page, server }, use) => {
    const errors: string[] = [];
    page.on("pageerror", (error) => errors.push(error.message));
    page.on("console", (message) => {
      if (message.type() === "error" && !/Failed to load resource/.test(message.text()))
        errors.push(message.text());
    });
    await page.goto(server.address);
    await use(page);
    expect(errors).toEqual([]);
  },
});

export { expect };

/** What makes a browser take a film for a camera that it may use. */
export const cameraOf = (film: string): string[] => [
  "--use-fake-device-for-media-stream",
  "--use-fake-ui-for-media-stream",
  `--use-file-for-fake-video-capture=${film}`,
];

/** Leaves a server without jobs and without written files. */
async function cleared({ address, data }: Server): Promise<void> {
  const jobs = `${address}/api/jobs`;
  const idsOf = async (bin: boolean) =>
    ((await (await fetch(`${jobs}?bin=${bin}`)).json()) as { id: string }[]).map(({ id }) => id);
  const headers = { "Content-Type": "application/json" };
  const body = JSON.stringify({ binned: true });
  for (const id of await idsOf(false)) await fetch(`${jobs}/${id}/bin`, { method: "PUT", headers, body });
  for (const id of await idsOf(true)) await fetch(`${jobs}/${id}`, { method: "DELETE" });
  const out = join(data, "out");
  for (const name of readdirSync(out)) rmSync(join(out, name), { recursive: true });
}

/** Runs a measuring tool that is not ours and gives back what it printed. */
export const measure = (tool: string, ...args: string[]): string =>
  execFileSync(tool, args, { encoding: "utf8", maxBuffer: 1e8 });

/**
 * What axe finds against WCAG 2.2 AA, by rule and place; with `within`, in what opened over a page that was looked at
 * before.
 */
export async function faults(page: Page, within?: string): Promise<string[]> {
  const axe = new AxeBuilder({ page });
  if (within) axe.include(within);
  const { violations } = await axe
    // Focus guards of the panels: focus that reaches one is passed on at once, so nobody ever stands on it.
    .exclude("[id^='headlessui-focus-sentinel']")
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
    .analyze();
  return violations.flatMap(({ id, nodes }) => nodes.map(({ target }) => `${id}: ${target.join(" ")}`));
}

/** Starts a job "copies of one photo" and brings photo files in, as a person does. */
export const startCopies = (page: Page, ...files: string[]): Promise<void> =>
  startJob(page, /Copies of one photo/, ...files);

/** Starts a job of a kind, by its title, and brings photo files in, as a person does. */
export async function startJob(page: Page, kind: RegExp, ...files: string[]): Promise<void> {
  await page.getByRole("button", { name: kind }).click();
  await page.getByRole("region", { name: "Ticket" }).waitFor();
  if (files.length === 0) return;
  await page.getByLabel("Photo files").setInputFiles(files);
  await expect(
    page.getByText(files.length === 1 ? "1 in this job" : `${files.length} in this job`),
  ).toBeVisible({ timeout: 120_000 });
  await saved(page);
}

/** Waits until the server has taken everything in. */
export const saved = (page: Page): Promise<void> => expect(page.getByText(/^saved /)).toBeVisible();

/** Types into a field, as a person does: all of it anew, and Enter. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  await page.getByRole("textbox", { name: label, exact: true }).fill(text);
  await page.keyboard.press("Enter");
}

/** How many runs of a server are written. */
async function runsWritten({ address }: Server): Promise<number> {
  const { runs } = (await (await fetch(`${address}/api/runs`)).json()) as { runs: { state: string }[] };
  return runs.filter(({ state }) => state === "done").length;
}

/** Writes the job's sheets in a format, from the table or from the press; gives back where they lie, in order. */
export async function write(
  page: Page,
  server: Server,
  format: "PNG" | "JPEG" | "PDF",
  how: "right" | "all the same" = "right",
): Promise<string[]> {
  const ending = { PNG: ".png", JPEG: ".jpg", PDF: ".pdf" }[format];
  const toPress = page.getByRole("link", { name: "Print or export" });
  if (await toPress.isVisible()) {
    await saved(page);
    await toPress.click();
  }
  const before = await runsWritten(server);
  await page.getByRole("radio", { name: new RegExp(`^${format}`) }).click();
  await page.getByRole("button", { name: /^Write (the file|\d+ sheets)$/ }).click();
  if (how === "all the same") await page.getByRole("button", { name: "Do it all the same" }).click();
  await expect.poll(() => runsWritten(server), { timeout: 180_000 }).toBe(before + 1);
  const written = page.getByRole("listitem").filter({ hasText: /Written: / });
  await expect(written.first()).toBeVisible();
  const out = join(server.data, "out");
  return readdirSync(out)
    .filter((name) => name.endsWith(ending))
    .sort()
    .map((name) => join(out, name));
}

/** Writes the job's sheets as PNG. */
export const writePng = (page: Page, server: Server): Promise<string[]> => write(page, server, "PNG");

/** The job that is on the page, as the server has it. */
export async function jobOf(page: Page): Promise<Job> {
  const { origin, pathname } = new URL(page.url());
  const response = await page.request.get(`${origin}/api/jobs/${pathname.split("/")[2]}`);
  return ((await response.json()) as { job: Job }).job;
}

/** The heads that are known in the photos of the job on the table, by photo; those that nobody has looked at are left out. */
export async function headsOf(page: Page): Promise<Record<string, Face[]>> {
  const { origin, pathname } = new URL(page.url());
  const response = await page.request.get(`${origin}/api/jobs/${pathname.split("/")[2]}`);
  const { photos } = (await response.json()) as JobView;
  return Object.fromEntries(
    Object.entries(photos).flatMap(([id, { seen }]) => (seen ? [[id, seen.heads]] : [])),
  );
}

/** The part of the ticket with this title; choosing it opens its panel. */
export const part = (page: Page, title: string) =>
  page.getByRole("button", { name: new RegExp(`^${title}: `) });

/** The ticket, read aloud. */
export const ticket = async (page: Page): Promise<string> =>
  (await page.getByRole("region", { name: "Ticket" }).locator("p").first().innerText()).replaceAll(
    "\u00a0",
    " ",
  );

/** One figure of the line of sums. */
export const sum = (page: Page, name: string) =>
  page
    .getByLabel("Sums")
    .locator("div", { has: page.getByText(name, { exact: true }) })
    .locator("dd");

/** All cells of the sheet on the table. */
export const cells = (page: Page) => page.getByRole("listbox", { name: /^Cells/ }).getByRole("option");

export const cell = (page: Page, number: number) =>
  page.getByRole("option", { name: new RegExp(`^Cell ${number}:`) });

/** Where the photo of a cell is painted on the screen, relative to the cell, in CSS pixels. */
export async function pictureInCell(
  page: Page,
  number: number,
): Promise<{ x: number; y: number; width: number }> {
  return page.evaluate((index) => {
    const image = document.querySelectorAll("section[aria-label='Table'] svg[role='img'] > image")[index]!;
    const cellBox = document.querySelectorAll("[data-cell]")[index]!.getBoundingClientRect();
    const box = image.getBoundingClientRect();
    return { x: box.x - cellBox.x, y: box.y - cellBox.y, width: box.width };
  }, number - 1);
}
