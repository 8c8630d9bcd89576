/** A thread that makes what the demo is of: photos by their number, the profiles of its printers, an artwork. */
import { parentPort } from "node:worker_threads";
import { cardPng, DEMO_PHOTOS, demoProfiles, renderPhoto } from "@wide-quilt/demo";

parentPort!.on("message", (wanted: number | "profiles" | "card") => {
  if (wanted === "profiles") parentPort!.postMessage(demoProfiles());
  else if (wanted === "card") parentPort!.postMessage(cardPng());
  else void renderPhoto(DEMO_PHOTOS[wanted]!).then((jpeg) => parentPort!.postMessage(jpeg));
});
