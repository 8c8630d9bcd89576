import type { Band, Rect } from "@wide-quilt/core";
import { pt, rectPt } from "./units.ts";

/** Paints a frame's bands as filled shapes with a hole, square or rounded. */
export function paintBands(doc: PDFKit.PDFDocument, bands: readonly Band[]): void {
  for (const { outer, inner, outerCorner, innerCorner, colour } of bands) {
    shape(doc, outer, outerCorner);
    shape(doc, inner, innerCorner);
    doc.fillColor(colour, 1).fill("even-odd");
  }
}

/** Adds a rectangle, rounded or not, to the path. */
export function shape(doc: PDFKit.PDFDocument, rect: Rect, corner: number): void {
  if (corner > 0) doc.roundedRect(...rectPt(rect), pt(corner));
  else doc.rect(...rectPt(rect));
}
