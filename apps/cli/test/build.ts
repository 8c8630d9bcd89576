import { fileURLToPath } from "node:url";
import { build } from "vite";

/** The tests run the built program, as a shell does. */
export default async (): Promise<void> => {
  await build({ root: fileURLToPath(new URL("..", import.meta.url)), logLevel: "error" });
};
