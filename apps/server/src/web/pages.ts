import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import express, { Router, type NextFunction, type Request, type Response } from "express";
import { Refused } from "../data/refused.ts";
import type { Options } from "../options.ts";
import { sendProblem } from "../safety/problem.filter.ts";
import { Problem } from "../safety/problem.ts";
import { longestStall } from "./stalls.ts";

const DIST = fileURLToPath(new URL("../../web/dist", import.meta.url));

/** The header that says which build of the pages answers, so that a page of an older one notices. */
export const BUILD_HEADER = "X-Wide-Quilt-Build";

/**
 * The web pages: the one page for every address of a view, its files for ever, and plain answers at addresses that are
 * neither.
 */
export function pages({ base }: Pick<Options, "base">): Router {
  const source = indexPage();
  const build = createHash("sha256").update(source).digest("hex").slice(0, 12);
  const page = source
    .replaceAll('="./', `="${base}/`)
    .replace(
      "<head>",
      `<head>\n    <meta name="wide-quilt-base" content="${base}" />\n    <meta name="wide-quilt-build" content="${build}" />`,
    );
  const router = Router();
  router.use((_, response, next) => {
    response.setHeader(BUILD_HEADER, build);
    next();
  });
  router.get(
    "/health",
    (_, response) => void response.json({ ok: true, build, longestStall: longestStall() }),
  );
  router.get("/problems/:type", (request, response) => {
    response
      .type("text/plain")
      .send(
        `“${request.params.type}” is a kind of problem that Wide Quilt answers with (RFC 9457). What happened, what was kept and what to do is said in the answer itself.\n`,
      );
  });
  const files = express.static(DIST, { index: false, fallthrough: true });
  // Their names have the hash of what is in them.
  const assets = express.static(join(DIST, "assets"), { index: false, immutable: true, maxAge: "1y" });
  router.use("/assets", assets, missing);
  router.get("/", (_, response) => sendPage(response, page));
  router.use(files);
  router.get("/*path", (request: Request, response: Response, next) => {
    if (request.path === "/api" || request.path.startsWith("/api/")) return next();
    // A view has no ending; what has one was meant to be a file.
    if (/\.[a-z0-9]{1,5}$/i.test(request.path)) return missing(request, response);
    sendPage(response, page);
  });
  return router;
}

function indexPage(): string {
  try {
    return readFileSync(join(DIST, "index.html"), "utf8");
  } catch {
    throw new Refused("The web pages are not built. Run “npm run build”, then start again.");
  }
}

/** Takes what all addresses begin with off, where the proxy in front leaves it on. */
export const withoutBase =
  ({ base }: Pick<Options, "base">) =>
  (request: Request, _: Response, next: NextFunction): void => {
    if (base !== "" && (request.url === base || request.url.startsWith(`${base}/`)))
      request.url = request.url.slice(base.length) || "/";
    next();
  };

function sendPage(response: Response, page: string): void {
  response.setHeader("Cache-Control", "no-cache");
  response.type("html").send(page);
}

const missing = (_: Request, response: Response): void =>
  sendProblem(
    response,
    Problem.notFound("file", "There is no such file. Load the page again: it may be a newer one."),
  );
