import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { alone, report, type Measured } from "./measure.ts";

const ROUNDS = 3;

/** A sheet of 7200 × 10 800 px of 24 different photos of 24 megapixels, beside a bare script that makes the same pixels. */
export async function benchLarge(photos: readonly string[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const ours: Measured[] = [];
  const theirs: Measured[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    theirs.push(await alone("bare-large", folder, ...photos));
    ours.push(await alone("our-large", folder, ...photos));
  }
  report(
    "a sheet of 7200 × 10 800 px of 24 photos of 24 megapixels (memory may be 1.5 × theirs)",
    ours,
    theirs,
    1.3,
  );
}
