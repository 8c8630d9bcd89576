import { readFileSync } from "node:fs";
import { join } from "node:path";
import { create, type Font } from "fontkit";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { applyEdit, arrange, freshJob, mm, um, type JobEdit } from "@wide-quilt/core";
import { paintSvg, UNTITLED } from "../index.ts";
import { quarters, testFolder } from "../testing/samples.ts";

const folder = testFolder();
const file = (id: string) => join(folder, id);
const photos = { turned: { width: 300, height: 400 } };

beforeAll(async () => {
  // Stored on its side, with the EXIF flag that turns it upright.
  await quarters(400, 300).withMetadata({ orientation: 6 }).jpeg({ quality: 95 }).toFile(file("turned"));
});

async function svg(...edits: JobEdit[]): Promise<string> {
  const job = [
    { do: "add photos", photos: [{ id: "turned", name: "Tern & gull.jpg" }] } as JobEdit,
    ...edits,
  ].reduce(applyEdit, freshJob("copies", "Drawing"));
  const path = join(folder, "sheet.svg");
  await paintSvg(arrange(job, photos)[0]!, file, path, { about: { ...UNTITLED, title: "A <sheet>" } });
  return readFileSync(path, "utf8");
}

const caption: JobEdit = {
  do: "style",
  change: {
    caption: {
      text: "[name]",
      type: { font: "caveat", size: mm(3), least: mm(2), colour: "#20242c", align: "middle" },
      place: "foot",
      lines: 1,
    },
  },
};

describe("a sheet as SVG", () => {
  it("has the paper's size in millimetres and every photo once, though eight cells show it", async () => {
    const drawn = await svg();
    expect(drawn).toMatch(/width="152\.4mm" height="101\.6mm" viewBox="0 0 152400 101600"/);
    expect(drawn.match(/<image /g)).toHaveLength(1);
    expect(drawn.match(/<use /g)).toHaveLength(8);
    expect(drawn).toContain("<title>A &lt;sheet&gt;</title>");
    expect(drawn).not.toMatch(/href="(?!data:|#)/);
  });

  it("embeds photos upright, whatever their flag says", async () => {
    const [, data] = /href="data:image\/jpeg;base64,([^"]+)"/.exec(await svg())!;
    const jpeg = Buffer.from(data!, "base64");
    const { width, height, orientation } = await sharp(jpeg).metadata();
    expect([width, height, orientation ?? 1]).toEqual([300, 400, 1]);
    // Turned a quarter clockwise, what was stored at the lower left (blue) is at the upper left.
    const { data: pixels } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
    expect(pixels[2]).toBeGreaterThan(230);
    expect(pixels[0]).toBeLessThan(25);
  });

  it("has words as text, with just the letters they need", async () => {
    const drawn = await svg(caption);
    expect(drawn.match(/>Tern &amp; gull<\/tspan>/g)).toHaveLength(8);
    const [, data] =
      /font-family:"Caveat";font-weight:400;font-style:normal;src:url\(data:font\/woff2;base64,([^)]+)\)/.exec(
        drawn,
      )!;
    const font = create(Buffer.from(data!, "base64")) as Font;
    for (const letter of "Tern&gul")
      expect(font.hasGlyphForCodePoint(letter.codePointAt(0)!), letter).toBe(true);
    expect(font.hasGlyphForCodePoint("Q".codePointAt(0)!)).toBe(false);
  });

  it("draws borders, outlines and marks as shapes", async () => {
    const width = { top: mm(3), right: mm(3), bottom: mm(3), left: mm(3) };
    const drawn = await svg(
      { do: "style", change: { border: { place: "inside", width, colour: "#0000ff", corner: um(0) } } },
      { do: "finish", change: { outline: { width: um(200), colour: "#9a9a9a" } } },
    );
    expect(drawn.match(/fill="#0000ff" fill-rule="evenodd"/g)).toHaveLength(8);
    // The first of 4 × 2 cells lies at 3.2, 4.8 mm; its opening is 3 mm inside.
    expect(drawn).toContain("M3200 4800h35000v45000h-35000zM6200 7800h29000v39000h-29000z");
    expect(drawn.match(/stroke="#9a9a9a" stroke-width="200"/g)).toHaveLength(8);
  });
});
