import { spawnSync } from "node:child_process";
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import type { SheetPlan } from "@wide-quilt/core";

const MAIN = fileURLToPath(new URL("../dist/main.js", import.meta.url));
const EXAMPLE = fileURLToPath(new URL("../../../docs/example-job.json", import.meta.url));
const folder = mkdtempSync(join(tmpdir(), "wide-quilt-cli-"));
const photos = join(folder, "photos");

const shell = (...args: string[]) =>
  spawnSync(process.execPath, [MAIN, ...args], { encoding: "utf8", cwd: folder, timeout: 30_000 });

beforeAll(async () => {
  mkdirSync(photos);
  await sharp({ create: { width: 1400, height: 1800, channels: 3, background: "#3a6ea5" } })
    .jpeg()
    .toFile(join(photos, "MS-041.jpg"));
});

describe("npx wide-quilt", () => {
  it("renders the example of docs/ to JPEG, PNG and PDF", () => {
    for (const name of ["sheet.jpg", "sheet.png", "sheet.pdf"]) {
      const done = shell("render", EXAMPLE, "--photos", photos, "--out", join(folder, name));
      expect([done.status, done.stdout.trim(), done.stderr]).toEqual([0, join(folder, name), ""]);
    }
    const of = (name: string) =>
      spawnSync("identify", ["-format", "%w %h", join(folder, name)], { encoding: "utf8" }).stdout;
    expect([of("sheet.jpg"), of("sheet.png")]).toEqual(["1800 1200", "1800 1200"]);
    const info = spawnSync("pdfinfo", [join(folder, "sheet.pdf")], { encoding: "utf8" }).stdout;
    expect(info).toMatch(/Page size:\s+432 x 288 pts/); // 6 × 4 in
  });

  it("renders at another ppi, and numbers several sheets", () => {
    const job = JSON.parse(readFileSync(EXAMPLE, "utf8"));
    writeFileSync(
      join(folder, "many.json"),
      JSON.stringify({ ...job, ticket: { ...job.ticket, copies: 17 } }),
    );
    const done = shell("render", "many.json", "--photos", photos, "--out", "many.png", "--ppi", "150");
    expect(done.stdout.trim().split("\n")).toEqual(["many 01.png", "many 02.png", "many 03.png"]);
    const size = spawnSync("identify", ["-format", "%w %h", join(folder, "many 03.png")], {
      encoding: "utf8",
    });
    expect(size.stdout).toBe("900 600");
  });

  it("prints the plan", () => {
    const [sheet] = JSON.parse(shell("arrange", EXAMPLE).stdout) as SheetPlan[];
    expect(sheet!.cells).toHaveLength(8);
    expect(sheet!.cells[2]!.finished).toEqual({ x: 77_200, y: 4800, width: 35_000, height: 45_000 });
  });

  it("checks, and its exit code says whether something is wrong", () => {
    const good = shell("check", EXAMPLE, "--photos", photos);
    expect([good.status, good.stdout]).toEqual([0, expect.stringContaining("right  All 8 sizes are exact")]);
    const without = shell("check", EXAMPLE);
    expect([without.status, without.stdout]).toEqual([
      1,
      expect.stringContaining("wrong  8 cells have a photo whose file is not here"),
    ]);
  });

  it("finds a photo that was renamed by its content", () => {
    const renamed = mkdtempSync(join(tmpdir(), "wide-quilt-renamed-"));
    copyFileSync(join(photos, "MS-041.jpg"), join(renamed, "another.jpg"));
    const asked = ["--no-names", join(renamed, "another.jpg")];
    const hash = spawnSync("/usr/bin/b3sum", asked, { encoding: "utf8" }).stdout.trim();
    const job = readFileSync(EXAMPLE, "utf8").replaceAll('"portrait"', `"${hash}"`);
    writeFileSync(join(folder, "hashed.json"), job);
    expect(shell("check", "hashed.json", "--photos", renamed).status).toBe(0);
  });

  it("looks at nothing outside its folder, takes links and marks of byte order, and knows a photo by its bytes", async () => {
    const here = mkdtempSync(join(tmpdir(), "wide-quilt-links-"));
    symlinkSync(join(photos, "MS-041.jpg"), join(here, "MS-041.jpg"));
    writeFileSync(join(folder, "marked.json"), `\ufeff${readFileSync(EXAMPLE, "utf8")}`);
    expect(shell("check", "marked.json", "--photos", here).status).toBe(0);
    mkdirSync(join(here, "inside"));
    const outside = readFileSync(EXAMPLE, "utf8").replaceAll("MS-041.jpg", "../MS-041.jpg");
    writeFileSync(join(folder, "outside.json"), outside);
    const refused = shell("render", "outside.json", "--photos", join(here, "inside"), "--out", "x.jpg");
    expect([refused.status, refused.stderr]).toEqual([
      2,
      expect.stringMatching(/not in the folder: \.\.\/MS-041/),
    ]);
    // Another photo under the same name is not the one that the job means.
    const hash = spawnSync("/usr/bin/b3sum", ["--no-names", join(photos, "MS-041.jpg")], {
      encoding: "utf8",
    }).stdout.trim();
    writeFileSync(
      join(folder, "exact.json"),
      readFileSync(EXAMPLE, "utf8").replaceAll('"portrait"', `"${hash}"`),
    );
    const other = mkdtempSync(join(tmpdir(), "wide-quilt-other-"));
    await sharp({ create: { width: 1400, height: 1800, channels: 3, background: "#aa0000" } })
      .jpeg()
      .toFile(join(other, "MS-041.jpg"));
    expect(shell("render", "exact.json", "--photos", other, "--out", "x.jpg").stderr).toMatch(
      /not in the folder: MS-041/,
    );
    copyFileSync(join(photos, "MS-041.jpg"), join(other, "renamed.jpg"));
    expect(shell("check", "exact.json", "--photos", other).status).toBe(0);
  });

  it("ends soon whatever is asked for as a name", () => {
    const done = shell("render", EXAMPLE, "--photos", photos, "--out", `${"a[b".repeat(20_000)}.png`);
    expect(done.status).not.toBeNull();
    expect(done.signal).toBeNull();
  });

  it("says that nothing runs over a folder, where what is kept is asked for", () => {
    const done = shell("kept", "--data", folder);
    expect([done.status, done.stderr]).toEqual([2, expect.stringMatching(/No Wide Quilt runs over/)]);
  });

  it.each([
    [["render", "none.json", "--photos", ".", "--out", "x.jpg"], /There is no job file at none.json/],
    [["render", EXAMPLE, "--photos", photos, "--out", "x.gif"], /must end in .jpg, .png, .tif, .pdf or .svg/],
    [["render", EXAMPLE, "--photos", photos, "--out", "x.constructor"], /must end in .jpg, .png/],
    [
      ["render", EXAMPLE, "--photos", photos, "--out", "x.jpg", "--ppi=-3"],
      /--ppi must be a number from 36 to 2400/,
    ],
    [
      ["render", EXAMPLE, "--photos", tmpdir(), "--out", "x.jpg"],
      /These photos are not in the folder: MS-041.jpg/,
    ],
    [["render", EXAMPLE, "--photos", "nowhere", "--out", "x.jpg"], /There is no folder nowhere/],
    [["paint", EXAMPLE], /is not a command/],
    [["check", EXAMPLE, "--colour"], /--colour/],
  ])("says what is wrong with %j", (args, why) => {
    const before = readdirSync(folder);
    const done = shell(...args);
    expect(done.status).toBe(2);
    expect(done.stderr).toMatch(why);
    expect(readdirSync(folder)).toEqual(before);
  });
});
