import { UM_PER_INCH, type CellPlan, type Rect } from "@wide-quilt/core";

const POINTS_PER_INCH = 72;

/** Micrometres to points, the unit of PDF. */
export const pt = (um: number): number => (um * POINTS_PER_INCH) / UM_PER_INCH;

/** A rectangle’s corner and size in points. */
export const rectPt = ({ x, y, width, height }: Rect): [number, number, number, number] => [
  pt(x),
  pt(y),
  pt(width),
  pt(height),
];

/** Turns what is painted next about the middle of a rectangle, degrees clockwise. */
export function turnAbout(doc: PDFKit.PDFDocument, { x, y, width, height }: Rect, degrees: number): void {
  if (degrees !== 0) doc.rotate(degrees, { origin: [pt(x + width / 2), pt(y + height / 2)] });
}

/** Turns what is painted next as its cell is tilted. */
export const tilt = (
  doc: PDFKit.PDFDocument,
  { finished, angle }: Pick<CellPlan, "finished" | "angle">,
): void => turnAbout(doc, finished, angle);
