import { expect, it } from "vitest";
import { textOf } from "./tableText.ts";

const file = (...bytes: number[]) => new Blob([Uint8Array.from(bytes)]);

// “é” by the code charts: U+00E9 is C3 A9 in UTF-8, E9 00 in UTF-16LE, 00 E9 in UTF-16BE, E9 in Windows-1252.
it.each([
  ["UTF-8", file(0xc3, 0xa9)],
  ["UTF-8 with its mark", file(0xef, 0xbb, 0xbf, 0xc3, 0xa9)],
  ["UTF-16LE", file(0xff, 0xfe, 0xe9, 0x00)],
  ["UTF-16BE", file(0xfe, 0xff, 0x00, 0xe9)],
  ["Windows-1252", file(0xe9)],
])("reads %s", async (_, bytes) => {
  expect(await textOf(bytes)).toBe("é");
});

it("refuses a spreadsheet, and anything else that is no text, with a sentence", async () => {
  await expect(textOf(file(0x50, 0x4b, 3, 4))).rejects.toThrow("Save the table as CSV");
  await expect(textOf(file(0x61, 0, 0x62))).rejects.toThrow("not a text file");
});
