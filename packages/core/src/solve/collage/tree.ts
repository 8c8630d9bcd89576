import type { Rect, Size } from "../../base/geometry/index.ts";
import { nearest, um, type Um } from "../../base/length/index.ts";

/** A photo by its index, or two parts: beside each other (`x`) or one over the other (`y`). */
export type Tree = number | { along: "x" | "y"; first: Tree; second: Tree };

/** As it is kept in a job: parts in front of what they divide, "x 0 y 1 2" for photo 0 beside 1 over 2. */
export function writeTree(tree: Tree): string {
  if (typeof tree === "number") return String(tree);
  return `${tree.along} ${writeTree(tree.first)} ${writeTree(tree.second)}`;
}

/** Null for anything that is not a tree of each of so many photos once. */
export function readTree(text: string, photos: number): Tree | null {
  const words = text.split(" ");
  const seen = new Set<number>();
  const part = (depth: number): Tree | null => {
    const word = words.shift();
    if (word === "x" || word === "y") {
      const first = depth > photos ? null : part(depth + 1);
      const second = first === null ? null : part(depth + 1);
      return first === null || second === null ? null : { along: word, first, second };
    }
    const photo = /^\d{1,4}$/.test(word ?? "") ? Number(word) : -1;
    if (photo < 0 || photo >= photos || seen.has(photo)) return null;
    seen.add(photo);
    return photo;
  };
  const tree = part(0);
  return words.length === 0 && seen.size === photos ? tree : null;
}

/**
 * How wide a part is that is `height` high and crops nothing: width = a · height + b.
 *
 *     photo of proportion p     a = p,               b = 0
 *     beside each other         a = a₁ + a₂,         b = b₁ + b₂ + gap
 *     one over the other        a = 1/(1/a₁ + 1/a₂), b = a · (b₁/a₁ + b₂/a₂ − gap)
 */
interface Line {
  a: number;
  b: number;
}

export function lineOf(tree: Tree, proportions: readonly number[], gap: number): Line {
  if (typeof tree === "number") return { a: proportions[tree]!, b: 0 };
  const one = lineOf(tree.first, proportions, gap);
  const two = lineOf(tree.second, proportions, gap);
  if (tree.along === "x") return { a: one.a + two.a, b: one.b + two.b + gap };
  const a = 1 / (1 / one.a + 1 / two.a);
  return { a, b: a * (one.b / one.a + two.b / two.a - gap) };
}

/** A tree's cells in an area, and what fitting it exactly crops of each photo. */
export interface TreeCells {
  /** By photo. */
  cells: Rect[];
  /** The share cropped of every photo alike, 0…1. */
  crop: number;
}

/**
 * Fits a tree to an area exactly: all photos are made wider or narrower by one factor t, found by halving, until the
 * whole is as wide as the area; 1 − min(t, 1/t) of each is cropped. Null when gaps leave nothing for some photo.
 */
export function fitTree(
  tree: Tree,
  proportions: readonly number[],
  area: Size,
  gap: number,
): TreeCells | null {
  const stretched = (t: number) => proportions.map((p) => p * t);
  const widthAt = (t: number) => {
    const { a, b } = lineOf(tree, stretched(t), gap);
    return a * area.height + b;
  };
  let [low, high] = [1 / 64, 64];
  if (widthAt(low) > area.width || widthAt(high) < area.width) return null;
  for (let i = 0; i < 60; i++) {
    const middle = Math.sqrt(low * high);
    if (widthAt(middle) < area.width) low = middle;
    else high = middle;
  }
  const t = Math.sqrt(low * high);
  const own = stretched(t);
  const cells = new Array<Rect>(proportions.length);
  const place = (part: Tree, left: Edge, top: Edge, right: Edge, bottom: Edge): void => {
    if (typeof part === "number") {
      const [x, y] = [left.rounded, top.rounded];
      cells[part] = { x, y, width: um(right.rounded - x), height: um(bottom.rounded - y) };
      return;
    }
    const { a, b } = lineOf(part.first, own, gap);
    if (part.along === "x") {
      const cut = edge(left.exact + a * (bottom.exact - top.exact) + b);
      place(part.first, left, top, cut, bottom);
      place(part.second, beyond(cut, gap), top, right, bottom);
    } else {
      const cut = edge(top.exact + (right.exact - left.exact - b) / a);
      place(part.first, left, top, right, cut);
      place(part.second, left, beyond(cut, gap), right, bottom);
    }
  };
  place(tree, edge(0), edge(0), edge(area.width), edge(area.height));
  const whole = cells.every(({ width, height }) => width > 0 && height > 0);
  return whole ? { cells, crop: 1 - Math.min(t, 1 / t) } : null;
}

/** Where a cut goes: parts are divided exactly, and only what is cut is rounded, or errors would add up from part to part. */
interface Edge {
  exact: number;
  rounded: Um;
}

const edge = (exact: number): Edge => ({ exact, rounded: nearest(exact) });

/** The other side of a gap, which is whole micrometres. */
const beyond = ({ exact, rounded }: Edge, gap: number): Edge => ({
  exact: exact + gap,
  rounded: um(rounded + gap),
});
