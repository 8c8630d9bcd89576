/** Ours: one photo over 6 × 6 sheets of 10 × 15 in at 200 ppi, edge to edge, each as a JPEG. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { applyEdit, arrange, freshJob, imposed, inch, NO_EDGES, um, type JobEdit } from "@wide-quilt/core";
import { encodeSheet, paintSheet, StoredPhotos } from "@wide-quilt/painters";

const [folder, photo, across, down] = process.argv.slice(2) as [string, string, string, string];
const fresh = freshJob("mural", "Large");
const edits: JobEdit[] = [
  { do: "add photos", photos: [{ id: photo, name: "large.jpg" }] },
  { do: "ticket", change: { by: "sheets", columns: 6, rows: 6 } },
  {
    do: "impose",
    change: {
      paper: { name: "10 × 15 in", width: inch(10), height: inch(15) },
      ...{ lie: "portrait", margin: um(0), marks: "none" },
      tiles: { ...fresh.impose.tiles, overlap: um(0), letters: false },
    },
  },
  { do: "target", change: { ppi: 200, printer: { ...fresh.target.printer, unprintable: NO_EDGES } } },
];
const job = edits.reduce(applyEdit, fresh);
const start = performance.now();
const photos = { [photo]: { width: Number(across), height: Number(down) } };
const sheets = imposed(job, arrange(job, photos));
if (sheets.length !== 36 || sheets.some(({ pixels }) => pixels.width !== 2000 || pixels.height !== 3000))
  throw new Error("These are not the sheets that the bare script makes.");
const stored = new StoredPhotos(folder);
// While one sheet is packed the next one is painted, as the server does it in two processes.
let packing = Promise.resolve();
for (const [i, sheet] of sheets.entries()) {
  const pixels = await paintSheet(sheet, (id) => id, {}, { stored });
  await packing;
  packing = encodeSheet(pixels, 200, { format: "jpeg", quality: 92 }).then((file) =>
    writeFileSync(join(folder, `ours-${i}.jpg`), file),
  );
}
await packing;
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
await stored.release();
