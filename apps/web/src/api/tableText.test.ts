import { execFileSync } from "node:child_process";
import { expect, it } from "vitest";
import { sayGuess, textOf } from "./tableText.ts";

const file = (...bytes: number[]) => new Blob([Uint8Array.from(bytes)]);

// “é” by the code charts: U+00E9 is C3 A9 in UTF-8, E9 00 in UTF-16LE, 00 E9 in UTF-16BE, E9 in Windows-1252.
it.each([
  ["UTF-8", file(0xc3, 0xa9)],
  ["UTF-8 with its mark", file(0xef, 0xbb, 0xbf, 0xc3, 0xa9)],
  ["UTF-16LE", file(0xff, 0xfe, 0xe9, 0x00)],
  ["UTF-16BE", file(0xfe, 0xff, 0x00, 0xe9)],
  ["Windows-1252", file(0xe9)],
])("reads %s", async (name, bytes) => {
  expect(await textOf(bytes)).toEqual({ text: "é", guess: name === "Windows-1252" ? name : null });
});

it("refuses a spreadsheet, and anything else that is no text, with a sentence", async () => {
  await expect(textOf(file(0x50, 0x4b, 3, 4))).rejects.toThrow("Save the table as CSV");
  await expect(textOf(file(0x61, 0, 0x62))).rejects.toThrow("not a text file");
});

// Written by iconv: names, headings and places as such lists have them.
it.each([
  ["Shift-JIS", "SHIFT_JIS", "写真,名前\n001.jpg,やまだ はなこ\n002.jpg,佐藤 タロウ\n"],
  ["Shift-JIS", "SHIFT_JIS", "写真,名前,部署\n001.jpg,山田 花子,営業部\n002.jpg,佐藤 太郎,人事部\n"],
  ["GBK", "GBK", "照片,姓名\n001.jpg,王小明\n002.jpg,李华\n003.jpg,张伟\n"],
  ["EUC-KR", "EUC-KR", "사진,이름\n001.jpg,김민수\n002.jpg,이영희\n"],
  ["Windows-1251", "CP1251", "фото,имя\n001.jpg,Анна Петрова\n002.jpg,Иван Орлов\n"],
  ["Windows-1252", "CP1252", "photo,name\n001.jpg,Zoë Müller\n002.jpg,José Núñez\n003.jpg,Åse Bjørnsson\n"],
])("recognises %s", async (name, iconv, text) => {
  const bytes = execFileSync("iconv", ["-f", "UTF-8", "-t", iconv], { input: text });
  expect(await textOf(new Blob([new Uint8Array(bytes)]))).toEqual({ text, guess: name });
  expect(sayGuess(name)[0]).toContain(`read as ${name}`);
});
