import { once } from "node:events";
import { createWriteStream, type WriteStream } from "node:fs";
import { finished } from "node:stream/promises";
import PDFDocument from "pdfkit";
import {
  gradientEnds,
  layers,
  type CellPlan,
  type GroundPlan,
  type Rect,
  type SheetPlan,
} from "@wide-quilt/core";
import { MAKER, UNTITLED, type FileAbout } from "../about/about.ts";
import { SRGB_OUT, type OutputColour } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import type { StoredPhotos } from "../pixels/stored.ts";
import { goOn, type Watch } from "../progress.ts";
import { paintBands, shape } from "./bands.ts";
import { paintInk } from "./ink.ts";
import { placing } from "./matrix.ts";
import { paintPagePart } from "./part.ts";
import { PdfPictures } from "./pictures.ts";
import type { Embedding } from "../embed/photo.ts";
import { declare, isForPress, manageColours, sayPages, type Layer } from "./standard.ts";
import { pt, rectPt, tilt, turnAbout } from "./units.ts";

/** What is left out is as it usually is: sRGB, photos as they are. */
export interface PdfOptions extends Partial<Omit<Embedding, "ppi" | "inks">> {
  about?: FileAbout;
  /** What its colours are meant for; null for no colour management. */
  colour?: OutputColour | null;
  /** Where the first of pages that face each other lies, for whoever opens the file; null where none do. */
  facing?: "left" | "right" | null;
  /** Where large photos are decoded to that many sheets show a part of. */
  stored?: StoredPhotos;
}

/**
 * Paints sheets to a PDF, one page each: photos at their full resolution, words as text, borders, outlines and marks as
 * vectors on a layer of their own. Pages are written as they are painted. The page is the paper; TrimBox and BleedBox are the finished sheet and its bleed (ISO 32000-2, 14.11.2).
 *
 * Throws Cancelled, and what reading throws when a photo's file is gone or damaged.
 */
export async function paintPdf(
  sheets: readonly SheetPlan[],
  files: PhotoFiles,
  path: string,
  options: PdfOptions = {},
  watch: Watch = {},
): Promise<void> {
  const {
    about = UNTITLED,
    colour = SRGB_OUT,
    photoPpi = null,
    medium = "glossy",
    keepPlace = false,
    light = false,
    facing = null,
    stored,
  } = options;
  const doc = new PDFDocument({
    autoFirstPage: false,
    // No word is set in a font that is not shipped, so the usual one is not even opened.
    font: null as never,
    // PDF/X-4 rests on PDF 1.6 (ISO 15930-7, 6.1).
    pdfVersion: (isForPress(colour) ? "1.6" : "1.7") as "1.7",
    info: {
      Title: about.title,
      Author: about.creator,
      Creator: MAKER,
      Producer: MAKER,
      CreationDate: about.date,
      ModDate: about.date,
    },
  });
  const out = createWriteStream(path, { highWaterMark: ON_ITS_WAY });
  const written = finished(out);
  // The stream's failure is reported where the end is awaited; until then it must not end the process.
  written.catch(() => undefined);
  doc.pipe(out);
  try {
    const ppi = sheets[0]?.ppi ?? 300;
    const embedding = { photoPpi, medium, keepPlace, light, ppi, inks: "inks" } as const;
    const pictures = new PdfPictures(doc, files, embedding, colour !== null);
    const marks = declare(doc, about, colour, pictures);
    sayPages(doc, sheets, facing);
    const inLayers = sheets.map(layers);
    const coming = inLayers.flat(2).values();
    for (let i = 0; i < AHEAD; i++) pictures.ahead(coming.next().value);
    for (const [index, sheet] of sheets.entries()) {
      await goOn(watch);
      if (index > 0) await watch.next?.();
      const unit = unitFor(sheet.paper);
      doc.addPage({ size: [pt(sheet.paper.width) / unit, pt(sheet.paper.height) / unit], margin: 0 });
      setBoxes(doc, sheet, unit);
      if (unit > 1) doc.scale(1 / unit);
      manageColours(doc, colour, pictures);
      for (const part of sheet.parts) {
        await drained(out);
        const setup = { colour, files, medium, light, stored };
        await paintPagePart(doc, part, ppi, pictures, setup, watch);
      }
      for (const ground of sheet.grounds) paintGround(doc, ground);
      await paintInk(doc, sheet.backing, null, pictures);
      for (const layer of inLayers[index]!) {
        for (const cell of layer) {
          await drained(out);
          await paintCell(doc, cell, pictures, coming.next().value);
          await handedOn();
        }
        for (const cell of layer) paintOutline(doc, cell);
        for (const cell of layer) await paintInk(doc, cell.over, cell, pictures);
      }
      await paintInk(doc, sheet.over, null, pictures);
      paintMarks(doc, sheet, marks);
      await handedOn();
      watch.progress?.({ what: "sheets", done: index + 1, of: sheets.length });
    }
    doc.end();
    await written;
  } catch (error) {
    out.destroy();
    throw error;
  }
}

