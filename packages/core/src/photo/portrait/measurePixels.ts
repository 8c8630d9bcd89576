import { labOf } from "../cutout/colour.ts";
import type { Pixels, Plane } from "../cutout/picture.ts";
import type { Face, FacePoint } from "./face.ts";
import type { PortraitStudy } from "./study.ts";

/** The height of a head on the usual print of 35 × 45 mm at 300 ppi, in pixels: blur is told at that size. */
const PRINTED_HEAD = 400;
/** Taps of the blur that a picture is compared with (Crété et al. 2007). */
const TAPS = 9;
/** White for want of detail: every channel at least this. */
const BURNT = 250;
/** A side of the parts that a background is told in, in heads; and how far around the head they go. */
const PART = 0.08;
const AROUND = { beside: 0.85, above: 0.4, below: 0.2 };
/** Less likely to be the person than this is background; a part needs so much of it. */
const BEHIND = 0.02;
const ENOUGH = 0.6;

/**
 * Measures a portrait: blur at the eyes and the hairline, light on the face, red pupils, and the background part by part
 * where the mask (how likely the person is there, at any size) says that it is none of the person.
 */
export function measurePixels(picture: Pixels, face: Face, mask: Plane): PortraitStudy {
  const { width, height } = picture;
  const px = ({ x, y }: FacePoint) => ({ x: x * width, y: y * height });
  const [left, right, chin, crown] = [px(face.leftEye), px(face.rightEye), px(face.chin), px(face.crown)];
  const head = Math.hypot(chin.x - crown.x, chin.y - crown.y);
  const between = { x: (left.x + right.x) / 2, y: (left.y + right.y) / 2 };
  const apart = Math.hypot(right.x - left.x, right.y - left.y);
  const scale = PRINTED_HEAD / head;
  return {
    blur: {
      eyes: rounded(blurOf(grey(picture, around(between, 2 * apart, 0.7 * apart), scale))),
      hair: rounded(
        blurOf(
          grey(picture, around({ x: crown.x, y: crown.y + 0.08 * head }, 0.5 * head, 0.26 * head), scale),
        ),
      ),
    },
    face: light(picture, { left, right, chin }),
    red: rounded(Math.max(redIn(picture, left, apart), redIn(picture, right, apart))),
    background: background(picture, mask, { crown, chin, head }),
  };
}

interface Point {
  x: number;
  y: number;
}

interface Grey {
  data: Float32Array;
  width: number;
  height: number;
}

const around = ({ x, y }: Point, width: number, height: number) => ({
  x: x - width / 2,
  y: y - height / 2,
  width,
  height,
});

/** A part of the picture in greys, at another scale; a pixel is the mean of what it covers, or lies between two. */
function grey(picture: Pixels, part: ReturnType<typeof around>, scale: number): Grey {
  const [width, height] = [
    Math.max(4, Math.round(part.width * scale)),
    Math.max(4, Math.round(part.height * scale)),
  ];
  const data = new Float32Array(width * height);
  const step = 1 / scale;
  const samples = Math.max(1, Math.round(step));
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let v = 0; v < samples; v++) {
        for (let u = 0; u < samples; u++) {
          sum += greyAt(
            picture,
            part.x + (x + (u + 0.5) / samples) * step - 0.5,
            part.y + (y + (v + 0.5) / samples) * step - 0.5,
          );
        }
      }
      data[y * width + x] = sum / samples ** 2;
    }
  }
  return { data, width, height };
}

/** The grey at a place, between the pixels around it (ITU-R BT.601 weights; the edge goes on outside). */
function greyAt({ data, width, height, channels }: Pixels, x: number, y: number): number {
  const [cx, cy] = [Math.min(Math.max(x, 0), width - 1.001), Math.min(Math.max(y, 0), height - 1.001)];
  const [left, top] = [Math.floor(cx), Math.floor(cy)];
  const [across, down] = [cx - left, cy - top];
  const at = (i: number) => 0.299 * data[i]! + 0.587 * data[i + 1]! + 0.114 * data[i + 2]!;
  const i = (top * width + left) * channels;
  const under = i + width * channels;
  return (
    (at(i) * (1 - across) + at(i + channels) * across) * (1 - down) +
    (at(under) * (1 - across) + at(under + channels) * across) * down
  );
}

/**
 * How blurred a picture is: how little its steps from pixel to pixel lose by being blurred once more (Crété, Dolmiere,
 * Ladret and Nicolas 2007, “The blur effect”, equations 1 to 6). The worse of both directions.
 */
function blurOf({ data, width, height }: Grey): number {
  const along = (lines: number, length: number, line: number, step: number): number => {
    let [all, lost] = [0, 0];
    const blurred = new Float32Array(length);
    for (let l = 0; l < lines; l++) {
      const at = (i: number) => data[l * line + Math.min(Math.max(i, 0), length - 1) * step]!;
      for (let i = 0; i < length; i++) {
        let sum = 0;
        for (let tap = -(TAPS >> 1); tap <= TAPS >> 1; tap++) sum += at(i + tap);
        blurred[i] = sum / TAPS;
      }
      for (let i = 1; i < length; i++) {
        const own = Math.abs(at(i) - at(i - 1));
        all += own;
        lost += Math.max(0, own - Math.abs(blurred[i]! - blurred[i - 1]!));
      }
    }
    return all === 0 ? 1 : (all - lost) / all;
  };
  return Math.max(along(height, width, width, 1), along(width, height, 1, width));
}

