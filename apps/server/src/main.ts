import "reflect-metadata";
import { Logger } from "@nestjs/common";
import { readOptions, Usage } from "./options.ts";
import { AlreadyRunning } from "./data/lock.ts";
import { Refused } from "./data/refused.ts";
import { openInBrowser } from "./starting/browser.ts";
import { start } from "./starting/start.ts";

// What is kept is its owner's alone.
process.umask(0o077);

const args = process.argv.slice(2);
try {
  const options = readOptions(args);
  const say = (line: string) => console.log(line);
  const { address, root, fill, stop } = await start(options, say);
  const end = () => void stop().finally(() => process.exit());
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, end);
  // Whoever started it is gone.
  process.once("disconnect", end);
  say(`Wide Quilt is ready at ${address}`);
  say(`Everything is kept in ${root}`);
  if (options.opens) openInBrowser(address);
  await fill().catch((error: unknown) => {
    new Logger("Demo").error(error instanceof Error ? error.stack : String(error));
    say("The demo could not be made. It is tried again at the next start; everything else works.");
  });
} catch (error) {
  if (error instanceof AlreadyRunning && error.address !== null && args.includes("--open"))
    openInBrowser(error.address);
  if (error instanceof Refused || error instanceof Usage) console.error(error.message);
  else new Logger("Start").error(error instanceof Error ? error.stack : String(error));
  process.exit(1);
}
