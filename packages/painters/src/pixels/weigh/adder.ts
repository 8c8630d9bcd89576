import type { Samples } from "@wide-quilt/colour";
import { instance, type Code, LANES, PIXEL, Room } from "./instance.ts";

let code: Code | undefined;

/**
 * The mean light of squares of pixels of RGB, pixel by pixel of four floats; of what is left of them at the right and below.
 * `table` has the light of every value.
 */
export function meansOf(
  data: Samples,
  { width, height }: { width: number; height: number },
  by: number,
  table: Float32Array,
): Float32Array {
  const [columns, rows] = [Math.ceil(width / by), Math.ceil(height / by)];
  code ??= instance();
  const room = new Room(code.memory);
  const line = width * 3 * data.BYTES_PER_ELEMENT;
  const at = { table: room.of(table.byteLength), line: room.of(line), sum: room.of(columns * PIXEL) };
  const buffer = room.made();
  new Float32Array(buffer, at.table, table.length).set(table);
  const wide = data instanceof Uint16Array;
  const from = wide ? new Uint16Array(buffer, at.line, width * 3) : new Uint8Array(buffer, at.line, line);
  const sum = new Float32Array(buffer, at.sum, (columns + 1) * LANES);
  const add = wide ? code.light16 : code.light8;
  const out = new Float32Array(columns * rows * LANES);
  for (let row = 0; row < rows; row++) {
    sum.fill(0);
    const end = Math.min((row + 1) * by, height);
    for (let y = row * by; y < end; y++) {
      from.set(data.subarray(y * width * 3, (y + 1) * width * 3));
      add(at.sum, width, at.line, 3 * data.BYTES_PER_ELEMENT, by, at.table);
    }
    const high = end - row * by;
    for (let x = 0, to = row * columns * LANES; x < columns; x++, to += LANES) {
      const count = high * Math.min(by, width - x * by);
      for (let c = 0; c < LANES; c++) out[to + c] = sum[x * LANES + c]! / count;
    }
  }
  return out;
}
