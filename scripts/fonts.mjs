/** Measures the signs of every font that ships, for the core: `npm run fonts` writes words/widths.json. */
import { readFileSync, writeFileSync } from "node:fs";
import { create } from "fontkit";
import { createServer } from "vite";

const vite = await createServer({ server: { middlewareMode: true }, appType: "custom", logLevel: "error" });
const { FONT_FILES } = await vite.ssrLoadModule("/packages/painters/src/fonts.ts");

// Latin with its extensions, Greek, Cyrillic, Hebrew, Arabic, punctuation, currency, letterlike signs, arrows, mathematics,
// shapes, signs of East Asia.
const RANGES = [
  [0x20, 0x24f],
  [0x2b0, 0x2ff],
  [0x370, 0x52f],
  [0x590, 0x5ff],
  [0x600, 0x6ff],
  [0x750, 0x77f],
  [0x1e00, 0x1eff],
  [0x2000, 0x206f],
  [0x2070, 0x209f],
  [0x20a0, 0x20bf],
  [0x2100, 0x21ff],
  [0x2200, 0x22ff],
  [0x25a0, 0x26ff],
  [0x3000, 0x30ff],
  [0x4e00, 0x9fff],
  [0xff00, 0xff65],
];

const all = {};
for (const [id, file] of Object.entries(FONT_FILES)) {
  const font = create(readFileSync(file()));
  const runs = [];
  for (const [first, last] of RANGES) {
    for (let sign = first; sign <= last; sign++) {
      if (!font.hasGlyphForCodePoint(sign)) continue;
      const width = Math.round((font.glyphForCodePoint(sign).advanceWidth * 1000) / font.unitsPerEm);
      const run = runs.at(-1);
      if (run && run[0] + run[1].length === sign) run[1].push(width);
      else runs.push([sign, [width]]);
    }
  }
  all[id] = runs.flatMap(shorter);
}

/** A run in pieces: where eight signs or more have one width, that width and how many. */
function shorter([first, widths]) {
  const pieces = [];
  let plain = null;
  for (let at = 0; at < widths.length;) {
    let end = at;
    while (end < widths.length && widths[end] === widths[at]) end++;
    if (end - at >= 8) {
      pieces.push([first + at, widths[at], end - at]);
      plain = null;
    } else {
      if (!plain) pieces.push((plain = [first + at, []]));
      plain[1].push(...widths.slice(at, end));
    }
    at = end;
  }
  return pieces;
}
const lines = Object.entries(all).map(([id, runs]) => `  "${id}": ${JSON.stringify(runs)}`);
writeFileSync(
  new URL("../packages/core/src/finish/words/widths.json", import.meta.url),
  `{\n${lines.join(",\n")}\n}\n`,
);
await vite.close();
