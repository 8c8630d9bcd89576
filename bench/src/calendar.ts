import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { alone, report, type Measured } from "./measure.ts";

const ROUNDS = 21;
const MONTHS = 12;
/** As it comes, and as one with the most words. */
const STYLES = { large: "large figures", write: "room to write, 52 events" };

/** A year’s calendar on A3 with twelve photos of 24 megapixels to PDF, beside a bare script that places the same photos. */
export async function benchCalendar(photos: readonly string[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const months = photos.slice(0, MONTHS);
  for (const [style, words] of Object.entries(STYLES)) {
    const ours: Measured[] = [];
    const theirs: Measured[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      theirs.push(await alone("bare-calendar", folder, ...months));
      ours.push(await alone("our-calendar", folder, style, ...months));
    }
    report(`a year’s calendar on A3, ${words}, twelve photos of 24 megapixels, as a PDF`, ours, theirs, 1.2);
  }
}
