import { readFile, writeFile } from "node:fs/promises";
import subsetFont from "subset-font";
import {
  fontById,
  layers,
  overlap,
  rectPath,
  type CellPlan,
  type FontId,
  gradientEnds,
  type GroundPlan,
  PALE,
  partOrigin,
  wrapZones,
  type PagePart,
  type SheetPlan,
} from "@wide-quilt/core";
import { UNTITLED, type FileAbout } from "../about/about.ts";
import { xmpPacket } from "../about/xmp.ts";
import { FONT_FILES } from "../fonts.ts";
import type { Embedding } from "../embed/photo.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { goOn, type Watch } from "../progress.ts";
import { escaped, transformOf, UM } from "./marks.ts";
import { SvgPictures } from "./pictures.ts";

/** What is left out is as it usually is. */
export interface SvgOptions extends Partial<Omit<Embedding, "ppi" | "inks">> {
  about?: FileAbout;
}

/**
 * Paints one sheet to an SVG file of the paper's size in millimetres: photos at their full resolution, words as text with
 * the letters they need embedded, borders, outlines and marks as shapes. Nothing in it points outside the file.
 *
 * Throws Cancelled, and what reading throws when a photo's file is gone or damaged.
 */
export async function paintSvg(
  sheet: SheetPlan,
  files: PhotoFiles,
  path: string,
  options: SvgOptions = {},
  watch: Watch = {},
): Promise<void> {
  const { about = UNTITLED, photoPpi = null, medium = "glossy", keepPlace = false, light = false } = options;
  const { width, height } = sheet.paper;
  const pictures = new SvgPictures(files, {
    ...{ photoPpi, medium, keepPlace, light, ppi: sheet.ppi },
    inks: "no inks",
  });
  const marks: string[] = [];
  for (const part of sheet.parts) marks.push(...(await partMarks(part, pictures, watch)));
  marks.push(...(await pageMarks(sheet, pictures, watch)));
  const fonts = await fontFaces(sheet);
  await writeFile(
    path,
    [
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width / 1000}mm" height="${height / 1000}mm" viewBox="0 0 ${width} ${height}">`,
      `<title>${escaped(about.title)}</title>`,
      `<metadata>${xmpPacket(about)}</metadata>`,
      `<defs>${fonts === "" ? "" : `<style>${fonts}</style>`}${pictures.defs.join("")}</defs>`,
      `<rect width="${width}" height="${height}" fill="#ffffff"/>`,
      ...marks.filter((mark) => mark !== ""),
      "</svg>",
      "",
    ].join("\n"),
  );
}

/** All that a plan has on it, in the order of painting. */
async function pageMarks(plan: SheetPlan, pictures: SvgPictures, watch: Watch): Promise<string[]> {
  const marks = plan.grounds.map((ground) => groundMark(ground, pictures));
  for (const ink of plan.backing) marks.push(await pictures.ink(ink, null));
  let done = 0;
  for (const layer of layers(plan)) {
    for (const cell of layer) {
      await goOn(watch);
      marks.push(await cellMarks(cell, pictures));
      watch.progress?.({ what: "cells", done: ++done, of: plan.cells.length });
    }
    for (const cell of layer) marks.push(outlineMark(cell));
    for (const cell of layer) for (const ink of cell.over) marks.push(await pictures.ink(ink, cell));
  }
  for (const ink of plan.over) marks.push(await pictures.ink(ink, null));
  for (const { x1, y1, x2, y2, width: line, colour } of plan.marks)
    marks.push(`<path d="M${x1} ${y1}L${x2} ${y2}" stroke="${colour}" stroke-width="${line}"/>`);
  return marks;
}

