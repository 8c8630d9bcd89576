import { fileURLToPath } from "node:url";
import { build } from "vite";

/** The tests talk to the built server, as it is started for real; building it takes a fraction of a second. */
export default async (): Promise<void> => {
  await build({ root: fileURLToPath(new URL("..", import.meta.url)), logLevel: "error" });
};
