/** `npm run lint`: ESLint beside which files may import which and Prettier; with --cache only what changed is looked at again. */
import { spawn } from "node:child_process";
import { join } from "node:path";
import { ROOT } from "./house.mjs";

const cache = process.argv.includes("--cache");

/** Whether a program that came with a package found nothing wrong. */
const isRight = async (name, ...args) => {
  const program = spawn(join(ROOT, "node_modules/.bin", name), args, { cwd: ROOT, stdio: "inherit" });
  return (await new Promise((resolve) => program.on("exit", resolve))) === 0;
};

const right = await Promise.all([
  isRight("eslint", ...(cache ? ["--cache", "--cache-location", "node_modules/.cache/eslint"] : []), "."),
  (async () => {
    const imports = await isRight(
      "depcruise",
      ...["--config", ".dependency-cruiser.mjs"],
      ...["packages", "apps", "demo", "devices", "e2e", "bench"],
    );
    const written = await isRight(
      "prettier",
      ...["--check", ...(cache ? ["--cache"] : []), "--log-level", "warn", "."],
    );
    return imports && written;
  })(),
]);
process.exit(right.every(Boolean) ? 0 : 1);
