import { readFileSync } from "node:fs";
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
  /** Needed from every caller; null on loopback where none was given. */
  key: string | null;
  /** What the pages' addresses begin with behind a proxy: "" or "/prints". */
  base: string;
  /** Whether what a proxy says of the caller is believed (X-Forwarded-*). */
  trustsProxy: boolean;
  /** Ports that printers are spoken to at; null for any. */
  printerPorts: ReadonlySet<number> | null;
  /** The files of a certificate and its key; “own” for one that is made here; null for plain HTTP. */
  tls: { cert: string; key: string } | "own" | null;
  /** Whether the page is opened in the browser. */
  opens: boolean;
}

const USAGE = `Usage: npm start -- [--data DIR] [--port N] [--empty] [--open] [--host ADDRESS --key KEY]

  --data DIR      where photos, jobs and written files are kept
  --port N        the port to listen on, 0 for any free one (4177)
  --empty         without the demo's photos and jobs
  --open          opens the page in the browser
  --host ADDRESS  the address to listen on (127.0.0.1); any other needs a key
  --key KEY       what a browser has to open the page with: http://ADDRESS:N/?key=KEY
  --key-file FILE a file with the key; or set WIDE_QUILT_KEY or WIDE_QUILT_KEY_FILE
  --tls CERT KEY  speaks HTTPS with a certificate and its key, both in files (PEM); with --tls own
                  Wide Quilt makes a certificate, and a page says how other computers accept it
  --trust-proxy   behind a proxy that sets X-Forwarded-Host, -Proto and -For; needs a key
  --base /PATH    what the addresses of the pages begin with behind such a proxy
  --printer-ports further ports that printers are spoken to at: 9631,9632 or any (631 and 8630 to 8649)`;

export const LOOPBACK = ["127.0.0.1", "localhost", "::1"];

/** The shortest key that is taken. */
const SHORTEST_KEY = 8;

/** Reads the command line. Throws an Error with a sentence and the usage. */
export function readOptions(args: string[]): Options {
  const { values, positionals } = parsed(args);
  if (values.help) throw new Usage(USAGE);
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw usage(`The port “${values.port}” is not a whole number from 0 to 65535.`);
  }
  const key = keyOf(values);
  const host = values.host.replace(/^\[(.*)\]$/, "$1");
  const isOpen = !LOOPBACK.includes(host) || values["trust-proxy"];
  if (key !== null && key.length < SHORTEST_KEY) {
    throw usage(`The key is too short: it needs at least ${SHORTEST_KEY} characters.`);
  }
  if (isOpen && key === null) {
    const what = values["trust-proxy"] ? "Being behind a proxy" : `Listening on ${host}`;
    throw usage(
      `${what} lets other machines in, so it needs --key with at least ${SHORTEST_KEY} characters.`,
    );
  }
  // The demo has a folder of its own, so that trying it never touches real work.
  const own = join(homedir(), ".local/share/wide-quilt", values.empty ? "work" : "demo");
  return {
    // A relative folder lies where the command was given.
    data:
      values.data === undefined ? own : resolve(process.env.WIDE_QUILT_FROM ?? process.cwd(), values.data),
    port,
    host,
    demo: !values.empty,
    key,
    base: baseOf(values.base),
    trustsProxy: values["trust-proxy"],
    printerPorts: portsOf(values["printer-ports"]),
    tls: tlsOf(values.tls, positionals),
    opens: values.open,
  };
}

function parsed(args: string[]) {
  try {
    return parseArgs({
      args,
      allowPositionals: true,
      options: {
        data: { type: "string" },
        port: { type: "string", default: "4177" },
        host: { type: "string", default: "127.0.0.1" },
        key: { type: "string" },
        tls: { type: "string" },
        "key-file": { type: "string" },
        empty: { type: "boolean", default: false },
        open: { type: "boolean", default: false },
        "trust-proxy": { type: "boolean", default: false },
        base: { type: "string", default: "" },
        "printer-ports": { type: "string", default: "" },
        help: { type: "boolean", default: false },
      },
    });
  } catch (error) {
    throw usage((error as Error).message);
  }
}

function tlsOf(cert: string | undefined, [key, ...more]: string[]): Options["tls"] {
  const isOwn = cert === undefined || cert === "own";
  const unknown = isOwn ? key : more[0];
  if (unknown !== undefined) throw usage(`“${unknown}” is not understood.`);
  if (cert === undefined) return null;
  if (cert === "own") return "own";
  if (key === undefined)
    throw usage("--tls needs the file of the certificate and that of its key, or “own”.");
  const from = process.env.WIDE_QUILT_FROM ?? process.cwd();
  return { cert: resolve(from, cert), key: resolve(from, key) };
}

function keyOf(values: { key?: string; "key-file"?: string }): string | null {
  if (values.key !== undefined) return values.key;
  const file = values["key-file"] ?? process.env.WIDE_QUILT_KEY_FILE;
  if (file === undefined) return process.env.WIDE_QUILT_KEY ?? null;
  try {
    return readFileSync(resolve(process.env.WIDE_QUILT_FROM ?? process.cwd(), file), "utf8").trim();
  } catch {
    throw usage(`The file of the key, ${file}, cannot be read.`);
  }
}

function baseOf(text: string): string {
  const base = text.replace(/\/+$/, "");
  if (base === "" || /^(\/[A-Za-z0-9._~-]+)+$/.test(base)) return base;
  throw usage(`The base “${text}” is not a path such as /prints.`);
}

/** The port of IPP (RFC 8010, 6), and where printers made of software listen. */
const PRINTER_PORTS = [631, ...Array.from({ length: 20 }, (_, i) => 8630 + i)];

function portsOf(text: string): ReadonlySet<number> | null {
  if (text === "any") return null;
  const more = text === "" ? [] : text.split(",").map(Number);
  const wrong = more.find((port) => !Number.isInteger(port) || port < 1 || port > 65_535);
  if (wrong === undefined) return new Set([...PRINTER_PORTS, ...more]);
  throw usage(`The printer ports “${text}” are neither numbers with commas between nor “any”.`);
}

/** What is wrong with a command line, with how it is to be. */
export class Usage extends Error {}

const usage = (why: string): Usage => new Usage(`${why}\n\n${USAGE}`);
