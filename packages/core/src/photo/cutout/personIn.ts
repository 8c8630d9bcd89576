import type { BackdropStroke } from "../backdrop/index.ts";
import { graphCut } from "./graphCut.ts";
import type { Pixels, Plane } from "./picture.ts";
import { plainBehind } from "./plain.ts";

/** How much parting two alike neighbours costs against how well a pixel's colour fits. */
const SMOOTHNESS = 6;
/** What no colour can outweigh: where a stroke went. */
const SAID = 1e6;
/**
 * As sure as the model may be, and how much a colour may say, as a logarithm of odds: models are sure of ends of hair that
 * they take for background, and there the colours have to win.
 */
const SUREST = 0.95;
const COLOUR = 6;
/** Bins of a colour histogram on each axis. */
const BINS = 12;
const BIN = (256 / BINS) ** 3;
/** How much of a plain background may be of other colours all the same, in a shadow. */
const SHADED = 0.1;
/** How much being of a plain background’s colour may say: that one is known well. */
const PLAIN = 7;

/**
 * Divides a picture into person (1) and background (0): a model's first guess, the colours on either side of it, and
 * strokes that say otherwise, made one by a graph cut that follows edges (Boykov and Jolly 2001; colours as in Rother,
 * Kolmogorov and Blake 2004, with histograms for their mixtures). Where the background is plain, how far a colour is off
 * that decides, finer than a histogram is: a coat may be nearly of its colour.
 *
 * `guess` is how likely every pixel is the person, of the picture's size. With the division that was before the last
 * stroke its colours are known already, and one cut will do.
 */
export function personIn(
  picture: Pixels,
  guess: Plane,
  strokes: readonly BackdropStroke[],
  before?: Uint8Array,
): Uint8Array {
  const { width, height } = picture;
  const said = rasterised(strokes, width, height);
  let side: Uint8Array = before ?? Uint8Array.from(guess.data, (value) => (value > 0.5 ? 1 : 0));
  const links = linksOf(picture);
  // What the first division learns of the colours makes the second one better.
  for (let pass = before ? 1 : 0; pass < 2; pass++) {
    const [person, behind] = histograms(picture, guess, said, side, pass);
    // What is surely background, or was found to be: both, as the first division may be wrong about a part.
    const plain = plainBehind(picture, BIN, (i) => guess.data[i]! < 0.1 && side[i] === 0);
    const terminal = new Float32Array(width * height);
    for (let i = 0; i < terminal.length; i++) {
      if (said[i] !== 0) {
        terminal[i] = said[i]! * SAID;
        continue;
      }
      const bin = binOf(picture, i);
      const about = behind[bin]! + 1e-4;
      const seen = plain ? SHADED * about + (1 - SHADED) * plain.data[i]! : about;
      const colour = Math.log((person[bin]! + 1e-4) / seen);
      const likely = Math.min(SUREST, Math.max(1 - SUREST, guess.data[i]!));
      terminal[i] =
        1.6 * Math.log(likely / (1 - likely)) + Math.min(COLOUR, Math.max(plain ? -PLAIN : -COLOUR, colour));
    }
    side = graphCut({ width, height, terminal, links });
  }
  return side;
}

/** 1 where a stroke keeps, −1 where one removes, 0 elsewhere; later strokes lie over earlier ones. */
export function rasterised(strokes: readonly BackdropStroke[], width: number, height: number): Int8Array {
  const said = new Int8Array(width * height);
  const long = Math.max(width, height);
  for (const { keep, width: breadth, points } of strokes) {
    const radius = Math.max(0.7, (breadth * long) / 2);
    points.forEach(([x, y], i) => {
      const [px, py] = points[Math.max(0, i - 1)]!;
      line(said, width, height, [px * width, py * height], [x * width, y * height], radius, keep ? 1 : -1);
    });
  }
  return said;
}

