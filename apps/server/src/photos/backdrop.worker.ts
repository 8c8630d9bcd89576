/** A thread that puts something else behind the person of one photo, and ends. */
import { parentPort, workerData } from "node:worker_threads";
import { BadPhoto, withBackdrop } from "@wide-quilt/painters";
import type { BackdropAnswer, BackdropWork } from "./backdrops.service.ts";

const { photo, mask, fill } = workerData as BackdropWork;

withBackdrop(photo, mask, fill).then(
  (jpeg) => parentPort!.postMessage({ jpeg } satisfies BackdropAnswer),
  (error: unknown) =>
    parentPort!.postMessage({
      failed: error instanceof Error ? error.message : String(error),
      bad: error instanceof BadPhoto,
    } satisfies BackdropAnswer),
);
