import { create, type Font as FontFile } from "fontkit";
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { describe, expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import {
  fill,
  fontFor,
  inCut,
  missingSigns,
  setWords,
  textWidth,
  unknownFields,
  writeAperture,
  writeShutter,
  type FieldSource,
  type FontId,
  type Type,
} from "./index.ts";

const source: FieldSource = {
  file: "gull-042.JPG",
  title: "Herring gull",
  stars: 4,
  tags: ["gulls", "autumn"],
  exposure: {
    camera: "Field body",
    shutter: 1 / 256,
    aperture: 5.6,
    iso: 400,
    focalLength: 85,
    takenAt: "2026-10-03T07:41:12",
  },
  frame: 7,
  page: 1,
  pages: 1,
  own: { Place: "North hide", ring: "" },
  job: "Autumn",
  sheet: 3,
  sheets: 12,
};

describe("fields", () => {
  it.each([
    ["[name]", "gull-042"],
    ["[file]", "gull-042.JPG"],
    ["[frame, 3 digits]", "007"],
    ["[shutter] [aperture] [focal length] [iso]", "1/250 f/5.6 85 mm ISO 400"],
    ["[date]", "3 October 2026"],
    ["[date, short]", "3 Oct 2026"],
    ["[date, numbers] [time]", "2026-10-03 07:41"],
    ["[date, day first]", "03.10.2026"],
    ["[date, month first]", "10/03/2026"],
    ["[date, month]", "October 2026"],
    ["[rating], [tags]", "4 of 5, gulls, autumn"],
    ["Sheet [sheet] of [sheets]", "Sheet 3 of 12"],
    ["[Place] [PLACE] [place]", "North hide North hide North hide"],
  ])("%s is %s", (template, text) => expect(fill(template, source)).toBe(text));

  it.each([
    [1 / 4000, "1/4000"],
    [1 / 256, "1/250"],
    [1 / 8, "1/8"],
    [1 / 3, "0.3 s"],
    [0.5, "0.5 s"],
    [2, "2 s"],
    [1.3, "1.3 s"],
  ])("%d s of shutter is %s", (seconds, text) => expect(writeShutter(seconds)).toBe(text));

  it("writes apertures as lenses do", () =>
    expect([1.4, 5.6, 8, 11].map(writeAperture)).toEqual(["f/1.4", "f/5.6", "f/8", "f/11"]));

  it("knows which fields there are", () =>
    expect(unknownFields("[name] [shuter] [Place]", ["place"])).toEqual(["shuter"]));
});

describe("a field that is missing leaves nothing hanging", () => {
  const without = (...names: (keyof NonNullable<FieldSource["exposure"]>)[]): FieldSource => ({
    ...source,
    exposure: { ...source.exposure, ...Object.fromEntries(names.map((name) => [name, undefined])) },
  });
  const all = "[name] · [camera], [shutter] at [aperture]";
  it.each([
    [all, source, "gull-042 · Field body, 1/250 at f/5.6"],
    [all, without("camera"), "gull-042, 1/250 at f/5.6"],
    [all, without("aperture"), "gull-042 · Field body, 1/250"],
    [all, without("camera", "shutter", "aperture"), "gull-042"],
    ["[camera] · [name]", without("camera"), "gull-042"],
    ["[name] ([camera])", without("camera"), "gull-042"],
    ["[name] ([camera]), [iso]", without("camera"), "gull-042, ISO 400"],
    ["[name] – ring [ring]", source, "gull-042"],
    ["[name]\n[ring]", source, "gull-042"],
    ["Ring [ring]", source, ""],
    ["Plain words", source, "Plain words"],
  ])("%s", (template, from, text) => expect(fill(template, from)).toBe(text));
});

/** Font files as an independent reader of fonts (fontkit) has them. */
const require = createRequire(import.meta.url);
const fontFile = (folder: string, name: string, cut: string): FontFile =>
  create(readFileSync(require.resolve(`@expo-google-fonts/${folder}/${cut}/${name}_${cut}.ttf`))) as FontFile;

describe("measuring", () => {
  it.each<[FontId, string, string, string]>([
    ["hanken", "hanken-grotesk", "HankenGrotesk", "400Regular"],
    ["hanken-bold", "hanken-grotesk", "HankenGrotesk", "700Bold"],
    ["garamond-italic", "eb-garamond", "EBGaramond", "400Regular_Italic"],
    ["josefin-light", "josefin-sans", "JosefinSans", "300Light"],
    ["caveat", "caveat", "Caveat", "400Regular"],
    ["spline-mono", "spline-sans-mono", "SplineSansMono", "400Regular"],
  ])("agrees with the font file to half a percent, and is never narrower: %s", (id, folder, name, cut) => {
    const file = fontFile(folder, name, cut);
    for (const text of ["Wren Harlow", "1/250 · f/5.6 · ISO 400", "Strandläufer, Où?"]) {
      // Without kerning, as measured here; and as it is painted, which is as wide or narrower.
      const plain =
        file.layout(text, { kern: false, liga: false, calt: false }).advanceWidth / file.unitsPerEm;
      expect(Math.abs(textWidth(text, id, 1) - plain)).toBeLessThan(plain * 0.005);
      expect(file.layout(text).advanceWidth / file.unitsPerEm).toBeLessThan(textWidth(text, id, 1) * 1.01);
    }
  });

  it("knows which signs a font has no shape for", () => {
    expect(missingSigns("Straße, naïve, Łódź", "hanken")).toEqual([]);
    expect(missingSigns("海 שלום", "hanken")).toEqual(["海", "ש", "ל", "ו", "ם"]);
    expect(missingSigns("Ж", "josefin")).toEqual(["Ж"]);
  });

  it("finds the font for words of another script, in the same cut where it has that", () => {
    expect(fontFor("3月 2027年", "josefin-bold")).toBe("noto-japanese-bold");
    expect(fontFor("مارس ٢٠٢٧", "garamond-italic")).toBe("noto-arabic");
    expect(fontFor("מרץ", "hanken")).toBe("noto-hebrew");
    expect(fontFor("March", "garamond-italic")).toBe("garamond-italic");
    // Nothing that ships has Thai.
    expect(fontFor("มีนาคม", "hanken")).toBe("hanken");
  });

  it("knows what cuts a font has", () => {
    expect(inCut("garamond", "italic")).toBe("garamond-italic");
    expect(inCut("oswald-bold", "italic")).toBe("oswald");
    expect(inCut("josefin-light", "regular")).toBe("josefin");
  });
});

describe("setting words in a box", () => {
  const type: Type = { font: "hanken", size: mm(4), least: mm(2), colour: "#000000", align: "middle" };
  const box = (width: number, height: number) => ({
    x: um(0),
    y: um(0),
    width: mm(width),
    height: mm(height),
  });
  const lines = (text: string, width: number, height: number, most = 5) =>
    setWords(text, { box: box(width, height), type, most, stand: "top" })!;

  it("puts one line's baseline 0.35 of its height below its middle", () => {
    const {
      lines: [line],
      size,
    } = lines("Gull", 60, 10);
    // 4 mm high, 5 mm from line to line: the middle at 2.5 mm, the baseline 1.4 mm below.
    expect([line!.text, line!.x, line!.y, size]).toEqual(["Gull", mm(30), um(3900), mm(4)]);
  });

  it("breaks at spaces, each line as long as it fits", () => {
    const set = lines("one two three four five six", 20, 30);
    expect(set.lines.map(({ text }) => text).join(" ")).toBe("one two three four five six");
    expect(set.lines.length).toBeGreaterThan(1);
    for (const { text } of set.lines) expect(textWidth(text, "hanken", 4)).toBeLessThanOrEqual(20);
  });

  it("shrinks before it cuts, and cuts with an ellipsis at the least size", () => {
    const shrunk = lines("A rather long title", 30, 5, 1);
    expect(shrunk.lines.map(({ text }) => text)).toEqual(["A rather long title"]);
    expect(shrunk.size).toBeLessThan(mm(4));
    expect(shrunk.size).toBeGreaterThanOrEqual(mm(2));
    const cut = lines("A title that is far too long for a box of this width, even small", 30, 5, 1);
    expect(cut.size).toBe(mm(2));
    expect(cut.lines[0]!.text).toMatch(/^A title .*…$/);
    expect(cut.cut).toBe(true);
  });

  it("breaks scripts without spaces between signs", () => {
    const set = lines("海辺の鳥の写真集", 14, 40);
    expect(set.lines.map(({ text }) => text).join("")).toBe("海辺の鳥の写真集");
    expect(set.lines.length).toBeGreaterThan(1);
  });

  it("sets nothing where there is nothing", () =>
    expect(setWords(" \n ", { box: box(10, 10), type, most: 2, stand: "top" })).toBeNull());
});
