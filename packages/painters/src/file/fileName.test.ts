import { describe, expect, it } from "vitest";
import { fileName, outputNames } from "../index.ts";

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
    const names = (...asked: string[]) => outputNames(asked, "jpg", (name) => taken.has(name));
    expect(names("A 01", "A 02")).toEqual(["A 01 (2).jpg", "A 02 (2).jpg"]);
    expect(names("Ada", "ada", "a:b", "a*b")).toEqual(["Ada.jpg", "ada (2).jpg", "a-b.jpg", "a-b (2).jpg"]);
  });
});
