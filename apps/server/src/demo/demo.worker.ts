/** A thread that makes what the demo is of: photos by their number, and the profiles of its printers. */
import { parentPort } from "node:worker_threads";
import { DEMO_PHOTOS, demoProfiles, renderPhoto } from "@wide-quilt/demo";

parentPort!.on("message", (wanted: number | "profiles") => {
  if (wanted === "profiles") parentPort!.postMessage(demoProfiles());
  else void renderPhoto(DEMO_PHOTOS[wanted]!).then((jpeg) => parentPort!.postMessage(jpeg));
});
