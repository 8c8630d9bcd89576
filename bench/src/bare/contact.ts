/** Bare: 400 photos on A4 sheets of 5 × 6 at 300 ppi, two lines of words under each, as JPEGs. */
import { readFileSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";

const [folder, photos] = process.argv.slice(2) as [string, string];
const font = createRequire(import.meta.url).resolve(
  "@expo-google-fonts/spline-sans-mono/400Regular/SplineSansMono_400Regular.ttf",
);
const px = (mm: number) => Math.round((mm * 300) / 25.4);
const [columns, rows, width, height] = [5, 6, 2480, 3508];
const [room, step] = [{ width: px(36.4), height: px(35.4) }, px(43.4)];
const start = performance.now();
for (let sheet = 0, photo = 0; photo < 400; sheet++) {
  const here = Array.from({ length: Math.min(columns * rows, 400 - photo) }, (_, i) => ({
    path: join(photos, `${photo + i}.jpg`),
    left: px(10) + (i % columns) * px(38.4),
    top: px(17) + Math.floor(i / columns) * step,
    number: photo + i,
  }));
  photo += here.length;
  const thumbs = await Promise.all(
    here.map(async ({ path, left, top }) => {
      const { data, info } = await sharp(path)
        .autoOrient()
        .resize(room.width, room.height, { fit: "inside" })
        .raw()
        .toBuffer({ resolveWithObject: true });
      const raw = { width: info.width, height: info.height, channels: info.channels };
      return { input: data, raw, left, top: top + room.height - info.height };
    }),
  );
  const words = here
    .map(({ left, top, number }) => {
      const x = left + room.width / 2;
      const y = top + room.height + 32;
      return `<text x="${x}" y="${y}" text-anchor="middle"><tspan>${number + 1} · IMG_${number}</tspan><tspan x="${x}" y="${y + 32}">1/250 · f/8 · ISO 200</tspan></text>`;
    })
    .join("");
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" font-family="Spline Sans Mono" font-size="26">${words}</svg>`;
  const drawn = new Resvg(svg, { font: { fontFiles: [font], loadSystemFonts: false } }).render();
  const overlay = { input: drawn.pixels, raw: { width, height, channels: 4 as const, premultiplied: true } };
  const file = await sharp({ create: { width, height, channels: 3, background: "#ffffff" } })
    .composite([...thumbs, { ...overlay, premultiplied: true, left: 0, top: 0 }])
    .withIccProfile("srgb")
    .withDensity(300)
    .jpeg({ quality: 92, chromaSubsampling: "4:4:4" })
    .toBuffer();
  writeFileSync(join(folder, `bare-${sheet}.jpg`), file);
}
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
