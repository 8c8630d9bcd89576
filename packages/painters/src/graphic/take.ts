import { Resvg } from "@resvg/resvg-js";
import sharp, { type Metadata } from "sharp";
import { FONT_FILES } from "../fonts.ts";
import { BadPhoto } from "../photo/badPhoto.ts";
import { bareSvg } from "./svg.ts";

/** What is accepted as a graphic. */
export const GRAPHIC_LIMITS = { bytes: 40 * 1024 * 1024, pixels: 60_000_000 } as const;

/** The width that a drawing is tried out at, in pixels. */
const TRIED = 600;

/** A graphic as it is kept: a PNG, or an SVG of which nothing but shapes is left. */
export interface TakenGraphic {
  file: Buffer;
  /** Width over height. */
  proportion: number;
  /** What a person should know of it, in sentences. */
  said: string[];
}

/**
 * Reads a graphic by its content. An SVG is taken apart to shapes: scripts, styles, links and pictures from elsewhere do
 * not come along. Throws BadPhoto.
 */
export async function takeGraphic(file: Buffer): Promise<TakenGraphic> {
  if (file.length === 0) throw new BadPhoto("The file is empty. Save it again.");
  if (file.length > GRAPHIC_LIMITS.bytes) {
    throw new BadPhoto(
      `The file is larger than ${GRAPHIC_LIMITS.bytes / 1024 ** 2} MB, the most that is read as a graphic. Save it smaller.`,
    );
  }
  return looksLikeSvg(file) ? takeSvg(file.toString("utf8")) : takePixels(file);
}

const looksLikeSvg = (file: Buffer): boolean =>
  /<(svg|\?xml|!DOCTYPE|!--)/i.test(file.subarray(0, 1000).toString("utf8"));

function takeSvg(text: string): TakenGraphic {
  const { svg, said } = bareSvg(text);
  let drawing: Resvg;
  try {
    drawing = new Resvg(svg, {
      font: {
        fontFiles: Object.values(FONT_FILES).map((path) => path()),
        loadSystemFonts: false,
        defaultFontFamily: "Hanken Grotesk",
      },
    });
  } catch (error) {
    const why = String(error instanceof Error ? error.message : error).replace(
      /^SVG data parsing failed cause /,
      "",
    );
    throw new BadPhoto(`The SVG cannot be read (${why.slice(0, 120)}). Save it again as a plain SVG.`);
  }
  const { width, height } = drawing;
  if (!(width > 0) || !(height > 0))
    throw new BadPhoto("The SVG has no size. Give its drawing a width and a height.");
  const shapes = drawing.toString();
  const kept = bareShapes(shapes);
  if (!/<(path|image)\s/.test(kept)) throw new BadPhoto("There is nothing to see in this SVG.");
  // What cannot be drawn is found out now, where it is one file’s misfortune, and not at the press.
  new Resvg(kept, { fitTo: { mode: "width", value: TRIED }, font: { loadSystemFonts: false } }).render();
  return { file: Buffer.from(kept), proportion: width / height, said };
}

/** Shapes without pictures that the library could not make anything of. */
const bareShapes = (shapes: string): string =>
  shapes
    .split("\n")
    .filter(
      (line) => !(line.trimStart().startsWith("<image ") && line.includes('xlink:href="data:image/raw')),
    )
    .join("\n")
    .trim();

async function takePixels(file: Buffer): Promise<TakenGraphic> {
  const open = () => sharp(file, { failOn: "error", limitInputPixels: GRAPHIC_LIMITS.pixels });
  let meta: Metadata;
  let opaque: boolean;
  try {
    meta = await open().metadata();
    opaque = (await open().stats()).isOpaque;
  } catch (error) {
    if (/pixel limit/i.test(String(error))) {
      throw new BadPhoto(
        `The graphic has more than ${GRAPHIC_LIMITS.pixels / 1e6} million pixels. Make it smaller.`,
      );
    }
    throw new BadPhoto("This is no graphic that can be read. PNG and SVG are read, and photos as graphics.");
  }
  const upright = open().autoOrient().toColourspace("srgb");
  const asItIs = meta.format === "png" && meta.space === "srgb" && meta.depth === "uchar";
  const kept = asItIs ? file : await upright.png().toBuffer();
  const { width, height } = (await sharp(kept).metadata()) as { width: number; height: number };
  const said = opaque ? ["It has no transparent parts: laid over a photo it hides what is under it."] : [];
  return { file: kept, proportion: width / height, said };
}
