import PDFDocument from "pdfkit";
import { FONT_FILES } from "../fonts.ts";

/** What a report says, top to bottom, in words that are ready to be read. */
export interface Report {
  title: string;
  under: string;
  figures: readonly (readonly [what: string, figure: string])[];
  /** Two counts by spans of time, drawn as bars; nothing is drawn where there are no spans. */
  chart: { title: string; counts: readonly [string, string]; spans: readonly ReportSpan[] };
  table: { heads: readonly string[]; rows: readonly (readonly string[])[] };
}

export interface ReportSpan {
  label: string;
  first: number;
  second: number;
}

/** Papers that reports are printed on, in points. */
const PAPERS = { a4: [595.28, 841.89], letter: [612, 792] } as const;
export type ReportPaper = keyof typeof PAPERS;

const MARGIN = 54;
const INK = "#1d2125";
const SOFT = "#5a626b";
const RULE = "#c9ced3";
const COLOURS = ["#34409c", "#a9b2e6"] as const;
const CHART = 130;
const ROW = 15;

/** A report as a PDF: as many pages as its table needs, with their numbers. */
export async function paintReport(report: Report, paper: ReportPaper, date: Date): Promise<Buffer> {
  const doc = new PDFDocument({
    size: [...PAPERS[paper]],
    margin: MARGIN,
    bufferPages: true,
    lang: "en",
    info: { Title: report.title, CreationDate: date },
  });
  const chunks: Buffer[] = [];
  doc.on("data", (chunk: Buffer) => chunks.push(chunk));
  const written = new Promise<void>((resolve, reject) => doc.once("end", resolve).once("error", reject));
  doc.registerFont("text", FONT_FILES.hanken());
  doc.font("text").fillColor(INK);
  const width = doc.page.width - 2 * MARGIN;
  doc.fontSize(20).text(report.title, { width });
  doc.fontSize(10).fillColor(SOFT).text(report.under, { width }).moveDown(1);
  for (const [what, figure] of report.figures) figureLine(doc, what, figure);
  if (report.chart.spans.length > 0) drawChart(doc, report.chart, width);
  drawTable(doc, report.table, width);
  numberPages(doc);
  doc.end();
  await written;
  return Buffer.concat(chunks);
}

function figureLine(doc: PDFKit.PDFDocument, what: string, figure: string): void {
  const { y } = doc;
  doc.fontSize(10).fillColor(SOFT).text(what, MARGIN, y, { width: 180, lineBreak: false });
  doc.fillColor(INK).text(figure, MARGIN + 190, y);
}

/** Bars side by side for each span; the tallest fills the height, and its count is written at the left. */
function drawChart(doc: PDFKit.PDFDocument, { title, counts, spans }: Report["chart"], width: number): void {
  doc.moveDown(1.2).fontSize(11).fillColor(INK).text(title, MARGIN).moveDown(0.4);
  const top = doc.y;
  const most = spans.reduce((max, { first, second }) => Math.max(max, first, second), 1);
  const left = MARGIN + 26;
  const step = (width - 26) / spans.length;
  const bar = Math.min(14, step * 0.4);
  const base = top + CHART;
  doc
    .fontSize(8)
    .fillColor(SOFT)
    .text(String(most), MARGIN, top - 4, { width: 20, align: "right" });
  doc.text("0", MARGIN, base - 5, { width: 20, align: "right" });
  doc
    .moveTo(left, base)
    .lineTo(MARGIN + width, base)
    .lineWidth(0.5)
    .stroke(RULE);
  // As many times as there is room for, so that none overlaps the next.
  const every = Math.ceil(34 / step);
  spans.forEach(({ label, first, second }, i) => {
    const x = left + i * step;
    for (const [k, count] of [first, second].entries()) {
      const height = (count / most) * CHART;
      if (height > 0) doc.rect(x + k * bar, base - height, bar * 0.92, height).fill(COLOURS[k]);
    }
    if (i % every === 0)
      doc
        .fontSize(8)
        .fillColor(SOFT)
        .text(label, x, base + 4, { lineBreak: false });
  });
  let x = left;
  for (const [k, count] of counts.entries()) {
    doc.rect(x, base + 20, 8, 8).fill(COLOURS[k]!);
    doc
      .fontSize(9)
      .fillColor(INK)
      .text(count, x + 12, base + 18, { lineBreak: false });
    x += doc.widthOfString(count) + 34;
  }
  doc.x = MARGIN;
  doc.y = base + 40;
}

function drawTable(doc: PDFKit.PDFDocument, { heads, rows }: Report["table"], width: number): void {
  const column = width / heads.length;
  const line = (cells: readonly string[], colour: string): void => {
    const { y } = doc;
    cells.forEach((text, i) =>
      doc
        .fontSize(9)
        .fillColor(colour)
        .text(text, MARGIN + i * column, y, { width: column - 6, height: ROW - 2, ellipsis: true }),
    );
    doc.x = MARGIN;
    doc.y = y + ROW;
  };
  const head = () => {
    line(heads, SOFT);
    doc
      .moveTo(MARGIN, doc.y - 3)
      .lineTo(MARGIN + width, doc.y - 3)
      .lineWidth(0.5)
      .stroke(RULE);
  };
  const bottom = () => doc.page.height - MARGIN - ROW;
  if (doc.y > bottom() - 2 * ROW) doc.addPage();
  head();
  for (const row of rows) {
    if (doc.y > bottom()) {
      doc.addPage();
      head();
    }
    line(row, INK);
  }
}

function numberPages(doc: PDFKit.PDFDocument): void {
  const { count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i++) {
    doc.switchToPage(i);
    // Below the margin, where pdfkit would begin a further page.
    doc.page.margins.bottom = 0;
    doc
      .fontSize(8)
      .fillColor(SOFT)
      .text(`Page ${i + 1} of ${count}`, MARGIN, doc.page.height - 36, { lineBreak: false });
  }
}
