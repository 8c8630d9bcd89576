import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { applyEdit, arrange, freshCopiesJob } from "@wide-quilt/core";
import { encodeSheet, paintSheet } from "@wide-quilt/painters";
import { bare, peakOf, report, type Measured } from "./measure.ts";
import { middle } from "./previews.ts";
import { HEIGHT, WIDTH } from "./samples.ts";

const ROUNDS = 7;

/** The sheet of the first job from a 24-megapixel photo, beside a bare script that makes the same pixels. */
export async function benchSheet(photo: string): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const job = applyEdit(freshCopiesJob("Bench"), { do: "add photos", photos: [{ id: "p", name: "p" }] });
  const ours: Measured[] = [];
  const theirs: Measured[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    theirs.push(await bare("sheet", folder, photo));
    const start = performance.now();
    const [plan] = arrange(job, { p: { width: WIDTH, height: HEIGHT } });
    const file = await encodeSheet(await paintSheet(plan!, () => photo), 300, {
      format: "jpeg",
      quality: 92,
    });
    writeFileSync(join(folder, "ours.jpg"), file);
    ours.push({ milliseconds: performance.now() - start, peak: peakOf(process.pid) });
  }
  report(
    `a sheet of eight from one photo of 24 megapixels, with marks (median of ${ROUNDS})`,
    middle(ours),
    middle(theirs),
    1.3,
  );
}
