import {
  pathData,
  pictureIn,
  type CellPlan,
  type Ink,
  type PathCut,
  type PathInk,
  type PictureInk,
  type SetText,
  type Shadow,
} from "@wide-quilt/core";
import { Resvg } from "@resvg/resvg-js";
import { FONT_FILES } from "../fonts.ts";
import { forFont, runsOf, sharesShapes } from "./runs.ts";
import { UM } from "../svg/marks.ts";
import { reachOf, shadowMark, shadowReach, turnedData } from "../svg/shape.ts";
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
    const opened = await openedFor(ink, pictures);
    doc.save();
    if (cell) tilt(doc, cell);
    if (ink.clip) doc.rect(...rectPt(ink.clip)).clip();
    if (ink.kind === "text") paintText(doc, ink.text);
    else if (ink.kind === "path") paintPath(doc, ink, opened);
    else paintPicture(doc, ink, opened.picture);
    doc.restore();
  }
}

/** What has to be opened before ink is painted: its picture, and the shadow of a shape, which PDF has no word for. */
interface Opened {
  picture: unknown;
  shadow: { image: unknown; at: [x: number, y: number, { width: number; height: number }] } | null;
}

async function openedFor(ink: Ink, pictures: PdfPictures): Promise<Opened> {
  if (ink.kind === "picture") return { picture: await pictures.ink(ink.of, ink.rect), shadow: null };
  if (ink.kind === "text") return { picture: null, shadow: null };
  const picture = pictureIn(ink.fill);
  return {
    picture: picture && (await pictures.ink(picture.of, picture.rect)),
    shadow: ink.shadow && ink.shadow.blur > 0 ? shadowOf(ink, ink.shadow, pictures) : null,
  };
}

/** Pixels over which a soft edge fades out: more are not to be told from fewer. */
const FADE = 16;
/** Pixels per inch of shadows, and pixels across one at most. */
const SHADOW_PPI = { least: 20, most: 300 };
const SHADOW_MOST = 2000;

/** A soft shadow as a picture: it has no edges that more pixels would show. */
function shadowOf(ink: PathInk, shadow: Shadow, pictures: PdfPictures): Opened["shadow"] {
  const { x, y, width, height } = shadowReach(ink, shadow, null);
  const ppi = Math.min(SHADOW_PPI.most, Math.max(SHADOW_PPI.least, (25_400 * FADE) / shadow.blur));
  const pixels = Math.min(SHADOW_MOST, Math.ceil((width / 25_400) * ppi));
  const mark = shadowMark(ink, shadow, null, UM, "s");
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${y} ${width} ${height}" width="${width}" height="${height}">${mark}</svg>`;
  const png = new Resvg(svg, { fitTo: { mode: "width", value: pixels }, font: { loadSystemFonts: false } });
  const image = pictures.open(png.render().asPng());
  return { image, at: [pt(x), pt(y), { width: pt(width), height: pt(height) }] };
}

function paintText(doc: PDFKit.PDFDocument, text: SetText): void {
  turnAbout(doc, text.box, text.turn);
  doc.font(FONT_FILES[text.font]()).fontSize(pt(text.size)).fillColor(text.colour);
  if (text.opacity < 1) doc.fillOpacity(text.opacity);
  for (const { text: line, x, y } of text.lines) {
    const runs = runsOf(line).map((one) => {
      const run = forFont(one);
      // Asked for features, the font sets a run as a whole, and not word by word from the left.
      const options = one.leftwards || run !== one.text ? { features: [] } : {};
      const actual = sharesShapes(one) ? one.text : null;
      return { run, options, actual, width: doc.widthOfString(run, options) };
    });
    const width = runs.reduce((sum, run) => sum + run.width, 0);
    let at = pt(x) - { left: 0, middle: 0.5, right: 1 }[text.align] * width;
    for (const { run, options, actual, width: long } of runs) {
      if (actual !== null) doc.markContent("Span", { actual });
      doc.text(run, at, pt(y), { ...options, lineBreak: false, baseline: "alphabetic" });
      if (actual !== null) doc.endMarkedContent();
      at += long;
    }
  }
}

/** A shape, its windows left out: first what it throws, then what it is filled with, then its line. */
function paintPath(doc: PDFKit.PDFDocument, ink: PathInk, opened: Opened): void {
  const { commands, fill, stroke, box, turn, opacity } = ink;
  for (const cut of ink.cut) leaveOut(doc, ink, cut);
  if (opened.shadow) doc.image(opened.shadow.image as never, ...opened.shadow.at);
  else if (ink.shadow) paintHardShadow(doc, ink, ink.shadow);
  turnAbout(doc, box, turn);
  if (opacity < 1) doc.opacity(opacity);
  const data = pathData(commands, pt);
  const picture = pictureIn(fill);
  if (picture) {
    doc.save();
    doc.path(data).clip();
    const [x, y, width, height] = rectPt(picture.rect);
    doc.image(opened.picture as never, x, y, { width, height, ignoreOrientation: true } as never);
    doc.restore();
  } else if (fill !== null) doc.path(data).fill(colourOf(doc, fill) as never);
  if (stroke) doc.path(data).lineWidth(pt(stroke.width)).stroke(stroke.colour);
}

/** A shadow that is not soft: the shape once more, moved, in one colour. */
function paintHardShadow(doc: PDFKit.PDFDocument, ink: PathInk, shadow: Shadow): void {
  const { commands, fill, stroke, box, turn } = ink;
  doc.save();
  doc.translate(pt(shadow.right), pt(shadow.down));
  turnAbout(doc, box, turn);
  doc.opacity(shadow.opacity);
  const data = pathData(commands, pt);
  if (fill !== null) doc.path(data).fill(shadow.colour);
  if (stroke) doc.path(data).lineWidth(pt(stroke.width)).stroke(shadow.colour);
  doc.restore();
}

/** A colour, or one that changes along a line (ISO 32000-2, 8.7.4.5.3). */
function colourOf(doc: PDFKit.PDFDocument, fill: Exclude<PathInk["fill"], null>): unknown {
  if (typeof fill === "string" || fill.kind === "picture") return fill;
  const [[x1, y1], [x2, y2]] = [fill.start, fill.end];
  return doc.linearGradient(pt(x1), pt(y1), pt(x2), pt(y2)).stop(0, fill.from).stop(1, fill.to);
}

/** Cuts what follows off to what is outside a window: all around it less the window, by the even-odd rule. */
function leaveOut(doc: PDFKit.PDFDocument, ink: PathInk, cut: PathCut): void {
  const all = reachOf(ink, null);
  doc.rect(pt(all.x), pt(all.y), pt(all.width), pt(all.height));
  doc.path(turnedData(cut, null, { at: pt, edge: pt })).clip("even-odd");
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
