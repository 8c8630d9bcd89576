import { mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  chance,
  FOLDER_LANE,
  PRINTERS,
  type EventEntry,
  type EventSetup,
  type EventState,
} from "@wide-quilt/core";
import { MODELS, SimulatedCamera, SimulatedPrinter } from "@wide-quilt/devices";
import type { EventView, GuestView, ProblemBody, TakenIn } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { times } from "../testing/times.ts";
import { Client, testFolder } from "./client.ts";

const STRIP = "ships-strip-of-three";

let server: Server;
let client: Client;
let data: string;
beforeAll(async () => {
  data = testFolder();
  server = await Server.start(data);
  client = new Client(server);
});
afterAll(() => server.kill());

/** A photo of its own. */
const picture = (shot: number): Promise<Buffer> =>
  sharp({
    create: {
      width: 900,
      height: 600,
      channels: 3,
      background: { r: 40 * (shot % 6), g: (7 * shot) % 256, b: (29 * shot) % 256 },
    },
  })
    .jpeg({ quality: 100 })
    .toBuffer();

const begin = async (of: Client, change: Partial<EventSetup> = {}): Promise<string> => {
  const { body } = await of.ask<EventView>("POST", "/events", { name: "Open day", patterns: [STRIP] });
  await setUp(of, body, change);
  return body.id;
};
const setUp = (of: Client, { id, state }: EventView, change: Partial<EventSetup>) =>
  of.ask<ProblemBody>("PUT", `/events/${id}/setup`, { setup: { ...state.setup, ...change } });
const view = async (id: string, of = client) => (await of.ask<EventView>("GET", `/events/${id}`)).body;
const tell = (id: string, entry: EventEntry, of = client) =>
  of.ask<ProblemBody>("POST", `/events/${id}/entries`, { entry });
const shoot = async (id: string, shot: number) =>
  (await client.ask<TakenIn>("POST", `/events/${id}/shots?name=shot-${shot}.jpg`, await picture(shot))).body;
const setsOf = ({ state }: EventView) =>
  state.sets.map(({ shots }) => shots.map((shot) => shot?.name ?? null));
const printed = ({ prints }: EventState) => prints.filter(({ state }) => state === "printed").length;

