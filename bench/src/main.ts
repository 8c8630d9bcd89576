/** `npm run bench`, or `npm run bench -- core layouts packing sheet previews drag background contact heads lanes large pages booth windows calendar mural`: our work beside a bare script. It is no test. */
import { availableParallelism } from "node:os";
import { resolve } from "node:path";
import { benchBackground } from "./background.ts";
import { benchBooth } from "./booth.ts";
import { benchCalendar } from "./calendar.ts";
import { benchContact } from "./contact.ts";
import { benchCore } from "./core.ts";
import { benchDrag } from "./drag.ts";
import { benchHeads } from "./heads.ts";
import { benchLanes } from "./lanes.ts";
import { benchLarge } from "./large.ts";
import { benchLayouts } from "./layouts.ts";
import { benchMural } from "./mural.ts";
import { benchPacking } from "./packing.ts";
import { benchPages } from "./pages.ts";
import { benchPreviews } from "./previews.ts";
import { samples } from "./samples.ts";
import { benchSheet } from "./sheet.ts";
import { benchWindows } from "./windows.ts";

const BENCHES: Record<string, (paths: string[]) => unknown> = {
  core: benchCore,
  layouts: benchLayouts,
  packing: benchPacking,
  sheet: ([photo]) => benchSheet(photo!),
  previews: benchPreviews,
  drag: ([photo]) => benchDrag(photo!),
  background: benchBackground,
  contact: benchContact,
  heads: benchHeads,
  lanes: benchLanes,
  large: benchLarge,
  pages: benchPages,
  booth: benchBooth,
  windows: benchWindows,
  calendar: benchCalendar,
  mural: benchMural,
};

console.log(`Node ${process.version}, ${availableParallelism()} processors`);
const paths = await samples(resolve(".wide-quilt/bench"));
const wanted = process.argv.slice(2);
for (const [name, bench] of Object.entries(BENCHES)) {
  if (wanted.length === 0 || wanted.includes(name)) await bench(paths);
}
