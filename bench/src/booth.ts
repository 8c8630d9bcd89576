import { mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { PRINTERS, type EventSetup } from "@wide-quilt/core";
import { MODELS, SimulatedPrinter } from "@wide-quilt/devices";
import { PrinterClient } from "@wide-quilt/ipp";
import type { EventView } from "@wide-quilt/server/contract";
import { Server } from "@wide-quilt/server/testing";
import sharp from "sharp";
import { median, peakOf } from "./measure.ts";

const SETS = 200;
const SHOTS = 3;
/** A set is a pair of these on 4 × 6 in at 300 ppi: three places of 482 × 461 px, 35 px apart. */
const PAGE = { width: 1200, height: 1800 };
const PLACE = { width: 482, height: 461, x: 59, y: 59, apart: 35 };

const percentile = (values: number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;

/** The same picture as another file: a comment of its own behind the start (ITU-T T.81, B.2.4.5). */
function another(jpeg: Buffer, number: number): Buffer {
  const comment = Buffer.from(`shot ${String(number).padStart(8, "0")}`);
  const head = Buffer.from([0xff, 0xfe, 0, comment.length + 2]);
  return Buffer.concat([jpeg.subarray(0, 2), head, comment, jpeg.subarray(2)]);
}

/** How long it takes from the last file of a set, closed, to its whole document at the printer; beside a bare script. */
export async function benchBooth([photo]: string[]): Promise<void> {
  const base = await sharp(photo).resize(4000, 3000, { fit: "cover" }).jpeg({ quality: 92 }).toBuffer();
  const root = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const folder = join(root, "card");
  mkdirSync(folder);
  const lab = MODELS.find(({ id }) => id === "lab")!;
  const printer = await new SimulatedPrinter(lab, { folder: join(root, "prints"), pace: 1 }).start();
  let arrived: (() => void) | null = null;
  const submit = printer.submit.bind(printer);
  printer.submit = (job, document) => {
    arrived?.();
    submit(job, document);
  };
  const atPrinter = () => new Promise<number>((resolve) => (arrived = () => resolve(performance.now())));

  const server = await Server.start(join(root, "data"));
  const send = (method: string, path: string, body: object) =>
    fetch(`${server.address}/api${path}`, {
      method,
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(body),
    });
  await send("PUT", "/printers/lab", { ...PRINTERS[0]!, id: "lab", name: "Lab", address: printer.address });
  const begun = await send("POST", "/events", { name: "Bench", patterns: ["ships-strip-of-three"] });
  const event = (await begun.json()) as EventView;
  const setup: EventSetup = { ...event.state.setup, folder, review: false, printers: ["lab"] };
  await send("PUT", `/events/${event.id}/setup`, { setup });

  const client = new PrinterClient(printer.address);
  let shot = 0;
  const next = () => join(folder, `IMG_${String(++shot).padStart(5, "0")}.JPG`);
  const ours: number[] = [];
  const bare: number[] = [];
  for (let set = 0; set < SETS; set++) {
    for (let i = 1; i < SHOTS; i++) writeFileSync(next(), another(base, shot));
    // The first shots of a set are taken a while before its last.
    await wait(1500);
    const there = atPrinter();
    const last = another(base, shot + 1);
    writeFileSync(next(), last);
    const closed = performance.now();
    ours.push((await there) - closed);
    const files = Array.from({ length: SHOTS }, (_, i) =>
      join(folder, `IMG_${String(shot - i).padStart(5, "0")}.JPG`),
    );
    const sent = atPrinter();
    const since = performance.now();
    await client.print(await composed(files), "image/jpeg", `bare ${set}`, {});
    bare.push((await sent) - since);
  }
  const peak = peakOf(server.pid);
  await server.kill();
  await printer.stop();
  const of = (values: number[]) =>
    `${median(values).toFixed(0)} ms, 95 % within ${percentile(values, 0.95).toFixed(0)} ms`;
  const [half, tail] = [median(ours) / median(bare), percentile(ours, 0.95) / percentile(bare, 0.95)];
  console.log(
    `from the last shot of 12 megapixels to the document at the printer, ${SETS} sets` +
      `\n  ours ${of(ours)} (peak ${peak.toFixed(0)} MB), bare script ${of(bare)}` +
      `\n  ratio ${half.toFixed(2)}, bar 1.5: ${half <= 1.5 ? "kept" : "NOT kept"}; 95 %: ${tail.toFixed(2)}, bar 2.5: ${tail <= 2.5 ? "kept" : "NOT kept"}`,
  );
}

/** Decodes, places and encodes as a set is, with nothing around it. */
async function composed(files: readonly string[]): Promise<Buffer> {
  const { width, height, x, y, apart } = PLACE;
  const shots = await Promise.all(
    files.map((file) => sharp(file).rotate().resize(width, height, { fit: "cover" }).toBuffer()),
  );
  const layers = shots.flatMap((input, i) =>
    [0, PAGE.width / 2].map((left) => ({ input, left: left + x, top: y + i * (height + apart) })),
  );
  return sharp({ create: { ...PAGE, channels: 3, background: "#fff" } })
    .composite(layers)
    .jpeg({ quality: 92, chromaSubsampling: "4:4:4" })
    .toBuffer();
}