/** What may wait for the disk before painting does, in bytes: a few photos, so that neither waits for the other. */
const ON_ITS_WAY = 32 * 1024 ** 2;
/** Photos that are read before they are painted. */
const AHEAD = 2;

/** pdfkit hands its data on when it is asked to, one turn of the event loop later; the disk takes it while painting goes on. */
const handedOn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Waits until most of what was painted is on the disk: memory holds a few photos, not the document. */
async function drained(out: WriteStream): Promise<void> {
  if (out.writableNeedDrain) await once(out, "drain");
}

/** Page boxes are measured from the lower left corner, the plan from the upper left one. */
/** The longest side of a page, in its own units; a page of a roll may be longer, in larger units (ISO 32000-2, 7.7.3.3). */
const LONGEST = 14_400;

/** How many points a page’s unit is: one, but for pages above 5.08 m. */
const unitFor = ({ width, height }: SheetPlan["paper"]): number =>
  Math.ceil(pt(Math.max(width, height)) / LONGEST);

function setBoxes(doc: PDFKit.PDFDocument, { paper, trim, bleed }: SheetPlan, unit: number): void {
  const at = (length: number) => pt(length) / unit;
  const box = ({ x, y, width, height }: Rect) => [
    at(x),
    at(paper.height - y - height),
    at(x + width),
    at(paper.height - y),
  ];
  const page = doc.page.dictionary.data as Record<string, unknown>;
  if (unit > 1) page.UserUnit = unit;
  page.TrimBox = box(trim);
  page.BleedBox = box(bleed);
}

function paintGround(doc: PDFKit.PDFDocument, ground: GroundPlan): void {
  const { fill, rect } = ground;
  const [x, y, width, height] = [pt(rect.x), pt(rect.y), pt(rect.width), pt(rect.height)];
  doc.rect(x, y, width, height);
  if (fill.kind === "flat") return void doc.fill(fill.colour);
  const { x1, y1, x2, y2 } = gradientEnds(ground);
  const gradient = doc.linearGradient(x + x1 * width, y + y1 * height, x + x2 * width, y + y2 * height);
  doc.fill(gradient.stop(0, fill.top).stop(1, fill.bottom) as never);
}

async function paintCell(
  doc: PDFKit.PDFDocument,
  cell: CellPlan,
  pictures: PdfPictures,
  ahead: CellPlan | undefined,
): Promise<void> {
  const { image, cover, picture, paints, bands, opening, corner } = cell;
  const photo = picture && paints !== null ? await pictures.photo(cell, picture) : null;
  pictures.ahead(ahead);
  doc.save();
  tilt(doc, cell);
  if (photo && picture) {
    const { placed, turn, level } = picture;
    const at = { x: pt(placed.x), y: pt(placed.y), width: pt(placed.width), height: pt(placed.height) };
    doc.save();
    if (corner > 0) shape(doc, opening, corner);
    else doc.rect(...rectPt(image));
    doc.clip();
    if (cell.within) doc.polygon(...cell.within.map(([x, y]) => [pt(x), pt(y)] as [number, number])).clip();
    turnAbout(doc, cover, level);
    doc.transform(...placing(photo.orientation, turn, at));
    const { left, top, right, bottom } = photo.part;
    const size = { width: right - left, height: bottom - top, ignoreOrientation: true };
    doc.image(photo.opened as never, left, top, size as never);
    doc.restore();
  }
  paintBands(doc, bands);
  doc.restore();
}

function paintOutline(doc: PDFKit.PDFDocument, cell: CellPlan): void {
  const { finished: edge, outline } = cell;
  if (!outline) return;
  doc.save();
  tilt(doc, cell);
  doc
    .rect(...rectPt(edge))
    .lineWidth(pt(outline.width))
    .stroke(outline.colour);
  doc.restore();
}

function paintMarks(doc: PDFKit.PDFDocument, { marks }: SheetPlan, layer: Layer): void {
  layer.with(() => {
    for (const { x1, y1, x2, y2, width, colour } of marks) {
      doc.moveTo(pt(x1), pt(y1)).lineTo(pt(x2), pt(y2)).lineWidth(pt(width)).stroke(colour);
    }
  });
}
