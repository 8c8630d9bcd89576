/** Bare: twelve photos of 24 megapixels, each over the upper 60 % of a page of A3, and the first on a cover, as a PDF. */
import { createWriteStream, readFileSync } from "node:fs";
import { join } from "node:path";
import { finished } from "node:stream/promises";
import PDFDocument from "pdfkit";

const [folder, ...photos] = process.argv.slice(2) as [string, ...string[]];
const pt = (mm: number) => (mm * 72) / 25.4;
const [width, height] = [pt(297), pt(420)];
const start = performance.now();
const doc = new PDFDocument({ autoFirstPage: false, pdfVersion: "1.7" });
const out = createWriteStream(join(folder, "bare.pdf"));
doc.pipe(out);
for (const photo of [photos[0]!, ...photos]) {
  doc.addPage({ size: [width, height], margin: 0 });
  const image = { width, height: height * 0.6 };
  doc.save();
  doc.rect(0, 0, image.width, image.height).clip();
  doc.image(photo, 0, 0, { cover: [image.width, image.height], align: "center", valign: "center" });
  doc.restore();
}
doc.end();
await finished(out);
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
