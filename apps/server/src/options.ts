import { homedir } from "node:os";
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";

export interface Options {
  /** Folder of everything that is kept. */
  data: string;
  port: number;
  host: string;
  /** Whether an empty data folder is filled with the demo. */
  demo: boolean;
  /** Needed from every caller when listening beyond loopback. */
  key: string | null;
}

const USAGE = `Usage: npm start -- [--data DIR] [--port N] [--empty] [--host ADDRESS --key KEY]

  --data DIR      where photos, jobs and written files are kept
  --port N        the port to listen on, 0 for any free one (4177)
  --empty         without the demo's photos and jobs
  --host ADDRESS  the address to listen on (127.0.0.1); any other needs a key
  --key KEY       what a browser has to open the page with: http://ADDRESS:N/?key=KEY`;

export const LOOPBACK = ["127.0.0.1", "localhost", "::1"];

/** Reads the command line. Throws an Error with a sentence and the usage. */
export function readOptions(args: string[]): Options {
  let values;
  try {
    ({ values } = parseArgs({
      args,
      options: {
        data: { type: "string" },
        port: { type: "string", default: "4177" },
        host: { type: "string", default: "127.0.0.1" },
        key: { type: "string" },
        empty: { type: "boolean", default: false },
      },
    }));
  } catch (error) {
    throw new Error(`${(error as Error).message}\n\n${USAGE}`, { cause: error });
  }
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new Error(`The port “${values.port}” is not a whole number from 0 to 65535.\n\n${USAGE}`);
  }
  const key = values.key ?? process.env.WIDE_QUILT_KEY ?? null;
  if (!LOOPBACK.includes(values.host) && (key === null || key.length < 8)) {
    throw new Error(
      `Listening on ${values.host} lets other machines in, so it needs --key with at least 8 characters.\n\n${USAGE}`,
    );
  }
  // The demo has a folder of its own, so that trying it never touches real work.
  const own = join(homedir(), ".local/share/wide-quilt", values.empty ? "work" : "demo");
  return { data: resolve(values.data ?? own), port, host: values.host, demo: !values.empty, key };
}
