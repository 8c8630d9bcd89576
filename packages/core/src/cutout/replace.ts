import type { BackdropFill } from "../backdrop/index.ts";
import { bytesOf } from "./colour.ts";
import { between, boxMean, type Pixels, type Plane } from "./picture.ts";
import { brightness, edge, linesOf } from "./soften.ts";

/** Radius over which the colours of person and background are taken to be even, a share of the longer side. */
const NEAR = 0.012;

/**
 * Puts a fill behind the person, in the pixels given. The mask may be of a smaller picture, which then comes with it:
 * its edge is made fine again by the large one's own brightness. Of pixels on the edge the old background's colour is
 * taken out, so that no halo of it stays: their own colour is estimated from that of the person nearby
 * (Forte 2021, “Approximate fast foreground colour estimation”, equation 7).
 */
export function replaceBackground(
  photo: Pixels,
  small: Pixels,
  mask: Plane,
  fill: BackdropFill,
  progress: (row: number) => void = () => undefined,
): void {
  const { width: w, height: h } = small;
  const lines = linesOf(brightness(small), mask, 2, 4e-4);
  const certain = certainty(mask);
  const [person, behind] = [coloursOf(small, mask, true), coloursOf(small, mask, false)];
  const { data, width, height, channels } = photo;
  const same = width === w && height === h;
  for (let y = 0; y < height; y++) {
    progress(y);
    const [nr, ng, nb] = fillAt(fill, (y + 0.5) / height);
    const [top, bottom, down] = between(((y + 0.5) * h) / height - 0.5, h);
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * channels;
      const [left, right, across] = between(((x + 0.5) * w) / width - 0.5, w);
      const near = (down < 0.5 ? top : bottom) * w + (across < 0.5 ? left : right);
      if (certain[near] === 1) continue;
      if (certain[near] === 0) {
        data[at] = nr;
        data[at + 1] = ng;
        data[at + 2] = nb;
        continue;
      }
      const corners = [top * w + left, top * w + right, bottom * w + left, bottom * w + right] as const;
      const weights = [
        (1 - across) * (1 - down),
        across * (1 - down),
        (1 - across) * down,
        across * down,
      ] as const;
      const mixed = (values: Float32Array, step = 1, c = 0) =>
        values[corners[0] * step + c]! * weights[0] +
        values[corners[1] * step + c]! * weights[1] +
        values[corners[2] * step + c]! * weights[2] +
        values[corners[3] * step + c]! * weights[3];
      const light = (0.2126 * data[at]! + 0.7152 * data[at + 1]! + 0.0722 * data[at + 2]!) / 255;
      const alpha = same ? mask.data[near]! : edge(mixed(lines.a) * light + mixed(lines.b));
      const fills = [nr, ng, nb] as const;
      for (let c = 0; c < 3; c++) {
        const own = data[at + c]!;
        const [f, b] = [mixed(person, 3, c), mixed(behind, 3, c)];
        const clean = f + alpha * (own - alpha * f - (1 - alpha) * b);
        const value = alpha * Math.min(255, Math.max(0, clean)) + (1 - alpha) * fills[c]!;
        data[at + c] = Math.min(255, Math.max(0, Math.round(value)));
      }
    }
  }
}

/** The fill's colour at a height of the picture, 0 at the top. */
export function fillAt(fill: BackdropFill, down: number): [number, number, number] {
  if (fill.kind === "flat") return bytesOf(fill.colour);
  const [top, bottom] = [bytesOf(fill.top), bytesOf(fill.bottom)];
  return top.map((value, i) => Math.round(value + (bottom[i]! - value) * down)) as [number, number, number];
}

/** 1 where everything around is person, 0 where nothing is, 2 near the edge. */
function certainty({ data, width, height }: Plane): Uint8Array {
  const around = boxMean(data, width, height, 3);
  return Uint8Array.from(around, (value) => (value > 0.9995 ? 1 : value < 0.0005 ? 0 : 2));
}

/** The colours of one side, carried on past its edge; three figures a pixel. */
function coloursOf({ data, width, height, channels }: Pixels, mask: Plane, person: boolean): Float32Array {
  const radius = Math.max(3, Math.round(NEAR * Math.max(width, height)));
  const n = width * height;
  const weight = mask.data.map((value) => {
    const share = person ? value : 1 - value;
    return share * share * share;
  });
  const out = new Float32Array(n * 3);
  const near = boxMean(weight, width, height, radius);
  const far = boxMean(weight, width, height, radius * 6);
  for (let c = 0; c < 3; c++) {
    const weighed = weight.map((value, i) => value * data[i * channels + c]!);
    const nearSum = boxMean(weighed, width, height, radius);
    const farSum = boxMean(weighed, width, height, radius * 6);
    for (let i = 0; i < n; i++) {
      const sum = nearSum[i]! + 1e-3 * farSum[i]!;
      const total = near[i]! + 1e-3 * far[i]!;
      out[i * 3 + c] = total > 1e-9 ? sum / total : data[i * channels + c]!;
    }
  }
  return out;
}
