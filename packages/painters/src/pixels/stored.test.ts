import { mkdirSync, readdirSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, it } from "vitest";
import { applyEdit, arrange, freshJob, imposed, mm, um, type JobEdit } from "@wide-quilt/core";
import { testFolder } from "../testing/samples.ts";
import { decode, type Wanted } from "./decode.ts";
import { paintSheet } from "./paint.ts";
import { StoredPhotos } from "./stored.ts";

const FOLDER = testFolder();
const [WIDTH, HEIGHT] = [4200, 1400];
const path = join(FOLDER, "wide.png");

const wanted = (more: Partial<Wanted> = {}): Wanted => ({
  turn: 0,
  part: { left: 0, top: 0, right: 1, bottom: 1 },
  size: { width: WIDTH, height: HEIGHT },
  depth: 8,
  inks: "no inks",
  light: false,
  ...more,
});

async function makePhoto(): Promise<void> {
  mkdirSync(FOLDER, { recursive: true });
  const data = Buffer.alloc(WIDTH * HEIGHT * 3);
  for (let i = 0, seed = 3; i < data.length; i++) {
    seed = (seed * 1103515245 + 12345) & 0x7fffffff;
    data[i] = seed >> 20;
  }
  const raw = { width: WIDTH, height: HEIGHT, channels: 3 } as const;
  await sharp(data, { raw }).png({ compressionLevel: 1 }).toFile(path);
}

it("reads of a large photo what it is in memory, of eight bits and of sixteen, and leaves no file", async () => {
  await makePhoto();
  const folder = join(FOLDER, "scratch");
  const photos = new StoredPhotos(folder);
  for (const depth of [8, 16] as const) {
    const stored = (await photos.get("wide", path, wanted({ depth })))!;
    const whole = await decode(path, wanted({ depth }));
    expect([stored.width, stored.height]).toEqual([WIDTH, HEIGHT]);
    const box = { left: 1234, top: 777, width: 301, height: 45 };
    const { data } = await stored.read(box);
    for (let y = 0; y < box.height; y++) {
      const from = ((box.top + y) * WIDTH + box.left) * 3;
      const row = data.subarray(y * box.width * 3, (y + 1) * box.width * 3);
      expect([...row]).toEqual([...whole.data.subarray(from, from + box.width * 3)]);
    }
  }
  expect(readdirSync(folder)).toEqual([]);
  await photos.release();
});

it("leaves small photos, those on their side and a disk without room to memory", async () => {
  const photos = new StoredPhotos(join(FOLDER, "scratch"));
  expect(await photos.get("wide", path, wanted({ size: { width: 420, height: 140 } }))).toBeNull();
  expect(await photos.get("wide", path, wanted({ turn: 90 }))).toBeNull();
  // A folder that cannot be made: its path is a file.
  expect(await new StoredPhotos(join(path, "no")).get("wide", path, wanted())).toBeNull();
});

it("paints the sheets of a mural from the disk as from memory, to the last bit", async () => {
  const fresh = freshJob("mural", "Wall");
  const edits: JobEdit[] = [
    { do: "add photos", photos: [{ id: "wide", name: "wide.png" }] },
    { do: "ticket", change: { width: mm(700) } },
    { do: "target", change: { ppi: 131 } },
    { do: "impose", change: { tiles: { ...fresh.impose.tiles, overlap: um(8_123) } } },
  ];
  const job = edits.reduce(applyEdit, fresh);
  const sheets = imposed(job, arrange(job, { wide: { width: WIDTH, height: HEIGHT } }));
  expect(sheets.length).toBeGreaterThan(2);
  const stored = new StoredPhotos(join(FOLDER, "scratch"));
  for (const sheet of sheets) {
    const [disk, memory] = [
      await paintSheet(sheet, () => path, {}, { stored }),
      await paintSheet(sheet, () => path),
    ];
    expect(Buffer.compare(disk.data as Uint8Array, memory.data as Uint8Array)).toBe(0);
  }
  await stored.release();
});
