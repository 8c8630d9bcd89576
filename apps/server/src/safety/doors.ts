import { timingSafeEqual } from "node:crypto";
import type { NextFunction, Request, Response } from "express";
import { LOOPBACK, type Options } from "../options.ts";
import { Problem } from "./problem.ts";

const COOKIE = "wide_quilt_key";

const PAGE_POLICY =
  "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; img-src 'self' blob: data:; style-src 'self' 'unsafe-inline'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";
/** The OpenAPI page brings its own inline scripts. */
const DOCS_POLICY =
  "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; script-src 'self' 'unsafe-inline'";

/**
 * Who may come in: on loopback only pages of our own (a Host that is loopback, against DNS rebinding, and an Origin
 * that is ours, against other sites' scripts); beyond loopback only with the key.
 */
export function doors({ host, key }: Options) {
  const loopback = LOOPBACK.includes(host);
  return (request: Request, response: Response, next: NextFunction): void => {
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("Referrer-Policy", "no-referrer");
    response.setHeader(
      "Content-Security-Policy",
      request.path.startsWith("/api/docs") ? DOCS_POLICY : PAGE_POLICY,
    );
    const named = request.headers.host ?? "";
    if (loopback && !LOOPBACK.includes(hostName(named))) {
      return refuse(response, "wrong-host", "This address is not one that Wide Quilt answers to.");
    }
    const { origin } = request.headers;
    if (origin !== undefined && originHost(origin) !== named) {
      return refuse(response, "wrong-origin", "Another page may not use Wide Quilt.");
    }
    if (!loopback && key !== null && !hasKey(request, response, key)) return;
    next();
  };
}

/** Lets in who has the key; one that came in the address is kept in a cookie and taken out of the address. */
function hasKey(request: Request, response: Response, key: string): boolean {
  const bearer = /^Bearer (.+)$/.exec(request.headers.authorization ?? "")?.[1];
  const cookie = new RegExp(`(?:^|; )${COOKIE}=([^;]+)`).exec(request.headers.cookie ?? "")?.[1];
  if ([bearer, cookie && decodeURIComponent(cookie)].some((given) => given && same(given, key))) return true;
  const inAddress = request.query.key;
  if (typeof inAddress === "string" && same(inAddress, key)) {
    response.cookie(COOKIE, key, { httpOnly: true, sameSite: "strict", encode: encodeURIComponent });
    response.redirect(303, request.path);
    return false;
  }
  refuse(
    response,
    "key-needed",
    "This Wide Quilt needs a key: open its address with ?key= and the key.",
    401,
  );
  return false;
}

const same = (a: string, b: string): boolean => {
  const [left, right] = [Buffer.from(a), Buffer.from(b)];
  return left.length === right.length && timingSafeEqual(left, right);
};

const hostName = (host: string): string => host.replace(/:\d+$/, "").replace(/^\[(.*)\]$/, "$1");

const originHost = (origin: string): string => {
  try {
    return new URL(origin).host;
  } catch {
    return "";
  }
};

function refuse(response: Response, type: string, detail: string, status = 403): void {
  const problem = new Problem(status, type, "Not let in", detail);
  response.status(status).type("application/problem+json").send(JSON.stringify(problem.body()));
}
