import { findWindows, type Alpha } from "@wide-quilt/core";
import { median } from "./measure.ts";

const ROUNDS = 9;
const BAR = 400;
const SIZE = { width: 6000, height: 4000 };

/** Finding the windows of an artwork of 24 megapixels in its alpha: twelve of them, tilted and oval, each with soft edges. */
export function benchWindows(): void {
  const alpha = drawn();
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const start = performance.now();
    const found = findWindows(alpha);
    times.push(performance.now() - start);
    if (found.length !== 12) throw new Error(`Found ${found.length} windows, not 12`);
  }
  const worst = Math.max(...times);
  console.log(
    `windows of an artwork of 24 megapixels\n  median ${median(times).toFixed(0)} ms, the first ${times[0]!.toFixed(0)} ms, worst ${worst.toFixed(0)} ms of ${ROUNDS}` +
      `\n  bar ${BAR} ms: ${worst <= BAR ? "kept" : "NOT kept"}`,
  );
}

function drawn(): Alpha {
  const { width, height } = SIZE;
  const data = new Uint8Array(width * height).fill(255);
  for (let i = 0; i < 12; i++) {
    const [cx, cy] = [750 + (i % 4) * 1500, 700 + Math.floor(i / 4) * 1300];
    const radians = ((i * 7 - 40) * Math.PI) / 180;
    const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
    for (let y = cy - 640; y < cy + 640; y++) {
      for (let x = cx - 740; x < cx + 740; x++) {
        const [u, v] = [(x - cx) * cos + (y - cy) * sin, (y - cy) * cos - (x - cx) * sin];
        const away =
          i % 3 === 2
            ? (Math.hypot(u / 560, v / 420) - 1) * 420
            : Math.max(Math.abs(u) - 520, Math.abs(v) - 380);
        const opaque = Math.round(255 * Math.min(1, Math.max(0, 0.5 + away / 6)));
        data[y * width + x] = Math.min(data[y * width + x]!, opaque);
      }
    }
  }
  return { data, width, height };
}
