import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { alone, report, type Measured } from "./measure.ts";

const ROUNDS = 7;

/** The sheet of the first job from a 24-megapixel photo, beside a bare script that makes the same pixels. */
export async function benchSheet(photo: string): Promise<void> {
  const what = "a sheet of eight from one photo of 24 megapixels, with marks";
  await pairs(what, photo);
  await pairs(`${what}, made smaller by light in both`, photo, "light");
}

async function pairs(what: string, ...asked: string[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const ours: Measured[] = [];
  const theirs: Measured[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    theirs.push(await alone("bare-sheet", folder, ...asked));
    ours.push(await alone("our-sheet", folder, ...asked));
  }
  report(what, ours, theirs, 1.3);
}
