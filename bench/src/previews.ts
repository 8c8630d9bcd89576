import { mkdtempSync } from "node:fs";
import { availableParallelism, tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { Server } from "@wide-quilt/server/testing";
import { alone, peakOf, report, type Measured } from "./measure.ts";
import { upload } from "./upload.ts";

const ROUNDS = 15;
const COUNT = 20;

/** Twenty photos over HTTP until all their previews are there, beside a bare script over the same files. */
export async function benchPreviews(all: readonly string[]): Promise<void> {
  const paths = all.slice(0, COUNT);
  const ours: Measured[] = [];
  const theirs: Measured[] = [];
  // In turns, so that neither has the quieter minutes of the machine.
  for (let round = 0; round < ROUNDS; round++) {
    theirs.push(await alone("bare-previews", mkdtempSync(join(tmpdir(), "wide-quilt-bare-")), ...paths));
    ours.push(await uploadAll(paths));
  }
  report(`previews of ${COUNT} × 24 megapixels, from the upload to the last preview`, ours, theirs, 1.25);
}

async function uploadAll(paths: readonly string[]): Promise<Measured> {
  const server = await Server.start(mkdtempSync(join(tmpdir(), "wide-quilt-bench-")));
  // The bare script does not count its start either: a small photo for each process has the server load what it needs.
  const small = await Promise.all(
    Array.from({ length: availableParallelism() }, async (_, i) => {
      const path = join(tmpdir(), `wide-quilt-warm-${i}.jpg`);
      await sharp({ create: { width: 64, height: 64 + i, channels: 3, background: "#808080" } })
        .jpeg()
        .toFile(path);
      return path;
    }),
  );
  await upload(server.address, ...small);
  const start = performance.now();
  await upload(server.address, ...paths);
  const measured = { milliseconds: performance.now() - start, peak: peakOf(server.pid) };
  await server.kill();
  return measured;
}
