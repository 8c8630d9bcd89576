import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { alone } from "./measure.ts";

/** The most memory that a PDF of 200 sheets may take, MB. */
const BAR = 600;

/** A PDF of 200 sheets, a photo of eight megabytes on each, embedded whole. There is no bare script: memory is the question. */
export async function benchPages(photos: readonly string[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const { milliseconds, peak } = await alone("our-pages", folder, ...photos);
  console.log(
    `a PDF of 200 sheets of 8-megabyte photos\n  ${(milliseconds / 1000).toFixed(1)} s, peak ${peak.toFixed(0)} MB, bar ${BAR} MB: ${peak <= BAR ? "kept" : "NOT kept"}`,
  );
}
