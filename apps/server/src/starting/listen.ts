import { createServer, type RequestListener, type Server } from "node:http";
import { createServer as createSecureServer, type Server as SecureServer } from "node:https";
import { expectFree } from "../data/claim.ts";
import { Refused } from "../data/refused.ts";
import type { Options } from "../options.ts";
import { Problem } from "../safety/problem.ts";

/** A server that has its port, and answers that it is starting until it is given something else to answer with. */
export interface Listening {
  address: string;
  port: number;
  /** Has HTTPS spoken with a certificate; until then nobody who speaks it is understood. */
  secure(certificate: { cert: string; key: string }): void;
  answerWith(listener: RequestListener): void;
  close(): Promise<void>;
}

/** How long a line that nobody uses is kept, in milliseconds. */
const KEEP_ALIVE = 75_000;
/** How long what is under way has to come to its end when the server stops, in milliseconds. */
const GRACE = 1500;

/** Takes the port. Throws `Refused` where it is taken, and `AlreadyRunning` where a server of ours over the folder has it. */
export async function listen({ port, host, data, base, tls }: Options): Promise<Listening> {
  let answer: RequestListener = starting;
  const listener: RequestListener = (request, response) => answer(request, response);
  const server = tls === null ? createServer(listener) : createSecureServer(listener);
  // Longer than browsers and proxies keep a line that nobody uses: whoever closes it first must not be us.
  server.keepAliveTimeout = KEEP_ALIVE;
  server.headersTimeout = KEEP_ALIVE + 5000;
  server.on("clientError", (error, socket) => {
    // What is no HTTP is told so in the same form as everything else that is refused.
    if (socket.writable) socket.end(notHttp(error.message));
  });
  await new Promise<void>((resolve, reject) => {
    server.once("error", (error: NodeJS.ErrnoException) => {
      try {
        reject(refused(error, { port, host, data }));
      } catch (running) {
        reject(running as Error);
      }
    });
    server.listen(port, host, resolve);
  });
  const name = host.includes(":") ? `[${host}]` : host;
  const { port: own } = server.address() as { port: number };
  return {
    address: `${tls === null ? "http" : "https"}://${name}:${own}${base}/`,
    port: own,
    secure: ({ cert, key }) => (server as SecureServer).setSecureContext({ cert, key }),
    answerWith: (listener) => (answer = listener),
    close: () => closed(server),
  };
}

function refused(
  error: NodeJS.ErrnoException,
  { port, host, data }: Pick<Options, "port" | "host" | "data">,
): Error {
  switch (error.code) {
    case "EADDRINUSE":
      expectFree(data);
      return new Refused(`The port ${port} is taken by another program. Choose another one with --port N.`);
    case "EACCES":
      return new Refused(
        `The port ${port} may not be listened on by you. Choose one above 1023 with --port N.`,
      );
    case "EADDRNOTAVAIL":
    case "ENOTFOUND":
      return new Refused(`${host} is no address of this machine. Choose another one with --host ADDRESS.`);
    default:
      return error;
  }
}

function notHttp(why: string): string {
  const sentence = `This is no request that is understood: ${why.replace(/^Parse Error: /, "")}.`;
  const body = JSON.stringify(new Problem(400, "bad-request", "Not understood", sentence).body());
  return `HTTP/1.1 400 Bad Request\r\nConnection: close\r\nContent-Type: application/problem+json\r\nContent-Length: ${Buffer.byteLength(body)}\r\n\r\n${body}`;
}

const starting: RequestListener = (_, response) => {
  response.writeHead(503, { "Content-Type": "text/plain; charset=utf-8", "Retry-After": "1", Refresh: "1" });
  response.end("Wide Quilt is starting …\n");
};

async function closed(server: Server | SecureServer): Promise<void> {
  const over = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  const timer = setTimeout(() => server.closeAllConnections(), GRACE);
  await over;
  clearTimeout(timer);
}