/** Light on the face: in the oval between the brows and the chin, as wide as the eyes are apart once and a half. */
function light(
  { data, width, height, channels }: Pixels,
  { left, right, chin }: { left: Point; right: Point; chin: Point },
): PortraitStudy["face"] {
  const between = { x: (left.x + right.x) / 2, y: (left.y + right.y) / 2 };
  const [dx, dy] = [chin.x - between.x, chin.y - between.y];
  const long = Math.hypot(dx, dy);
  const [sin, cos] = [dx / long, dy / long];
  const middle = { x: between.x + dx * 0.42, y: between.y + dy * 0.42 };
  const [a, b] = [long * 0.62, Math.hypot(right.x - left.x, right.y - left.y) * 0.75];
  const all: number[] = [];
  const halves = [
    { sum: 0, count: 0 },
    { sum: 0, count: 0 },
  ];
  let burnt = 0;
  const step = Math.max(1, Math.round(long / 120));
  const reach = Math.max(a, b);
  for (let y = Math.max(0, Math.round(middle.y - reach)); y < Math.min(height, middle.y + reach); y += step) {
    for (
      let x = Math.max(0, Math.round(middle.x - reach));
      x < Math.min(width, middle.x + reach);
      x += step
    ) {
      const [across, down] = [
        (x - middle.x) * cos - (y - middle.y) * sin,
        (x - middle.x) * sin + (y - middle.y) * cos,
      ];
      if ((across / b) ** 2 + (down / a) ** 2 > 1) continue;
      const i = (y * width + x) * channels;
      const [r, g, bl] = [data[i]!, data[i + 1]!, data[i + 2]!];
      if (Math.min(r, g, bl) >= BURNT) burnt++;
      const [l] = labOf(r, g, bl);
      all.push(l);
      const half = halves[across < 0 ? 0 : 1]!;
      half.sum += l;
      half.count++;
    }
  }
  all.sort((one, other) => one - other);
  const at = (part: number) => tenth(all[Math.min(all.length - 1, Math.floor(part * all.length))] ?? 0);
  const mean = ({ sum, count }: { sum: number; count: number }) => (count === 0 ? 0 : sum / count);
  return {
    level: at(0.5),
    low: at(0.02),
    high: at(0.98),
    burnt: rounded(all.length === 0 ? 0 : burnt / all.length),
    sides: tenth(mean(halves[0]!) - mean(halves[1]!)),
  };
}

/** The share of a pupil that is red: the disc about an eye’s middle that is a sixth as wide as the eyes are apart. */
function redIn({ data, width, height, channels }: Pixels, { x, y }: Point, apart: number): number {
  const radius = apart / 12;
  let [red, all] = [0, 0];
  for (let row = Math.max(0, Math.floor(y - radius)); row <= Math.min(height - 1, y + radius); row++) {
    for (
      let column = Math.max(0, Math.floor(x - radius));
      column <= Math.min(width - 1, x + radius);
      column++
    ) {
      if (Math.hypot(column - x, row - y) > radius) continue;
      const i = (row * width + column) * channels;
      const [r, g, b] = [data[i]!, data[i + 1]!, data[i + 2]!];
      all++;
      if (r > 90 && r > 1.9 * g && r > 1.9 * b) red++;
    }
  }
  return all === 0 ? 0 : red / all;
}

/** The background around a head in square parts, each as it is on the whole: grain is no unevenness. */
function background(
  { data, width, height, channels }: Pixels,
  mask: Plane,
  { crown, chin, head }: { crown: Point; chin: Point; head: number },
): PortraitStudy["background"] {
  const side = Math.max(3, PART * head);
  const middle = (crown.x + chin.x) / 2;
  const parts: PortraitStudy["background"] = [];
  const from = { x: middle - AROUND.beside * head, y: Math.min(crown.y, chin.y) - AROUND.above * head };
  const to = { x: middle + AROUND.beside * head, y: Math.max(crown.y, chin.y) + AROUND.below * head };
  const isPerson = (x: number, y: number) =>
    mask.data[
      Math.floor(((y + 0.5) * mask.height) / height) * mask.width +
        Math.floor(((x + 0.5) * mask.width) / width)
    ]! > BEHIND;
  const skip = Math.max(1, Math.floor(side / 16));
  for (let top = from.y; top < to.y; top += side) {
    for (let left = from.x; left < to.x; left += side) {
      const sum = [0, 0, 0];
      let [count, all] = [0, 0];
      for (let y = Math.round(top); y < Math.round(top + side); y += skip) {
        for (let x = Math.round(left); x < Math.round(left + side); x += skip) {
          all++;
          if (x < 0 || y < 0 || x >= width || y >= height || isPerson(x, y)) continue;
          count++;
          const i = (y * width + x) * channels;
          for (let c = 0; c < 3; c++) sum[c]! += data[i + c]!;
        }
      }
      if (count < ENOUGH * all) continue;
      const colour = sum
        .map((value) =>
          Math.round(value / count)
            .toString(16)
            .padStart(2, "0"),
        )
        .join("");
      parts.push([colour, rounded((left + side / 2) / width), rounded((top + side / 2) / height)]);
    }
  }
  return parts;
}

const rounded = (value: number): number => Math.round(value * 1e3) / 1e3;
const tenth = (value: number): number => Math.round(value * 10) / 10;
