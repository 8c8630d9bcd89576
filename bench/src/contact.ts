import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { smallPhotos } from "./smallPhotos.ts";
import { alone, report, type Measured } from "./measure.ts";

const ROUNDS = 3;
const BAR = 1.3;

/** A contact sheet of 400 photos, beside a bare script that makes the same pixels, words included. */
export async function benchContact(): Promise<void> {
  const photos = await smallPhotos(resolve(".wide-quilt/bench/small"));
  const folder = await mkdtemp(join(tmpdir(), "wide-quilt-bench-"));
  const ours: Measured[] = [];
  const theirs: Measured[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    theirs.push(await alone("bare-contact", folder, photos));
    ours.push(await alone("our-contact", folder, photos));
  }
  report("a contact sheet of 400 photos of 1.5 megapixels on 14 A4 sheets, 300 ppi", ours, theirs, BAR);
}
