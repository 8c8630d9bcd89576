import { parentPort } from "node:worker_threads";
import { BadPhoto } from "@wide-quilt/painters";
import type { MadeAnswer } from "./inThread.ts";

/** Answers whoever started this thread with the picture that it makes, or with why there is none. */
export function answerWith(making: Promise<Uint8Array>): void {
  const answer = (message: MadeAnswer) => parentPort!.postMessage(message);
  making.then(
    (jpeg) => answer({ jpeg }),
    (error: unknown) =>
      answer({
        failed: error instanceof Error ? error.message : String(error),
        bad: error instanceof BadPhoto,
      }),
  );
}
