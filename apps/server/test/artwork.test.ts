import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { CARD_WINDOWS, cardArtwork, cardPng } from "@wide-quilt/demo";
import type { ArtView, GraphicView, ProblemBody } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

async function add(name: string, bytes: Uint8Array): Promise<GraphicView & ProblemBody> {
  const form = new FormData();
  form.append("graphic", new Blob([new Uint8Array(bytes)]), name);
  const answer = await fetch(`${server.address}/api/graphics`, { method: "POST", body: form });
  return (await answer.json()) as GraphicView & ProblemBody;
}
const windows = (id: string, search = "") =>
  client.ask<ArtView & ProblemBody>("GET", `/graphics/${id}/windows${search}`);

describe("the windows of an artwork", () => {
  it("are found where they were cut, in PNG and in SVG", async () => {
    const { id } = await add("card.png", cardPng());
    const { body } = await windows(id);
    expect([body.width, body.height, body.windows.length]).toEqual([1200, 1800, 3]);
    body.windows.forEach(({ x, y, angle }, i) => {
      expect(Math.abs(x - CARD_WINDOWS[i]!.x)).toBeLessThan(1);
      expect(Math.abs(y - CARD_WINDOWS[i]!.y)).toBeLessThan(1);
      expect(Math.abs(angle - CARD_WINDOWS[i]!.angle)).toBeLessThan(0.1);
    });
    const drawn = await windows((await add("card.svg", Buffer.from(cardArtwork()))).id);
    expect([drawn.body.width, drawn.body.height, drawn.body.windows.length]).toEqual([2000, 3000, 3]);
  });

  it("are looked for as it is said: smaller ones than asked for are none, and figures are checked", async () => {
    const { id } = await add("card.png", cardPng());
    // The first is 940 × 640 px, both others are less than 600 wide.
    expect((await windows(id, "?least=600")).body.windows).toHaveLength(1);
    expect((await windows(id, "?threshold=0")).status).toBe(400);
    expect((await windows(id, "?least=x")).status).toBe(400);
    expect((await windows("0".repeat(64))).body.detail).toMatch(/^This graphic is not here/);
    expect((await windows("..%2F..%2Fetc")).status).toBe(404);
  });

  it("of files that are none are told in a sentence; the next one is taken", async () => {
    const flat = await sharp({ create: { width: 300, height: 300, channels: 3, background: "#888888" } })
      .png()
      .toBuffer();
    const { id } = await add("flat.png", flat);
    expect((await windows(id)).body.windows).toEqual([]);
    // 20 000 × 20 000 pixels of nothing are half a megabyte of file and 1.6 GB of picture.
    const huge = await sharp({
      create: { width: 20_000, height: 20_000, channels: 4, background: "#00000000" },
      limitInputPixels: false,
    })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect((await add("huge.png", huge)).detail).toMatch(/more than 60 million pixels/);
    const bomb = `<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10">${"<g>".repeat(50_000)}</svg>`;
    expect((await add("bomb.svg", Buffer.from(bomb))).detail).toMatch(/^“bomb.svg”: /);
    expect((await add("cut.png", cardPng().subarray(0, 4000))).detail).toMatch(/^“cut.png”: /);
    expect((await add("card.png", cardPng())).id).toHaveLength(64);
  });

  it("are many: ten thousand specks and two hundred windows at most, within the time for a small file", async () => {
    const holes = Array.from(
      { length: 2500 },
      (_, i) => `M${(i % 50) * 60 + 10} ${Math.floor(i / 50) * 60 + 10}h40v40h-40z`,
    ).join("");
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="3000" height="3000"><path fill="#345" fill-rule="evenodd" d="M0 0H3000V3000H0z${holes}"/></svg>`;
    const { id } = await add("many.png", await sharp(Buffer.from(svg)).png().toBuffer());
    const { body } = await windows(id, "?least=30");
    expect(body.windows).toHaveLength(200);
  });
});

it("an artwork is widened by its edge: as many pixels more, its windows where they are in it", async () => {
  const { id } = await add("card.png", cardPng());
  const wide = await client.ask<GraphicView>("POST", `/graphics/${id}/widened`, {
    ...{ name: "card.png", top: 32, right: 32, bottom: 32, left: 32 },
  });
  const { body } = await windows(wide.body.id);
  expect([body.width, body.height]).toEqual([1264, 1864]);
  expect(Math.abs(body.windows[0]!.x - CARD_WINDOWS[0]!.x - 32)).toBeLessThan(1);
  const refused = await client.ask<ProblemBody>("POST", `/graphics/${id}/widened`, { name: "x", top: -1 });
  expect(refused.status).toBe(400);
});
