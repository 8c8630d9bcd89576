import type { BackdropFill } from "../backdrop/index.ts";
import { bytesOf } from "./colour.ts";
import { boxMean, coarse, placesOf, type Pixels, type Plane } from "./picture.ts";
import { brightness, edge, linesOf } from "./soften.ts";

/** Longest side of the coarse picture that says the colours of person and background, in pixels. */
const COARSE = 160;

/** Radius over which the colours of person and background are taken to be even, a share of the longer side. */
const NEAR = 0.012;

/** What is put behind a person: a fill, or a picture of the photo’s own size. */
export type Behind = BackdropFill | Pixels;

/**
 * Puts something else behind the person, in the pixels given. The mask may be of a smaller picture, which then comes with it:
 * its edge is made fine again by the large one's own brightness. Of pixels on the edge the old background's colour is
 * taken out, so that no halo of it stays: their own colour is estimated from that of the person nearby
 * (Forte 2021, “Approximate fast foreground colour estimation”, equation 7).
 */
export function replaceBackground(
  photo: Pixels,
  small: Pixels,
  mask: Plane,
  behindThem: Behind,
  progress: (row: number) => void = () => undefined,
): void {
  const { width: w, height: h } = small;
  const { data, width, height, channels } = photo;
  const lines = width === w && height === h ? null : linesOf(brightness(small), mask, 2, 4e-4);
  const certain = certainty(mask);
  // Colours of either side change slowly: a coarse picture says them as well.
  const block = Math.max(1, Math.floor(Math.max(w, h) / COARSE));
  const [tiles, shares] = coarse(small, mask, block);
  const [person, behind] = [coloursOf(tiles, shares, true), coloursOf(tiles, shares, false)];
  const columns = placesOf(width, w);
  const rows = placesOf(height, h);
  for (let y = 0; y < height; y++) {
    progress(y);
    const picture = "data" in behindThem ? behindThem : null;
    const fills = picture ? [0, 0, 0] : fillAt(behindThem as BackdropFill, (y + 0.5) / height);
    const [top, bottom, down] = [rows.first[y]! * w, rows.second[y]! * w, rows.share[y]!];
    const nearRow = down < 0.5 ? top : bottom;
    const tileRow = Math.floor(nearRow / w / block) * tiles.width;
    for (let x = 0; x < width; x++) {
      const left = columns.first[x]!;
      const right = columns.second[x]!;
      const across = columns.share[x]!;
      const near = nearRow + (across < 0.5 ? left : right);
      const sure = certain[near]!;
      if (sure === 1) continue;
      const at = (y * width + x) * channels;
      if (picture) {
        const there = (y * width + x) * picture.channels;
        for (let c = 0; c < 3; c++) fills[c] = picture.data[there + c]!;
      }
      if (sure === 0) {
        data[at] = fills[0]!;
        data[at + 1] = fills[1]!;
        data[at + 2] = fills[2]!;
        continue;
      }
      let alpha = mask.data[near]!;
      if (lines) {
        const light = (0.2126 * data[at]! + 0.7152 * data[at + 1]! + 0.0722 * data[at + 2]!) / 255;
        const { a, b } = lines;
        const upperA = a[top + left]! * (1 - across) + a[top + right]! * across;
        const lowerA = a[bottom + left]! * (1 - across) + a[bottom + right]! * across;
        const upperB = b[top + left]! * (1 - across) + b[top + right]! * across;
        const lowerB = b[bottom + left]! * (1 - across) + b[bottom + right]! * across;
        alpha = edge((upperA * (1 - down) + lowerA * down) * light + upperB * (1 - down) + lowerB * down);
      }
      const tile = (tileRow + Math.floor((near - nearRow) / block)) * 3;
      for (let c = 0; c < 3; c++) {
        const own = data[at + c]!;
        const [f, b] = [person[tile + c]!, behind[tile + c]!];
        const clean = Math.min(255, Math.max(0, f + alpha * (own - alpha * f - (1 - alpha) * b)));
        data[at + c] = Math.min(255, Math.max(0, Math.round(alpha * clean + (1 - alpha) * fills[c]!)));
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
  const out = new Uint8Array(around.length);
  for (let i = 0; i < out.length; i++) out[i] = around[i]! > 0.9995 ? 1 : around[i]! < 0.0005 ? 0 : 2;
  return out;
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
