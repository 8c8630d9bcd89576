/** A thread that paints one task at a time, so that the server answers while pixels are made. */
import { parentPort } from "node:worker_threads";
import { Cancelled } from "@wide-quilt/painters";
import { paint } from "./paint.ts";
import type { FromWorker, PaintTask, ToWorker } from "./task.ts";

const port = parentPort!;
const say = (message: FromWorker) => port.postMessage(message);
let cancelled = false;

port.on("message", (message: ToWorker) => {
  if ("cancel" in message) cancelled = true;
  else void work(message.paint);
});

async function work(task: PaintTask): Promise<void> {
  cancelled = false;
  try {
    const done = await paint(task, {
      cancelled: () => cancelled,
      progress: (progress) => say({ progress }),
    });
    say({ done });
  } catch (error) {
    if (error instanceof Cancelled) say({ cancelled: true });
    else {
      const { code } = error as { code?: string };
      say({ failed: error instanceof Error ? error.message : String(error), code });
    }
  }
}
