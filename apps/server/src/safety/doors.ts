import { createHash, timingSafeEqual } from "node:crypto";
import type { NextFunction, Request, Response } from "express";
import { LOOPBACK, type Options } from "../options.ts";
import { Guesses } from "./guesses.ts";
import { sendProblem } from "./problem.filter.ts";
import { Problem } from "./problem.ts";

const COOKIE = "wide_quilt_key";

const PAGE_POLICY =
  "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; img-src 'self' blob: data:; style-src 'self' 'unsafe-inline'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";
/** The OpenAPI page brings its own inline scripts. */
const DOCS_POLICY =
  "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; script-src 'self' 'unsafe-inline'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'";

/** Whoever asks, as a proxy that is trusted says it, or as the line itself does. */
interface Caller {
  host: string;
  scheme: string;
  address: string;
}

/**
 * Who may come in: pages of our own alone, whatever other sites make a browser ask for (Host against DNS rebinding,
 * Origin and Sec-Fetch-Site against their scripts and pictures); and where there is a key, only those who have it.
 */
export function doors(options: Options) {
  const { host, key, base, trustsProxy } = options;
  const isLoopback = LOOPBACK.includes(host);
  const guesses = new Guesses();
  return (request: Request, response: Response, next: NextFunction): void => {
    const caller = callerOf(request, trustsProxy);
    setHeaders(request, response);
    if (isLoopback && !trustsProxy && !LOOPBACK.includes(hostName(caller.host))) {
      return refuse(response, "wrong-host", wrongHost(request));
    }
    const { origin } = request.headers;
    if (origin !== undefined && origin !== `${caller.scheme}://${caller.host}`) {
      return refuse(response, "wrong-origin", wrongOrigin(request, trustsProxy));
    }
    if (isFromElsewhere(request))
      return refuse(response, "wrong-origin", "Another page may not use Wide Quilt.");
    if (isForGuests(request)) return next();
    if (key !== null && !hasKey(request, response, { key, base, caller, guesses })) return;
    next();
  };
}

function setHeaders(request: Request, response: Response): void {
  response.setHeader("X-Content-Type-Options", "nosniff");
  response.setHeader("Referrer-Policy", "no-referrer");
  response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
  response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
  const isDocs = request.path.startsWith("/api/docs");
  response.setHeader("Content-Security-Policy", isDocs ? DOCS_POLICY : PAGE_POLICY);
}

/** Whether another site makes the browser ask (Fetch Metadata, W3C). Links to our pages may be followed from anywhere. */
function isFromElsewhere(request: Request): boolean {
  const site = request.headers["sec-fetch-site"];
  if (site !== "cross-site" && site !== "same-site") return false;
  const isVisit = request.headers["sec-fetch-mode"] === "navigate" && request.method === "GET";
  return !isVisit || request.path.startsWith("/api/");
}

/**
 * What guests of an event reach without a key: their pages, whose addresses nobody guesses, what those ask for, and the files
 * that every page is made of.
 */
const isForGuests = ({ path }: Request): boolean =>
  /^\/(g|t|api\/(guests|taken)|assets)\//.test(path) || path === "/icon.svg";

function callerOf(request: Request, trustsProxy: boolean): Caller {
  const line: Caller = {
    host: request.headers.host ?? "",
    scheme: request.secure ? "https" : "http",
    address: request.socket.remoteAddress ?? "",
  };
  if (!trustsProxy) return line;
  return {
    host: forwarded(request, "x-forwarded-host") ?? line.host,
    scheme: forwarded(request, "x-forwarded-proto") ?? line.scheme,
    // The proxy that is trusted adds who spoke to it at the end.
    address: forwarded(request, "x-forwarded-for", -1) ?? line.address,
  };
}

function forwarded(request: Request, name: string, at = 0): string | undefined {
  const value = request.headers[name];
  const parts = (Array.isArray(value) ? value.join(",") : (value ?? "")).split(",");
  return parts.at(at)?.trim() || undefined;
}

interface Keyed {
  key: string;
  base: string;
  caller: Caller;
  guesses: Guesses;
}

/** Lets in who has the key; one that came in the address is kept in a cookie and taken out of the address. */
function hasKey(request: Request, response: Response, { key, base, caller, guesses }: Keyed): boolean {
  if (guesses.areTooMany(caller.address)) {
    response.setHeader("Retry-After", "60");
    refuse(
      response,
      "too-many-guesses",
      "Too many wrong keys came from here. Wait a minute, then try again.",
      429,
    );
    return false;
  }
  const given = [bearerOf(request), cookieOf(request)].filter((one) => one !== undefined);
  if (given.some((one) => same(one, key))) return true;
  const inAddress = request.query.key;
  if (typeof inAddress === "string" && same(inAddress, key)) {
    response.cookie(COOKIE, key, {
      httpOnly: true,
      sameSite: "strict",
      secure: caller.scheme === "https",
      path: base === "" ? "/" : base,
      encode: encodeURIComponent,
    });
    // One slash: an address that begins with two would lead to another machine.
    response.redirect(303, `${base}/${request.path.replace(/^\/+/, "")}`);
    return false;
  }
  if (given.length > 0 || inAddress !== undefined) guesses.wrong(caller.address);
  refuse(
    response,
    "key-needed",
    "This Wide Quilt needs a key: open its address with ?key= and the key.",
    401,
  );
  return false;
}

const bearerOf = ({ headers }: Request): string | undefined =>
  headers.authorization?.startsWith("Bearer ") ? headers.authorization.slice(7) : undefined;

function cookieOf({ headers }: Request): string | undefined {
  const own = (headers.cookie ?? "")
    .split(";")
    .map((one) => one.trim())
    .find((one) => one.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1);
  try {
    return own && decodeURIComponent(own);
  } catch {
    return own;
  }
}

/** Compared by hashes, which are of one length: how long it takes says nothing of the key. */
const same = (a: string, b: string): boolean => {
  const [left, right] = [a, b].map((one) => createHash("sha256").update(one).digest());
  return timingSafeEqual(left!, right!);
};

/** The name in a Host header, without its port and without the brackets of IPv6 (RFC 3986, 3.2.2). */
const hostName = (host: string): string =>
  host.startsWith("[") ? host.slice(1, host.indexOf("]")) : host.replace(/:\d+$/, "");

const wrongHost = ({ headers }: Request): string =>
  headers["x-forwarded-host"] === undefined
    ? "This address is not one that Wide Quilt answers to. To be reached from other machines it is started with --host ADDRESS --key KEY."
    : "A proxy passed this on, and Wide Quilt was not told of one. Start it with --trust-proxy --key KEY, and with --base /PATH where its pages do not lie at the root.";

const wrongOrigin = ({ headers }: Request, trustsProxy: boolean): string => {
  const viaProxy = headers["x-forwarded-host"] ?? headers["x-forwarded-proto"] ?? headers["x-forwarded-for"];
  if (viaProxy === undefined) return "Another page may not use Wide Quilt.";
  return trustsProxy
    ? "The page’s address is not the one that the proxy names. Let it set X-Forwarded-Host and X-Forwarded-Proto."
    : "A proxy passed this on, and Wide Quilt was not told of one. Start it with --trust-proxy --key KEY.";
};

function refuse(response: Response, type: string, detail: string, status = 403): void {
  sendProblem(response, new Problem(status, type, "Not let in", detail));
}
