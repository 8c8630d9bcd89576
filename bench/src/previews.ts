import { mkdtempSync } from "node:fs";
import { openAsBlob } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Server } from "@wide-quilt/server/testing";
import type { TakenIn } from "@wide-quilt/server/contract";
import { bare, median, peakOf, report, type Measured } from "./measure.ts";
import { COUNT } from "./samples.ts";

/** As the web side sends them: three files a request, two requests at a time. */
const LOT = 3;
const LANES = 2;
const ROUNDS = 3;

/** Twenty photos over HTTP until all their previews are there, beside a bare script over the same files. */
export async function benchPreviews(paths: readonly string[]): Promise<void> {
  const ours: Measured[] = [];
  const theirs: Measured[] = [];
  // In turns, so that neither has the quieter minutes of the machine.
  for (let round = 0; round < ROUNDS; round++) {
    theirs.push(await bare("previews", mkdtempSync(join(tmpdir(), "wide-quilt-bare-")), ...paths));
    ours.push(await upload(paths));
  }
  report(
    `previews of ${COUNT} × 24 megapixels, from the upload to the last preview (median of ${ROUNDS})`,
    middle(ours),
    middle(theirs),
    1.25,
  );
}

async function upload(paths: readonly string[]): Promise<Measured> {
  const server = await Server.start(mkdtempSync(join(tmpdir(), "wide-quilt-bench-")));
  const lots = Array.from({ length: Math.ceil(paths.length / LOT) }, (_, i) =>
    paths.slice(i * LOT, (i + 1) * LOT),
  );
  const start = performance.now();
  const lane = async () => {
    for (let lot = lots.shift(); lot; lot = lots.shift()) {
      const form = new FormData();
      for (const path of lot) form.append("photos", await openAsBlob(path), path);
      const answer = await fetch(`${server.address}/api/photos`, { method: "POST", body: form });
      const { photos } = (await answer.json()) as TakenIn;
      if (photos.length !== lot.length) throw new Error("A sample was refused");
    }
  };
  await Promise.all(Array.from({ length: LANES }, lane));
  const measured = { milliseconds: performance.now() - start, peak: peakOf(server.pid) };
  await server.kill();
  return measured;
}

export const middle = (all: Measured[]): Measured => ({
  milliseconds: median(all.map(({ milliseconds }) => milliseconds)),
  peak: median(all.map(({ peak }) => peak)),
});
