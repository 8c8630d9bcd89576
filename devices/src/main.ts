/** `npm run printers`: every simulated printer, on loopback, until it is stopped. */
import { join, resolve } from "node:path";
import { MODELS, SimulatedPrinter } from "./index.ts";

const FIRST_PORT = 8631;
/** What a sheet takes, so that one can watch it. */
const PACE = 2000;

const folder = resolve(".wide-quilt/prints");
for (const [i, model] of MODELS.entries()) {
  const options = { folder: join(folder, model.id), port: FIRST_PORT + i, pace: PACE };
  const printer = await new SimulatedPrinter(model, options).start();
  console.log(`${model.name.padEnd(26)} ${printer.address}   http://localhost:${FIRST_PORT + i}/`);
}
console.log(`What they print is kept in ${folder}. On its page a printer can be told to run out of paper.`);
