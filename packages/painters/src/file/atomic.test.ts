import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { testFolder } from "../testing/samples.ts";
import { temporaryBeside, UNFINISHED, writeForNow, writeWhole } from "../index.ts";

describe.each([
  ["writeWhole", (path: string, text: string) => writeWhole(path, (to) => writeFile(to, text))],
  ["writeForNow", (path: string, text: string) => writeForNow(path, Buffer.from(text))],
])("%s", (_, write) => {
  it("makes the folder, replaces what was there, and leaves nothing beside it", async () => {
    const path = join(testFolder(), "deep", "sheet.txt");
    await write(path, "first");
    await write(path, "second");
    expect(readFileSync(path, "utf8")).toBe("second");
    expect(readdirSync(join(path, ".."))).toEqual(["sheet.txt"]);
  });
});

it("keeps the old file whole when writing the new one fails", async () => {
  const path = join(testFolder(), "sheet.txt");
  writeFileSync(path, "old");
  const failing = writeWhole(path, async (to) => {
    writeFileSync(to, "half of the ne");
    throw new Error("the disk is full");
  });
  await expect(failing).rejects.toThrow("the disk is full");
  expect(readFileSync(path, "utf8")).toBe("old");
  expect(readdirSync(join(path, ".."))).toEqual(["sheet.txt"]);
});

it("names unfinished files so that they are hidden, different each time and known as such", () => {
  const [a, b] = [temporaryBeside("/out/sheet.jpg"), temporaryBeside("/out/sheet.jpg")];
  expect(a).not.toBe(b);
  expect(a).toMatch(/^\/out\/\.sheet\.jpg\./);
  expect(a.endsWith(UNFINISHED)).toBe(true);
});
