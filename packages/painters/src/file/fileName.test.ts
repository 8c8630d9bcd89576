import { describe, expect, it } from "vitest";
import { fileName, fileNames } from "../index.ts";

describe("file names", () => {
  it.each([
    ["Ringers’ badges", "Ringers’ badges"],
    ["a/b\\c:d*e", "a-b-c-d-e"],
    ["../../etc/passwd", "-..-etc-passwd"],
    ["CON", "sheet CON"],
    ["...", "sheet"],
    ["dots. ", "dots"],
  ])("makes %j a name every file system takes", (asked, name) => expect(fileName(asked)).toBe(name));

  it("is never too long, and numbers so that nothing is overwritten", () => {
    expect(Buffer.byteLength(fileName("日".repeat(300)))).toBeLessThanOrEqual(200);
    const taken = new Set(["A 02.jpg"]);
    expect(fileNames("A", "jpg", 2, (name) => taken.has(name))).toEqual(["A (2) 01.jpg", "A (2) 02.jpg"]);
  });
});
