import { bareNodes, link, type Nodes } from "./nodes.ts";
import type { WholeQuestion } from "./question.ts";

/** Divides the photos in halves, each time across the longer side of what is left. */
export function inHalves({ area, proportions }: WholeQuestion, random: () => number): Nodes {
  const n = proportions.length;
  const nodes = bareNodes(n);
  const photos = shuffled(n, random);
  let next = n;
  const build = (list: number[], width: number, height: number): number => {
    if (list.length === 1) return list[0]!;
    const node = next++;
    const half = Math.ceil(list.length / 2);
    const share = half / list.length;
    const beside = width > height;
    nodes.beside[node] = beside ? 1 : 0;
    link(
      nodes,
      node,
      "first",
      build(list.slice(0, half), beside ? width * share : width, beside ? height : height * share),
    );
    link(
      nodes,
      node,
      "second",
      build(list.slice(half), beside ? width * (1 - share) : width, beside ? height : height * (1 - share)),
    );
    return node;
  };
  nodes.root = build(photos, area.width, area.height);
  return nodes;
}

function shuffled(n: number, random: () => number): number[] {
  const photos = Array.from({ length: n }, (_, i) => i);
  for (let i = n - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1));
    [photos[i], photos[k]] = [photos[k]!, photos[i]!];
  }
  return photos;
}

/** Blocks that photos are dealt into, at most. */
const BLOCKS = 3;

/**
 * Deals the photos into blocks beside or over each other, and each block’s into rows of about the same length, or columns of
 * about the same height: no photo is then much larger than another, and with their numbers of rows the blocks can come near
 * to any area.
 *
 *     ┌──┬────┬──────┐      k rows of total proportion P / k are W · k / P high each;
 *     ├──┴─┬──┼───┬──┤      all of them H where k = √(H · P / W)
 *     ├───┬┴──┤   │  │
 *     └───┴───┴───┴──┘
 */
export function inBlocks({ area, proportions }: WholeQuestion, random: () => number): Nodes {
  const n = proportions.length;
  const nodes = bareNodes(n);
  let next = n;
  const joined = (parts: number[], beside: boolean): number => {
    if (parts.length === 1) return parts[0]!;
    const node = next++;
    nodes.beside[node] = beside ? 1 : 0;
    const half = parts.length >> 1;
    link(nodes, node, "first", joined(parts.slice(0, half), beside));
    link(nodes, node, "second", joined(parts.slice(half), beside));
    return node;
  };
  const block = (photos: number[], width: number, height: number): number => {
    const down = random() < 0.5;
    const long = (photo: number) => (down ? 1 / proportions[photo]! : proportions[photo]!);
    const whole = photos.reduce((sum, photo) => sum + long(photo), 0);
    const ideal = Math.sqrt(((down ? width : height) * whole) / (down ? height : width));
    const count = Math.min(photos.length, Math.max(1, Math.round(ideal + random() - 0.5)));
    // About the longest first, each into the row that is shortest so far.
    const rows = Array.from({ length: count }, () => ({ length: 0, photos: [] as number[] }));
    const order = photos
      .map((photo) => ({ photo, key: long(photo) * (0.6 + 0.8 * random()) }))
      .sort((a, b) => b.key - a.key);
    for (const { photo } of order) {
      const row = rows.reduce((least, one) => (one.length < least.length ? one : least));
      row.photos.push(photo);
      row.length += long(photo);
    }
    return joined(
      rows.map((row) => joined(row.photos, !down)),
      down,
    );
  };
  const photos = shuffled(n, random);
  const beside = random() < area.width / (area.width + area.height);
  const cuts = Array.from({ length: Math.floor(random() * BLOCKS) }, () => 0.2 + 0.6 * random()).sort();
  const ends = [...cuts.map((cut) => Math.round(cut * n)), n];
  const blocks = ends.flatMap((end, i): number[] => {
    const start = i === 0 ? 0 : ends[i - 1]!;
    if (end === start) return [];
    const share = (end - start) / n;
    return [
      block(
        photos.slice(start, end),
        beside ? area.width * share : area.width,
        beside ? area.height : area.height * share,
      ),
    ];
  });
  nodes.root = joined(blocks, beside);
  return nodes;
}
