import { createWriteStream } from "node:fs";
import { finished } from "node:stream/promises";
import PDFDocument from "pdfkit";
import {
  layers,
  UM_PER_INCH,
  type CellPlan,
  type PhotoId,
  type Rect,
  type SheetPlan,
} from "@wide-quilt/core";
import type { PhotoFiles } from "../photo/files.ts";
import { BASELINE, CAPTION_COLOUR, captionFont } from "../fonts.ts";
import { goOn, type Watch } from "../progress.ts";
import { placing } from "./matrix.ts";
import { embedPhoto } from "./photo.ts";

const POINTS_PER_INCH = 72;

/** Micrometres to points, the unit of PDF. */
const pt = (um: number): number => (um * POINTS_PER_INCH) / UM_PER_INCH;

export interface PdfOptions {
  title: string;
  /** Stands in the file; the same date gives the same bytes. */
  date: Date;
}

/**
 * Paints sheets to a PDF, one page each: photos at their full resolution, outlines and marks as vectors. The page is
 * the paper; TrimBox and BleedBox are the finished sheet and its bleed (ISO 32000-2, 14.11.2).
 *
 * Throws Cancelled, and what reading throws when a photo's file is gone or damaged.
 */
export async function paintPdf(
  sheets: readonly SheetPlan[],
  files: PhotoFiles,
  path: string,
  options: PdfOptions,
  watch: Watch = {},
): Promise<void> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    pdfVersion: "1.7",
    info: { Title: options.title, Creator: "Wide Quilt", CreationDate: options.date },
  });
  const out = createWriteStream(path);
  const written = finished(out);
  // The stream's failure is reported where the end is awaited; until then it must not end the process.
  written.catch(() => undefined);
  doc.pipe(out);
  try {
    const pictures = new PdfPictures(doc, files);
    for (const [index, sheet] of sheets.entries()) {
      await goOn(watch);
      doc.addPage({ size: [pt(sheet.paper.width), pt(sheet.paper.height)], margin: 0 });
      setBoxes(doc, sheet);
      for (const layer of layers(sheet)) {
        for (const cell of layer) await paintCell(doc, cell, pictures);
        for (const cell of layer) paintOutline(doc, cell);
        for (const cell of layer) paintCaption(doc, cell);
      }
      paintMarks(doc, sheet);
      watch.progress?.({ what: "sheets", done: index + 1, of: sheets.length });
    }
    doc.end();
    await written;
  } catch (error) {
    out.destroy();
    throw error;
  }
}

/** Page boxes are measured from the lower left corner, the plan from the upper left one. */
function setBoxes(doc: PDFKit.PDFDocument, { paper, trim, bleed }: SheetPlan): void {
  const box = ({ x, y, width, height }: Rect) => [
    pt(x),
    pt(paper.height - y - height),
    pt(x + width),
    pt(paper.height - y),
  ];
  const page = doc.page.dictionary.data as Record<string, unknown>;
  page.TrimBox = box(trim);
  page.BleedBox = box(bleed);
}

async function paintCell(doc: PDFKit.PDFDocument, cell: CellPlan, pictures: PdfPictures): Promise<void> {
  const { image, cover, picture, paints } = cell;
  if (!picture || paints === null) return;
  const { placed, turn, level } = picture;
  const at = { x: pt(placed.x), y: pt(placed.y), width: pt(placed.width), height: pt(placed.height) };
  const { opened, orientation } = await pictures.open(paints);
  doc.save();
  tilt(doc, cell);
  doc.rect(pt(image.x), pt(image.y), pt(image.width), pt(image.height)).clip();
  if (level !== 0)
    doc.rotate(level, { origin: [pt(cover.x + cover.width / 2), pt(cover.y + cover.height / 2)] });
  doc.transform(...placing(orientation, turn, at));
  doc.image(opened as never, 0, 0, { width: 1, height: 1, ignoreOrientation: true } as never);
  doc.restore();
}

/** Turns what is painted next about the middle of the cell. */
function tilt(doc: PDFKit.PDFDocument, { finished: { x, y, width, height }, angle }: CellPlan): void {
  if (angle !== 0) doc.rotate(angle, { origin: [pt(x + width / 2), pt(y + height / 2)] });
}

function paintOutline(doc: PDFKit.PDFDocument, cell: CellPlan): void {
  const { finished, outline } = cell;
  if (!outline) return;
  doc.save();
  tilt(doc, cell);
  doc
    .rect(pt(finished.x), pt(finished.y), pt(finished.width), pt(finished.height))
    .lineWidth(pt(outline.width))
    .stroke(outline.colour);
  doc.restore();
}

function paintCaption(doc: PDFKit.PDFDocument, cell: CellPlan): void {
  const { caption } = cell;
  if (!caption) return;
  const { box, size, text, turn } = caption;
  const [x, y] = [pt(box.x + box.width / 2), pt(box.y + box.height / 2)];
  doc.save();
  tilt(doc, cell);
  if (turn !== 0) doc.rotate(turn, { origin: [x, y] });
  doc.font(captionFont()).fontSize(pt(size)).fillColor(CAPTION_COLOUR);
  doc.text(text, x - doc.widthOfString(text) / 2, y + BASELINE * pt(size), {
    lineBreak: false,
    baseline: "alphabetic",
  });
  doc.restore();
}

function paintMarks(doc: PDFKit.PDFDocument, { marks }: SheetPlan): void {
  for (const { x1, y1, x2, y2, width, colour } of marks) {
    doc.moveTo(pt(x1), pt(y1)).lineTo(pt(x2), pt(y2)).lineWidth(pt(width)).stroke(colour);
  }
}

/** pdfkit's opened JPEG; its colour space can be set until it is first placed. */
interface OpenedJpeg {
  colorSpace: unknown;
}

/** The document's photos: each stored once, however often it is placed. */
class PdfPictures {
  private readonly opened = new Map<PhotoId, { opened: OpenedJpeg; orientation: number }>();

  constructor(
    private readonly doc: PDFKit.PDFDocument,
    private readonly files: PhotoFiles,
  ) {}

  async open(photo: PhotoId): Promise<{ opened: OpenedJpeg; orientation: number }> {
    const known = this.opened.get(photo);
    if (known) return known;
    const { jpeg, orientation, profile } = await embedPhoto(this.files(photo));
    const opened = (this.doc as unknown as { openImage(source: Buffer): OpenedJpeg }).openImage(jpeg);
    if (profile) opened.colorSpace = ["ICCBased", this.profileRef(profile)];
    const picture = { opened, orientation };
    this.opened.set(photo, picture);
    return picture;
  }

  private readonly profiles = new Map<string, PDFKit.PDFKitReference>();

  private profileRef(profile: Buffer): PDFKit.PDFKitReference {
    const key = profile.toString("base64");
    let ref = this.profiles.get(key);
    if (!ref) {
      ref = this.doc.ref({ N: 3 });
      ref.end(profile);
      this.profiles.set(key, ref);
    }
    return ref;
  }
}