describe("an event", () => {
  it("fills sets from its page, lets guests look, and writes what they accept", async () => {
    const id = await begin(client);
    for (const shot of [1, 2, 3]) expect(await shoot(id, shot)).toHaveProperty("photo");
    expect((await view(id)).state.sets[0]!.state).toBe("shown");
    await tell(id, { do: "retake", set: 1, place: 2 });
    await shoot(id, 4);
    expect(setsOf(await view(id))).toEqual([["shot-1.jpg", "shot-4.jpg", "shot-3.jpg"]]);
    expect(await tell(id, { do: "accept", set: 1, copies: 2 })).toMatchObject({ status: 204 });
    await expect.poll(async () => printed((await view(id)).state), { timeout: 60_000 }).toBe(2);
    const written = readdirSync(join(data, "out", "Open day")).sort();
    expect(written).toHaveLength(2);
    // A pair on 10 × 15 cm at 300 ppi, the same twice: the left half of the picture is the right one, to the pixel.
    const path = join(data, "out", "Open day", written[0]!);
    const { width, height } = await sharp(path).metadata();
    expect([width, height]).toEqual([1200, 1800]);
    const half = (left: number) =>
      sharp(path).extract({ left, top: 60, width: 590, height: 1700 }).raw().toBuffer();
    const [one, other] = [await half(5), await half(605)];
    expect(
      one.reduce((most, value, i) => Math.max(most, Math.abs(value - other[i]!)), 0),
    ).toBeLessThanOrEqual(40);
    // Its three photos are seen by their colours, in their places: 3 × 39.1 mm from 5 mm on, 3 mm apart.
    const colours = await Promise.all(
      [24, 66, 108].map(async (y) => {
        const box = { left: 280, top: Math.round((y * 300) / 25.4), width: 20, height: 20 };
        return (await sharp(path).extract(box).resize(1, 1).raw().toBuffer())[0]!;
      }),
    );
    expect(colours.map((red) => Math.round(red / 40))).toEqual([1, 4, 3]);
  }, 120_000);

  it("takes what a camera writes into its folder, in order; what lay there before only where it is asked to", async () => {
    const folder = join(testFolder(), "card");
    mkdirSync(folder);
    for (const shot of [201, 202]) writeFileSync(join(folder, `OLD_${shot}.JPG`), await picture(shot));
    const id = await begin(client, { folder, review: false });
    expect((await view(id)).about.folder).toEqual({ before: 2, fault: null });
    const camera = new SimulatedCamera({ folder, sees: (shot) => picture(300 + shot), pace: 120 });
    await camera.shoot(4);
    await expect.poll(async () => (await view(id)).state.sets.length, { timeout: 20_000 }).toBe(2);
    expect(setsOf(await view(id))).toEqual([
      ["IMG_0001.JPG", "IMG_0002.JPG", "IMG_0003.JPG"],
      ["IMG_0004.JPG", null, null],
    ]);
    expect((await client.ask("POST", `/events/${id}/old-photos`)).status).toBe(204);
    const all = async () =>
      setsOf(await view(id))
        .flat()
        .filter(Boolean)
        .sort();
    await expect.poll(all, { timeout: 20_000 }).toHaveLength(6);
    // Nothing came twice, though all of the folder was looked at again.
    expect(new Set(await all()).size).toBe(6);
    writeFileSync(join(folder, "film.jpg"), "no photo at all");
    const refused = async () => (await view(id)).about.refused.map(({ name }) => name);
    await expect.poll(refused, { timeout: 20_000 }).toContain("film.jpg");
    await tell(id, { do: "end" });
    expect((await view(id)).about.folder).toBeNull();
    expect(await shoot(id, 9)).toHaveProperty("refused");
  }, 120_000);

  it("says in a sentence what it does not understand, and keeps what it was", async () => {
    const id = await begin(client);
    const before = await view(id);
    const wrong = (path: string, body: unknown) => client.ask<ProblemBody>("POST", path, body);
    expect((await wrong("/events", { name: " ", patterns: [STRIP] })).status).toBe(400);
    expect((await wrong("/events", { name: "x", patterns: ["none"] })).status).toBe(404);
    expect((await wrong(`/events/${id}/entries`, { entry: { do: "printed", print: 1 } })).status).toBe(422);
    expect((await wrong(`/events/${id}/entries`, { entry: { do: "accept", set: -1 } })).status).toBe(422);
    expect((await wrong("/events/gone/entries", { entry: { do: "hold" } })).status).toBe(404);
    for (const [change, why] of [
      [{ copies: 0 }, "copies"],
      [{ printers: [] }, "printer"],
      [{ until: "five" }, "a day and a time"],
    ] as const) {
      const { status, body } = await setUp(client, before, change as Partial<EventSetup>);
      expect([status, body.detail.includes(why)]).toEqual([422, true]);
    }
    const far = await setUp(client, before, { folder: "/nowhere/at/all" });
    expect([far.status, far.body.detail]).toEqual([422, expect.stringContaining("is not there")]);
    expect((await view(id)).state.sets).toEqual([]);
  });

  it("lets nobody leave the guests’ page without the PIN", async () => {
    const id = await begin(client);
    const leave = (pin: string) => client.ask<ProblemBody>("POST", `/events/${id}/leave`, { pin });
    const { state } = await view(id);
    expect((await client.ask("PUT", `/events/${id}/setup`, { setup: state.setup, pin: "4711" })).status).toBe(
      204,
    );
    expect([(await leave("1234")).status, (await leave("4711")).status]).toEqual([403, 204]);
    expect(JSON.stringify(await view(id))).not.toContain("4711");
  });
});

describe("killed at any moment", () => {
  it("it goes on where it was: every set is printed exactly as often as it was asked for", async () => {
    const KILLS = times(8, 150);
    const folder = join(testFolder(), "card");
    const lab = MODELS.find(({ id }) => id === "lab")!;
    const printers = await Promise.all(
      ["one", "two"].map(async (name) => ({
        id: name,
        device: await new SimulatedPrinter(lab, { folder: join(testFolder(), name), pace: 60 }).start(),
      })),
    );
    const own = testFolder();
    let house = await Server.start(own);
    let window = new Client(house);
    for (const { id, device } of printers)
      await window.ask("PUT", `/printers/${id}`, { ...PRINTERS[0]!, id, name: id, address: device.address });
    mkdirSync(folder);
    const id = await begin(window, {
      ...{ folder, review: false, copies: 2 },
      printers: printers.map((one) => one.id),
    });
    const sets = Math.max(6, Math.round(KILLS / 3));
    const camera = new SimulatedCamera({ folder, sees: (shot) => picture(shot + 1), pace: 50 });
    const shooting = (async () => {
      for (let i = 0; i < sets * 3; i++) {
        await camera.shoot();
        await new Promise((go) => setTimeout(go, 250));
      }
    })();
    const pause = chance(11);
    const [first, second] = printers as [(typeof printers)[0], (typeof printers)[0]];
    for (let kill = 0; kill < KILLS; kill++) {
      await new Promise((go) => setTimeout(go, pause() * 1200));
      // One runs out of paper, the other is busy or goes away now and then: before it heard anything, or after it printed.
      if (kill % 5 === 1) first.device.putPaper(0);
      if (kill % 5 === 3) first.device.putPaper(Infinity);
      const away = (["busy", "cut before", "cut after"] as const)[kill % 3]!;
      second.device.fault = kill % 4 === 2 ? () => away : null;
      await house.kill();
      house = await Server.start(own);
      window = new Client(house);
    }
    first.device.putPaper(Infinity);
    second.device.fault = null;
    await shooting;
    /** A person who looks into the tray answers what came out. */
    const settled = async (): Promise<number> => {
      const { state } = await view(id, window);
      for (const print of state.prints) {
        const run = `${id}-print-${print.number}-${print.attempt}`;
        const cameOut = printers.some(({ device }) => device.names.some((name) => name.includes(run)));
        if (print.state === "doubt") await tell(id, { do: "answer", print: print.number, cameOut }, window);
        if (print.state === "failed") await tell(id, { do: "try again", print: print.number }, window);
      }
      return printed(state);
    };
    await expect.poll(settled, { timeout: 120_000 }).toBe(sets * 2);
    const { state } = await view(id, window);
    expect(state.sets.map(({ shots }) => shots.every(Boolean))).toEqual(Array(sets).fill(true));
    const all = state.sets.flatMap(({ shots }) => shots.map((shot) => shot!.photo));
    expect(new Set(all).size).toBe(sets * 3);
    // Counted where paper comes out: two of each set, and of each print one.
    const out = printers.flatMap(({ device }) => device.names);
    const numbers = out.map((name) => Number(/-print-(\d+)-/.exec(name)![1])).sort((a, b) => a - b);
    expect(numbers).toEqual(Array.from({ length: sets * 2 }, (_, i) => i + 1));
    await house.kill();
    for (const { device } of printers) await device.stop();
  }, 1_200_000);
});

