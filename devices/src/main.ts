/**
 * `npm run printers`: every simulated printer, on loopback, until it is stopped. `npm run camera -- FOLDER`: a simulated camera
 * that writes to a folder.
 */
import { join, resolve } from "node:path";
import { ROOMY, portrait, renderPhoto, sitter } from "@wide-quilt/demo";
import { MODELS, SimulatedCamera, SimulatedPrinter } from "./index.ts";

const FIRST_PORT = 8631;
/** What a sheet takes, so that one can watch it. */
const PACE = 2000;
const CAMERA_PORT = 8650;
/** What a picture of a camera takes over its cable, and its size: 12 megapixels. */
const CAMERA_PACE = 1500;
const CAMERA_SIZE = { width: 3000, height: 4000 };

const [what, given] = process.argv.slice(2);
await (what === "camera" ? startCamera(resolve(given ?? ".wide-quilt/camera")) : startPrinters());

async function startPrinters(): Promise<void> {
  const folder = resolve(".wide-quilt/prints");
  for (const [i, model] of MODELS.entries()) {
    const options = { folder: join(folder, model.id), port: FIRST_PORT + i, pace: PACE };
    const printer = await new SimulatedPrinter(model, options).start();
    console.log(`${model.name.padEnd(26)} ${printer.address}   http://localhost:${FIRST_PORT + i}/`);
  }
  console.log(`What they print is kept in ${folder}. On its page a printer can be told to run out of paper.`);
}

async function startCamera(folder: string): Promise<void> {
  const { width, height } = CAMERA_SIZE;
  const camera = new SimulatedCamera({
    folder,
    port: CAMERA_PORT,
    pace: CAMERA_PACE,
    // Somebody else every time.
    sees: (shot) =>
      renderPhoto({
        name: "",
        width,
        height,
        draw: (w, h) => portrait(sitter(shot), w, h, ROOMY),
        exposure: {
          model: "Simulated",
          shutter: "1/125",
          aperture: 8,
          iso: 100,
          focalLength: 85,
          takenAt: "2026:09:26 10:04:31",
        },
      }),
  });
  await camera.start();
  console.log(`The camera writes to ${folder}. Its shutter is at ${camera.address}`);
}
