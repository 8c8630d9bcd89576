import { describe, expect, it } from "vitest";
import { canOf, documentFor, mediaOf } from "./can.ts";
import { collection, enumerated, integer, keyword, mimeType, text, yes, type Attributes } from "./message.ts";

const entry = (width: number, height: number, type: string, edge = 300) =>
  collection({
    "media-size": [collection({ "x-dimension": [integer(width)], "y-dimension": [integer(height)] })],
    "media-size-name": [keyword(`custom_${width}x${height}`)],
    "media-top-margin": [integer(edge)],
    "media-right-margin": [integer(edge)],
    "media-bottom-margin": [integer(edge * 2)],
    "media-left-margin": [integer(edge)],
    "media-type": [keyword(type)],
  });

/** A roll: ranges where sheets have a length (PWG 5100.7, 6.9). */
const roll = collection({
  "media-size": [
    collection({
      "x-dimension": [{ as: "range", value: { from: 8900, to: 32_900 } }],
      "y-dimension": [{ as: "range", value: { from: 8900, to: 300_000 } }],
    }),
  ],
});

const said: Attributes = {
  "printer-make-and-model": [text("Made-up 3")],
  "document-format-supported": ["application/octet-stream", "image/pwg-raster", "image/jpeg"].map(mimeType),
  "media-col-database": [
    entry(21_000, 29_700, "stationery"),
    entry(21_000, 29_700, "photographic-glossy"),
    entry(21_000, 29_700, "photographic-glossy", 0),
    entry(10_160, 15_240, "photographic-glossy", 0),
    roll,
  ],
  "media-type-supported": ["stationery", "photographic-glossy"].map(keyword),
  "printer-resolution-supported": [
    { as: "resolution", value: { across: 360, down: 360, unit: "dpi" } },
    { as: "resolution", value: { across: 118, down: 118, unit: "dpcm" } },
  ],
  "print-quality-supported": [3, 5].map(enumerated),
  "print-color-mode-supported": ["auto", "color", "monochrome"].map(keyword),
  "print-scaling-supported": ["auto", "fit", "none"].map(keyword),
  "pwg-raster-document-type-supported": ["adobe-rgb_16", "sgray_8", "srgb_8"].map(keyword),
  "color-supported": [yes(true)],
  "copies-supported": [{ as: "range", value: { from: 1, to: 40 } }],
  "printer-state-reasons": ["none"].map(keyword),
};

describe("what a printer can do", () => {
  const can = canOf(said);

  it("is read from what it answers", () => {
    expect(can).toMatchObject({
      name: "Made-up 3",
      resolutions: [360],
      qualities: ["draft", "high"],
      colour: true,
      grey: true,
      unscaled: true,
      copies: 40,
      raster: ["srgb_8", "sgray_8"],
      reasons: [],
    });
  });

  it("has each paper once with all its kinds, apart where its edges differ; rolls are no sheets", () => {
    expect(can.media.map(({ width, edges, types }) => [width, edges, types])).toEqual([
      [21_000, [300, 300, 600, 300], ["stationery", "photographic-glossy"]],
      [21_000, [0, 0, 0, 0], ["photographic-glossy"]],
      [10_160, [0, 0, 0, 0], ["photographic-glossy"]],
    ]);
  });

  it("is little where it answers little", () => {
    expect(canOf({})).toEqual({
      name: "A printer",
      formats: [],
      media: [],
      types: [],
      resolutions: [],
      qualities: [],
      colour: false,
      grey: false,
      copies: 1,
      unscaled: false,
      trims: false,
      raster: [],
      reasons: [],
    });
  });

  it("finds a paper by its size, half a millimetre either way", () => {
    expect(mediaOf(can, 10_200, 15_200)?.width).toBe(10_160);
    expect(mediaOf(can, 10_160, 15_310)).toBeUndefined();
  });

  it("takes the kind of document that is asked for where it can, and otherwise what it takes", () => {
    expect(documentFor(can, "jpeg")).toBe("jpeg");
    expect(documentFor(can, "pdf")).toBe("jpeg");
    expect(documentFor(can, "tiff")).toBe("jpeg");
    expect(documentFor({ ...can, formats: ["application/pdf", "image/jpeg"] }, "png")).toBe("pdf");
    expect(documentFor({ ...can, formats: ["image/pwg-raster"] }, "jpeg")).toBe("raster");
    expect(documentFor({ ...can, formats: ["application/postscript"] }, "jpeg")).toBeNull();
  });
});