it("writes to the folder where no printer is chosen", async () => {
  expect((await view(await begin(client))).state.setup.printers).toEqual([FOLDER_LANE]);
});

describe("telephones of guests", () => {
  const phone = () => `phone-${crypto.randomUUID().replaceAll("-", "")}`;
  const opened = async () => {
    const id = await begin(client, { telephones: true });
    return { id, token: (await view(id)).guests };
  };
  const send = async (token: string, party: string, shot: number) =>
    client.ask<TakenIn & ProblemBody>(
      "POST",
      `/guests/${token}/shots?party=${party}&name=a${shot}.jpg`,
      await picture(shot),
    );
  const seen = async (token: string, party: string) =>
    client.ask<GuestView & ProblemBody>("GET", `/guests/${token}?party=${party}`);

  it("fill sets of their own, take shots back and have them printed; the link ends with the event", async () => {
    const { id, token } = await opened();
    const [one, other] = [phone(), phone()];
    await send(token, one, 11);
    await send(token, other, 12);
    await send(token, one, 13);
    await client.ask("POST", `/guests/${token}/acts?party=${one}`, { act: "retake", place: 1 });
    await send(token, one, 14);
    await send(token, one, 15);
    expect((await seen(token, one)).body.set).toMatchObject({ state: "shown", before: null, out: false });
    expect((await seen(token, other)).body.set!.shots.filter(Boolean)).toHaveLength(1);
    expect(setsOf(await view(id))).toEqual([
      ["a14.jpg", "a13.jpg", "a15.jpg"],
      ["a12.jpg", null, null],
    ]);
    const acted = await client.ask("POST", `/guests/${token}/acts?party=${one}`, { act: "print", copies: 1 });
    expect(acted.status).toBe(204);
    const isOut = async () => (await seen(token, one)).body.set!.out;
    await expect.poll(isOut, { timeout: 60_000 }).toBe(true);
    // One telephone does not print another’s set.
    expect(
      (await client.ask("POST", `/guests/${token}/acts?party=${phone()}`, { act: "print" })).status,
    ).toBe(404);
    await tell(id, { do: "end" });
    expect((await seen(token, one)).body.ended).toBe(true);
    expect((await send(token, one, 16)).body).toHaveProperty("refused");
  }, 120_000);

  it("see nothing but their event, send only so much, and nobody comes in by a guessed address", async () => {
    const { token } = await opened();
    const party = phone();
    const sent = [];
    for (let shot = 30; shot < 46; shot++) sent.push((await send(token, party, shot)).status);
    expect(sent).toEqual([...Array<number>(15).fill(201), 429]);
    expect((await seen("a".repeat(22), party)).status).toBe(404);
    expect((await seen(token, "booth")).status).toBe(400);
    const elsewhere = (await client.upload({ name: "x.jpg", data: await picture(200) })).body.photos[0]!.id;
    const small = (photo: string) => fetch(`${server.address}/api/guests/${token}/photos/${photo}`);
    expect((await small(elsewhere)).status).toBe(404);
    const own = (await seen(token, party)).body.set!.shots.find(Boolean)!;
    expect((await small(own)).status).toBe(200);
    const shut = (await view(await begin(client))).guests;
    expect((await seen(shut, party)).status).toBe(404);
  }, 60_000);

  it("need no key where everybody else does", async () => {
    const house = await Server.start(testFolder(), "--key", "a key of the house");
    const status = async (path: string) => (await fetch(`${house.address}${path}`)).status;
    expect(await status("/api/events")).toBe(401);
    expect(await status("/g/abc")).toBe(200);
    expect(await status(`/api/guests/abc?party=${phone()}`)).toBe(404);
    expect(await status("/api/guests/../events")).toBe(401);
    await house.kill();
  });
});
