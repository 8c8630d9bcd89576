/** A thread that develops one photo from a format painters do not read, and ends. */
import { workerData } from "node:worker_threads";
import { developHeic } from "@wide-quilt/painters";
import { answerWith } from "./madeInThread.ts";

answerWith(developHeic(workerData as string));
