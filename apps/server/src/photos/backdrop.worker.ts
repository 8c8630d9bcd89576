/** A thread that puts something else behind the person of one photo, and ends. */
import { workerData } from "node:worker_threads";
import { withBackdrop } from "@wide-quilt/painters";
import type { BackdropWork } from "./backdrops.service.ts";
import { answerWith } from "./madeInThread.ts";

const { photo, mask, fill } = workerData as BackdropWork;

answerWith(withBackdrop(photo, mask, fill));
