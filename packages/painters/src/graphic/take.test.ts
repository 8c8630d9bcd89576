import { join } from "node:path";
import sharp, { type Color } from "sharp";
import { describe, expect, it } from "vitest";
import { BadPhoto, takeGraphic } from "../index.ts";
import { testFolder } from "../testing/samples.ts";
import { sizedGraphic } from "./size.ts";

const svg = (inside: string, head = "") =>
  Buffer.from(
    `<?xml version="1.0"?>${head}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 100 50">${inside}</svg>`,
  );
const SQUARE = '<rect width="50" height="50" fill="#ff0000"/>';

describe("an SVG", () => {
  it.each([
    ["a script", `<script>alert(1)</script>${SQUARE}`, /script/i],
    ["an event", `<g onload="alert(1)">${SQUARE}</g>`, /script/i],
    [
      "a picture from the net",
      `${SQUARE}<image href="http://example.org/a.png" width="9" height="9"/>`,
      /nothing outside/,
    ],
    [
      "a picture from the disk",
      `${SQUARE}<image xlink:href="file:///etc/passwd" width="9" height="9"/>`,
      /nothing outside/,
    ],
    [
      "a style from the net",
      `<style>@import url(http://example.org/a.css);</style>${SQUARE}`,
      /nothing outside/,
    ],
    [
      "a web page",
      `${SQUARE}<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>`,
      /Web page/,
    ],
  ])("with %s is kept without it, and that is said", async (_, inside, sentence) => {
    const { file, proportion, said } = await takeGraphic(svg(inside));
    expect(said.join(" ")).toMatch(sentence);
    expect(proportion).toBe(2);
    const kept = file.toString();
    expect(kept).not.toMatch(
      /script|onload|example\.org|passwd|@import|foreignObject|http:\/\/(?!www\.w3\.org)/i,
    );
    expect(kept).toContain("#ff0000");
  });

  it("does not read a local picture, even where it is there", async () => {
    const path = join(testFolder(), "there.png");
    await sharp({ create: { width: 9, height: 9, channels: 3, background: "#00ff00" } })
      .png()
      .toFile(path);
    const { file } = await takeGraphic(svg(`${SQUARE}<image href="${path}" width="90" height="40"/>`));
    expect(file.toString()).not.toContain("<image");
  });

  it("cannot grow by declarations that stand for other text", async () => {
    const bomb = `<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;">]>`;
    await expect(takeGraphic(svg(`<text>&b;</text>${SQUARE}`, bomb))).rejects.toThrow(BadPhoto);
  });

  it.each([
    ["broken", Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'><g></svg>"), /cannot be read/],
    ["empty of shapes", svg(""), /nothing to see/],
  ])("that is %s is refused with a sentence", async (_, file, sentence) => {
    await expect(takeGraphic(file)).rejects.toThrow(sentence);
  });

  it("is drawn at any size without being enlarged", async () => {
    const { file } = await takeGraphic(svg(SQUARE));
    const { data } = await (
      await sizedGraphic(file, { width: 1000, height: 500 })
    )
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => [...data.subarray((y * 1000 + x) * 4, (y * 1000 + x) * 4 + 4)];
    expect([at(499, 250), at(500, 250)]).toEqual([
      [255, 0, 0, 255],
      [0, 0, 0, 0],
    ]);
  });
});

describe("a graphic of pixels", () => {
  const flat = (background: Color) => sharp({ create: { width: 40, height: 20, channels: 4, background } });

  it("is kept byte for byte where it is a PNG with alpha", async () => {
    const png = await flat({ r: 1, g: 2, b: 3, alpha: 0.5 }).png().toBuffer();
    expect(await takeGraphic(png)).toEqual({ file: png, proportion: 2, said: [] });
  });

  it("without transparent parts works, and it is said", async () => {
    for (const file of [await flat("#123456").png().toBuffer(), await flat("#123456").jpeg().toBuffer()]) {
      const { said, proportion } = await takeGraphic(file);
      expect(said.join()).toContain("no transparent parts");
      expect(proportion).toBe(2);
    }
  });

  it("that is none is refused", async () => {
    await expect(takeGraphic(Buffer.from("hello"))).rejects.toThrow(/no graphic/);
    await expect(takeGraphic(Buffer.alloc(0))).rejects.toThrow(/empty/);
  });
});
