import { Worker } from "node:worker_threads";
import { BadPhoto } from "@wide-quilt/painters";

/** What a thread that makes a picture answers. */
export type MadeAnswer = { jpeg: Uint8Array } | { failed: string; bad: boolean };

/** Has a picture made in a thread of its own. Throws BadPhoto where that is the file's fault. */
export const inThread = (worker: URL, workerData: unknown): Promise<Uint8Array> =>
  new Promise((resolve, reject) => {
    const thread = new Worker(worker, { workerData });
    thread.once("message", (answer: MadeAnswer) => {
      if ("jpeg" in answer) resolve(answer.jpeg);
      else reject(answer.bad ? new BadPhoto(answer.failed) : new Error(answer.failed));
    });
    thread.once("error", reject);
  });