/** A part of a page on its sheet: its photos once, drawn as often as it is reflected around an edge. */
async function partMarks(part: PagePart, pictures: SvgPictures, watch: Watch): Promise<string[]> {
  const { page, prints, pale, wrap, turn, scale } = part;
  const zones = wrapZones(part);
  const here = page.cells.filter(
    ({ angle, image }) => wrap !== null || angle !== 0 || overlap(image, prints) !== null,
  );
  const marks = await pageMarks({ ...page, cells: here }, pictures, watch);
  const [window, drawn] = [pictures.id(), pictures.id()];
  const { x, y } = partOrigin(part);
  const turned = turn === 0 ? "" : ` rotate(${turn})`;
  const smaller = scale === 1 ? "" : ` scale(${scale})`;
  const zoneMarks = zones.map(({ clip, across, down, x0, y0 }, i) => {
    const id = pictures.id();
    const content = i === 0 ? `<g id="${drawn}">${marks.join("")}</g>` : `<use href="#${drawn}"/>`;
    return `<clipPath id="${id}"><path d="${rectPath(clip)}"/></clipPath><g clip-path="url(#${id})"><g transform="matrix(${across} 0 0 ${down} ${x0} ${y0})">${content}</g></g>`;
  });
  return [
    `<g transform="translate(${x} ${y})${turned}${smaller} translate(${-prints.x} ${-prints.y})"><clipPath id="${window}"><path d="${rectPath(prints)}"/></clipPath><g clip-path="url(#${window})">`,
    wrap?.way === "colour" ? `<path d="${rectPath(prints)}" fill="${wrap.colour}"/>` : "",
    ...zoneMarks,
    ...pale.map((strip) => `<path d="${rectPath(strip)}" fill="#ffffff" fill-opacity="${1 - PALE}"/>`),
    "</g></g>",
  ];
}

function groundMark(ground: GroundPlan, pictures: SvgPictures): string {
  const { fill, rect } = ground;
  const box = `<rect x="${rect.x}" y="${rect.y}" width="${rect.width}" height="${rect.height}"`;
  if (fill.kind === "flat") return `${box} fill="${fill.colour}"/>`;
  const { x1, y1, x2, y2 } = gradientEnds(ground);
  const id = pictures.id();
  return `<linearGradient id="${id}" x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}"><stop stop-color="${fill.top}"/><stop offset="1" stop-color="${fill.bottom}"/></linearGradient>${box} fill="url(#${id})"/>`;
}

async function cellMarks(cell: CellPlan, pictures: SvgPictures): Promise<string> {
  const { picture, paints, image, cover, corner, opening, bands } = cell;
  const photo = picture && paints !== null ? await pictures.photo(cell) : "";
  const window = corner > 0 ? rectPath(opening, corner) : rectPath(image);
  const id = pictures.id();
  const level = picture && picture.level !== 0 ? transformOf(cover, picture.level, null, UM) : "";
  const within = cell.within && pictures.id();
  const shape = within
    ? `<clipPath id="${within}"><polygon points="${cell.within!.join(" ")}"/></clipPath>`
    : "";
  const shown =
    photo === ""
      ? ""
      : `${shape}<clipPath id="${id}"><path d="${window}"/></clipPath><g clip-path="url(#${id})"><g${within ? ` clip-path="url(#${within})"` : ""}><g transform="${level}">${photo}</g></g></g>`;
  const frames = bands.map(
    ({ outer, inner, outerCorner, innerCorner, colour }) =>
      `<path fill="${colour}" fill-rule="evenodd" d="${rectPath(outer, outerCorner)}${rectPath(inner, innerCorner)}"/>`,
  );
  return `<g transform="${transformOf(cell.finished, 0, cell, UM)}">${shown}${frames.join("")}</g>`;
}

function outlineMark(cell: CellPlan): string {
  const { outline, finished } = cell;
  if (!outline) return "";
  return `<path d="${rectPath(finished)}" fill="none" stroke="${outline.colour}" stroke-width="${outline.width}" transform="${transformOf(finished, 0, cell, UM)}"/>`;
}

/** The letters that a sheet needs of each font, embedded. */
async function fontFaces(sheet: SheetPlan): Promise<string> {
  const letters = new Map<FontId, string>();
  const plans = [...new Set(sheet.parts.map(({ page }) => page)), sheet];
  const inks = plans.flatMap(({ backing, cells, over }) => [
    ...backing,
    ...cells.flatMap((cell) => cell.over),
    ...over,
  ]);
  for (const ink of inks) {
    if (ink.kind !== "text") continue;
    const { font, lines } = ink.text;
    letters.set(font, (letters.get(font) ?? "") + lines.map(({ text }) => text).join(""));
  }
  const faces = [...letters].map(async ([font, text]) => {
    const subset = await subsetFont(await readFile(FONT_FILES[font]()), text, { targetFormat: "woff2" });
    const { family, weight, style } = fontById(font);
    return `@font-face{font-family:"${family}";font-weight:${weight};font-style:${style};src:url(data:font/woff2;base64,${subset.toString("base64")})}`;
  });
  return (await Promise.all(faces)).join("");
}
