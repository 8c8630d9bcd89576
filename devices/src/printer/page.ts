import { readFileSync } from "node:fs";
import type { IncomingMessage, ServerResponse } from "node:http";
import { basename } from "node:path";
import type { Model } from "./models.ts";

/** What the page shows of a machine, and what can be done to it there. */
export interface Shown {
  model: Model;
  address: string;
  hasPaper: boolean;
  prints: readonly string[];
  putPaper(sheets: number): void;
}

const escaped = (text: string): string => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;");

/** Answers a browser: the prints as pictures, and the tray, which can be emptied and filled. */
export function servePage(machine: Shown, request: IncomingMessage, response: ServerResponse): void {
  const { pathname, searchParams } = new URL(request.url ?? "/", "http://printer");
  const print = machine.prints.find((path) => pathname === `/prints/${basename(path)}`);
  if (print) {
    response.writeHead(200, { "Content-Type": "image/png" }).end(readFileSync(print));
    return;
  }
  if (request.method === "POST" && pathname === "/paper") {
    machine.putPaper(Math.max(0, Number(searchParams.get("sheets")) || 0));
    response.writeHead(303, { Location: "/" }).end();
    return;
  }
  const pictures = machine.prints.map((path) => {
    const name = basename(path);
    return `<figure><img src="/prints/${name}" alt="Print ${name}" height="320"><figcaption>${name}</figcaption></figure>`;
  });
  const tray = (sheets: number, says: string) =>
    `<form method="post" action="/paper?sheets=${sheets}"><button>${says}</button></form>`;
  response.writeHead(200, { "Content-Type": "text/html; charset=utf-8" }).end(
    `<!doctype html><html lang="en"><title>${escaped(machine.model.name)}</title>
<style>body{font:15px sans-serif;margin:2em;background:#c9cbcd}figure{display:inline-block;margin:1em}img{background:#fff;box-shadow:0 2px 8px #0005}form{display:inline}</style>
<h1>${escaped(machine.model.name)}, simulated</h1>
<p>${escaped(machine.address)} · ${machine.hasPaper ? "has paper" : "out of paper"}</p>
${tray(0, "Take the paper out")} ${tray(100, "Put 100 sheets in")}
<h2>Printed</h2>${pictures.reverse().join("\n") || "<p>Nothing yet.</p>"}</html>`,
  );
}
