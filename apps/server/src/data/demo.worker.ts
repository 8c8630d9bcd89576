/** A thread that renders the demo's photos, one after the other as it is asked for them by number. */
import { parentPort } from "node:worker_threads";
import { DEMO_PHOTOS, renderPhoto } from "@wide-quilt/demo";

parentPort!.on("message", (index: number) => {
  void renderPhoto(DEMO_PHOTOS[index]!).then((jpeg) => parentPort!.postMessage(jpeg));
});
