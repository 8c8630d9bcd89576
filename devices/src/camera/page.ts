import type { IncomingMessage, ServerResponse } from "node:http";

/** What the page shows of a camera, and what can be done with it there. */
interface Shown {
  folder: string;
  written: readonly string[];
  hasCard: boolean;
  isShooting: boolean;
  breaksOff: boolean;
  shoot(burst: number): Promise<void>;
  every(milliseconds: number | null): void;
  pullCard(): void;
  putCard(): void;
}

const MOST_BURST = 50;
const LEAST_INTERVAL = 0.2;

/** What a press on the page does. */
const ACTS: Record<string, (camera: Shown, figure: number) => void> = {
  "/shutter": (camera, burst) => void camera.shoot(Math.min(MOST_BURST, Math.max(1, Math.round(burst) || 1))),
  "/every": (camera, seconds) => camera.every(seconds > 0 ? Math.max(LEAST_INTERVAL, seconds) * 1000 : null),
  "/pull": (camera) => camera.pullCard(),
  "/put": (camera) => camera.putCard(),
  "/break": (camera) => {
    camera.breaksOff = true;
  },
};

/** Answers a browser, or a command such as `curl -X POST http://localhost:8650/shutter?n=5`. */
export function serveCameraPage(camera: Shown, request: IncomingMessage, response: ServerResponse): void {
  const { pathname, searchParams } = new URL(request.url ?? "/", "http://camera");
  const act = ACTS[pathname];
  if (request.method === "POST" && act) {
    act(camera, Number(searchParams.get("n")));
    response.writeHead(303, { Location: "/" }).end();
    return;
  }
  const press = (path: string, says: string) =>
    `<form method="post" action="${path}"><button>${says}</button></form>`;
  response.writeHead(200, { "Content-Type": "text/html; charset=utf-8" }).end(
    `<!doctype html><html lang="en"><title>Simulated camera</title>
<style>body{font:15px sans-serif;margin:2em;background:#c9cbcd}form{display:inline}button{font:inherit;padding:.5em 1em}</style>
<h1>Simulated camera</h1>
<p>Writes to ${escaped(camera.folder)} · ${camera.hasCard ? "its card is in" : "its card is pulled"}${camera.isShooting ? " · shoots by itself" : ""}</p>
<p>${press("/shutter", "Shutter")} ${press("/shutter?n=5", "A burst of five")} ${camera.isShooting ? press("/every", "Stop shooting") : press("/every?n=3", "Every 3 seconds")}</p>
<p>${camera.hasCard ? press("/pull", "Pull the card") : press("/put", "Put the card in")} ${press("/break", "Break the next picture off")}</p>
<h2>Written</h2><ol reversed>${[...camera.written]
      .reverse()
      .map((name) => `<li>${escaped(name)}</li>`)
      .join("")}</ol></html>`,
  );
}

const escaped = (text: string): string => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;");