/** Fills every pixel whose middle lies within a radius of a line. */
function line(
  said: Int8Array,
  width: number,
  height: number,
  [x1, y1]: [number, number],
  [x2, y2]: [number, number],
  radius: number,
  value: number,
): void {
  const length2 = (x2 - x1) ** 2 + (y2 - y1) ** 2;
  const top = Math.max(0, Math.floor(Math.min(y1, y2) - radius));
  const bottom = Math.min(height - 1, Math.ceil(Math.max(y1, y2) + radius));
  const left = Math.max(0, Math.floor(Math.min(x1, x2) - radius));
  const right = Math.min(width - 1, Math.ceil(Math.max(x1, x2) + radius));
  for (let y = top; y <= bottom; y++) {
    for (let x = left; x <= right; x++) {
      const [cx, cy] = [x + 0.5, y + 0.5];
      const t = length2 === 0 ? 0 : ((cx - x1) * (x2 - x1) + (cy - y1) * (y2 - y1)) / length2;
      const share = Math.min(1, Math.max(0, t));
      const away = Math.hypot(cx - x1 - share * (x2 - x1), cy - y1 - share * (y2 - y1));
      if (away <= radius) said[y * width + x] = value;
    }
  }
}

const binOf = ({ data, channels }: Pixels, i: number): number => {
  const bin = (c: number) => Math.min(BINS - 1, (data[i * channels + c]! * BINS) >> 8);
  return (bin(0) * BINS + bin(1)) * BINS + bin(2);
};

/** How often each colour is on either side, smoothed over neighbouring colours, as shares of one. */
function histograms(
  picture: Pixels,
  guess: Plane,
  said: Int8Array,
  side: Uint8Array,
  pass: number,
): [Float32Array, Float32Array] {
  const counts = [new Float32Array(BINS ** 3), new Float32Array(BINS ** 3)];
  for (let i = 0; i < side.length; i++) {
    const likely = guess.data[i]!;
    // At first only what the model is sure of; what a hand said counts many times.
    const sure = pass > 0 || likely > 0.9 || likely < 0.1;
    if (!sure && said[i] === 0) continue;
    const isPerson = said[i] === 0 ? side[i] === 1 : said[i] === 1;
    counts[isPerson ? 0 : 1]![binOf(picture, i)]! += said[i] === 0 ? 1 : 4;
  }
  return [smoothed(counts[0]!), smoothed(counts[1]!)];
}

function smoothed(counts: Float32Array): Float32Array {
  let total = 0;
  const out = new Float32Array(counts.length);
  const steps = [1, BINS, BINS * BINS];
  for (let i = 0; i < counts.length; i++) {
    const count = counts[i]!;
    if (count === 0) continue;
    total += count;
    out[i]! += 0.64 * count;
    for (const step of steps) {
      const at = Math.floor(i / step) % BINS;
      out[at > 0 ? i - step : i]! += 0.06 * count;
      out[at < BINS - 1 ? i + step : i]! += 0.06 * count;
    }
  }
  return total === 0 ? out : out.map((value) => value / total);
}

/** Parting neighbours costs less the more their colours differ, against how much neighbours differ on the whole. */
function linksOf({ data, width, height, channels }: Pixels): Float32Array {
  const links = new Float32Array(width * height * 4);
  const steps = [
    [1, 0],
    [1, 1],
    [0, 1],
    [-1, 1],
  ] as const;
  let sum = 0;
  let count = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      for (let direction = 0; direction < 4; direction++) {
        const [nx, ny] = [x + steps[direction]![0], y + steps[direction]![1]];
        if (nx < 0 || nx >= width || ny >= height) continue;
        const [p, q] = [i * channels, (ny * width + nx) * channels];
        const [r, g, b] = [data[p]! - data[q]!, data[p + 1]! - data[q + 1]!, data[p + 2]! - data[q + 2]!];
        const apart = r * r + g * g + b * b;
        links[i * 4 + direction] = apart;
        sum += apart;
        count++;
      }
    }
  }
  const beta = sum === 0 ? 0 : 1 / ((2 * sum) / count);
  for (let i = 0; i < links.length; i++) {
    const diagonal = (i & 3) === 1 || (i & 3) === 3;
    links[i] = (SMOOTHNESS * Math.exp(-beta * links[i]!)) / (diagonal ? Math.SQRT2 : 1);
  }
  return links;
}
