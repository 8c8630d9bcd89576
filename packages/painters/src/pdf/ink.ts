import {
  pathData,
  type CellPlan,
  type Ink,
  type PathInk,
  type PictureInk,
  type SetText,
} from "@wide-quilt/core";
import { FONT_FILES } from "../fonts.ts";
import type { PdfPictures } from "./pictures.ts";
import { pt, rectPt, tilt, turnAbout } from "./units.ts";

/** Paints ink in its order, tilted with its cell: words as text, graphics as pictures. */
export async function paintInk(
  doc: PDFKit.PDFDocument,
  inks: readonly Ink[],
  cell: Pick<CellPlan, "finished" | "angle"> | null,
  pictures: PdfPictures,
): Promise<void> {
  for (const ink of inks) {
    const opened = ink.kind === "picture" ? await pictures.ink(ink) : null;
    doc.save();
    if (cell) tilt(doc, cell);
    if (ink.clip) doc.rect(...rectPt(ink.clip)).clip();
    if (ink.kind === "text") paintText(doc, ink.text);
    else if (ink.kind === "path") paintPath(doc, ink);
    else paintPicture(doc, ink, opened);
    doc.restore();
  }
}

function paintText(doc: PDFKit.PDFDocument, text: SetText): void {
  turnAbout(doc, text.box, text.turn);
  doc.font(FONT_FILES[text.font]()).fontSize(pt(text.size)).fillColor(text.colour, text.opacity);
  for (const { text: line, x, y } of text.lines) {
    const back = { left: 0, middle: 0.5, right: 1 }[text.align] * doc.widthOfString(line);
    doc.text(line, pt(x) - back, pt(y), { lineBreak: false, baseline: "alphabetic" });
  }
}

function paintPath(doc: PDFKit.PDFDocument, { commands, fill, stroke, box, turn }: PathInk): void {
  turnAbout(doc, box, turn);
  doc.path(pathData(commands, pt));
  if (stroke) doc.lineWidth(pt(stroke.width));
  if (fill && stroke) doc.fillAndStroke(fill, stroke.colour);
  else if (stroke) doc.stroke(stroke.colour);
  else if (fill) doc.fill(fill);
}

function paintPicture(
  doc: PDFKit.PDFDocument,
  { rect, turn, opacity, blend }: PictureInk,
  opened: unknown,
): void {
  turnAbout(doc, rect, turn);
  if (opacity < 1 || blend !== "normal") useState(doc, opacity, blend);
  const [x, y, width, height] = rectPt(rect);
  doc.image(opened as never, x, y, { width, height, ignoreOrientation: true } as never);
}

/** Sets opacity and blend mode for what follows (ISO 32000-2, 11.6.4.4 and 11.3.5); pdfkit has no word for the mode. */
function useState(doc: PDFKit.PDFDocument, opacity: number, blend: PictureInk["blend"]): void {
  const name = `Wq${Math.round(opacity * 1000)}${blend}`;
  const states = (doc.page as unknown as { ext_gstates: Record<string, PDFKit.PDFKitReference> }).ext_gstates;
  if (!states[name]) {
    const mode = blend === "multiply" ? "Multiply" : "Normal";
    const state = doc.ref({ Type: "ExtGState", ca: opacity, CA: opacity, BM: mode });
    state.end("");
    states[name] = state;
  }
  (doc as unknown as { addContent(content: string): void }).addContent(`/${name} gs`);
}
