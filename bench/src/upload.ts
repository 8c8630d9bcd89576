import { execFile } from "node:child_process";
import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import type { TakenIn, TakenPhoto } from "@wide-quilt/server/contract";

const run = promisify(execFile);

/** Requests at a time, as the web side sends them. */
const LANES = 4;

/**
 * Sends files, one a request, with a single curl: the client shares the processors with the server that is measured,
 * so it has to cost as little as can be. Throws where one is refused.
 */
export async function upload(address: string, ...paths: string[]): Promise<TakenPhoto[]> {
  const answers = mkdtempSync(join(tmpdir(), "wide-quilt-answers-"));
  const answer = (i: number) => join(answers, String(i));
  const transfers = paths.flatMap((path, i) => [
    ...(i === 0 ? [] : ["--next"]),
    ...["-sS", "-X", "POST", "-T", path, "-H", "Content-Type: application/octet-stream"],
    ...["-o", answer(i), `${address}/api/photos?name=photo-${i}.jpg`],
  ]);
  await run("curl", ["--parallel", "--parallel-max", String(LANES), ...transfers]);
  return paths.map((path, i) => {
    const taken = JSON.parse(readFileSync(answer(i), "utf8")) as TakenIn;
    if ("refused" in taken) throw new Error(`${path}: ${taken.refused.why}`);
    return taken.photo;
  });
}
