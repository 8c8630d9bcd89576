import { chance } from "../chance.ts";
import type { Size } from "../geometry/index.ts";
import { fitTree, type Tree, type TreeCells } from "./tree.ts";

/** Photos that fill an area with nothing cropped. */
export interface WholeQuestion {
  area: Size;
  gap: number;
  /** Width over height of each photo. */
  proportions: readonly number[];
  /** How large each is to be against the others; 1 for all when left out. */
  weights?: readonly number[];
}

export interface Whole extends TreeCells {
  tree: Tree;
}

/** Changes tried, times photos: 0.15 s at most here. */
const WORK = 700_000;
/** Up to so many photos the search starts several times, for it can run into a tree that nothing small mends. */
const FEW = 24;
const STARTS = 3;
/** What a misfit of the whole counts for against unevenness, at the end and at the beginning, and what nobody can see. */
const MISFIT = 60;
const LAX = 3;
const UNSEEN = 5e-4;

/** A tree while it is changed: nodes 0 … n − 1 are photos, the others have two parts. */
interface Nodes {
  first: Int16Array;
  second: Int16Array;
  beside: Uint8Array;
  parent: Int16Array;
  root: number;
}

/**
 * Looks for the slicing tree that crops least and comes nearest to the sizes wanted, by simulated annealing over trees:
 * two photos change places, a division turns, a part moves elsewhere. A proposal is a seed; each gives another tree.
 * Null when the gaps leave no room.
 */
export function nothingCropped(question: WholeQuestion, proposal: number): Whole | null {
  const n = question.proportions.length;
  if (n === 0) return null;
  const random = chance(proposal * 7919 + n);
  const worth = new Worth(question, (weight) => (proposal === 0 ? weight : weight * (0.6 + 0.8 * random())));
  let best: { value: number; tree: Tree } | null = null;
  const starts = n <= FEW ? STARTS : 1;
  for (let start = 0; start < starts; start++) {
    const found = annealed(question, worth, random, n, Math.round(WORK / starts / Math.max(n, FEW)));
    if (!best || found.value < best.value) best = found;
  }
  if (!best) return null;
  const fitted = fitTree(best.tree, question.proportions, question.area, question.gap);
  return fitted && { ...fitted, tree: best.tree };
}

/** One search from a tree of its own. */
function annealed(
  question: WholeQuestion,
  worth: Worth,
  random: () => number,
  n: number,
  rounds: number,
): { value: number; tree: Tree } {
  const nodes = firstTree(n, question, random);
  let now = worth.of(nodes);
  let best = { value: valueOf(now, MISFIT), tree: treeOf(nodes, nodes.root) };
  for (let round = 0; round < rounds && n > 1; round++) {
    const done = round / rounds;
    const heat = 0.3 * (1 - done) ** 3;
    // At first sizes count for more; later only what fits survives.
    const misfit = LAX + (MISFIT - LAX) * done ** 2;
    const back = change(nodes, n, random);
    const next = worth.of(nodes);
    const worse = valueOf(next, misfit) - valueOf(now, misfit);
    if (worse <= 0 || random() < Math.exp(-worse / (heat + 1e-6))) {
      now = next;
      const value = valueOf(next, MISFIT);
      if (value < best.value) best = { value, tree: treeOf(nodes, nodes.root) };
    } else back();
  }
  return best;
}

/** How far a tree is from fitting its area, as a logarithm, and how far its sizes are from those wanted. */
interface Off {
  misfit: number;
  uneven: number;
}

const valueOf = ({ misfit, uneven }: Off, weight: number): number =>
  weight * Math.max(0, misfit - UNSEEN) + uneven;

/** Divides the photos in halves, each time across the longer side of what is left. */
function firstTree(n: number, { area }: WholeQuestion, random: () => number): Nodes {
  const nodes: Nodes = {
    first: new Int16Array(2 * n - 1).fill(-1),
    second: new Int16Array(2 * n - 1).fill(-1),
    beside: new Uint8Array(2 * n - 1),
    parent: new Int16Array(2 * n - 1).fill(-1),
    root: 0,
  };
  const photos = Array.from({ length: n }, (_, i) => i);
  for (let i = n - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1));
    [photos[i], photos[k]] = [photos[k]!, photos[i]!];
  }
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

function link(nodes: Nodes, parent: number, side: "first" | "second", child: number): void {
  nodes[side][parent] = child;
  nodes.parent[child] = parent;
}

const sideOf = (nodes: Nodes, child: number): "first" | "second" =>
  nodes.first[nodes.parent[child]!] === child ? "first" : "second";

/** Makes one change, and gives what takes it back. */
function change(nodes: Nodes, n: number, random: () => number): () => void {
  const kind = random();
  if (kind < 0.45) {
    const [a, b] = [Math.floor(random() * n), Math.floor(random() * n)];
    const swap = () => {
      if (a === b) return;
      const [pa, pb] = [nodes.parent[a]!, nodes.parent[b]!];
      const [sa, sb] = [sideOf(nodes, a), sideOf(nodes, b)];
      link(nodes, pa, sa, b);
      link(nodes, pb, sb, a);
    };
    swap();
    return swap;
  }
  if (kind < 0.7) {
    const node = n + Math.floor(random() * (n - 1));
    const turn = () => (nodes.beside[node] = 1 - nodes.beside[node]!);
    turn();
    return turn;
  }
  return move(nodes, random);
}

/** A part leaves its place, its neighbour takes the whole of it, and it is set beside or over some other part. */
function move(nodes: Nodes, random: () => number): () => void {
  const nothing = () => undefined;
  const part = Math.floor(random() * nodes.first.length);
  if (part === nodes.root) return nothing;
  const join = nodes.parent[part]!;
  const neighbour = sideOf(nodes, part) === "first" ? nodes.second[join]! : nodes.first[join]!;
  const to = Math.floor(random() * nodes.first.length);
  if (to === join || to === neighbour || isUnder(nodes, to, part)) return nothing;
  const before = {
    ...nodes,
    first: nodes.first.slice(),
    second: nodes.second.slice(),
    beside: nodes.beside.slice(),
    parent: nodes.parent.slice(),
  };
  const replace = (old: number, fresh: number) => {
    const above = nodes.parent[old]!;
    if (above === -1) {
      nodes.root = fresh;
      nodes.parent[fresh] = -1;
    } else link(nodes, above, sideOf(nodes, old), fresh);
  };
  replace(join, neighbour);
  replace(to, join);
  const swap = random() < 0.5;
  link(nodes, join, "first", swap ? to : part);
  link(nodes, join, "second", swap ? part : to);
  nodes.beside[join] = random() < 0.5 ? 1 : 0;
  return () => Object.assign(nodes, before);
}

function isUnder(nodes: Nodes, node: number, part: number): boolean {
  for (let up = node; up !== -1; up = nodes.parent[up]!) if (up === part) return true;
  return false;
}

function treeOf(nodes: Nodes, node: number): Tree {
  if (nodes.first[node] === -1) return node;
  return {
    along: nodes.beside[node] ? "x" : "y",
    first: treeOf(nodes, nodes.first[node]!),
    second: treeOf(nodes, nodes.second[node]!),
  };
}

/** What a tree is worth: nothing for one that fits the area and gives every photo its share, more for a worse one. */
class Worth {
  private readonly a: Float64Array;
  private readonly b: Float64Array;
  private readonly wanted: Float64Array;
  /** How far the photo furthest from its wanted size is from it, as a logarithm. */
  private worst = 0;

  /** What each photo's size counts for: one that is to be larger is to be so before others are even. */
  private readonly weights: readonly number[];
  private readonly sum: number;

  /** Proposals after the first wish for somewhat other sizes, so that they become others. */
  constructor(
    private readonly question: WholeQuestion,
    vary: (weight: number) => number,
  ) {
    const n = question.proportions.length;
    this.a = new Float64Array(2 * n - 1);
    this.b = new Float64Array(2 * n - 1);
    this.weights = (question.weights ?? question.proportions.map(() => 1)).map(vary);
    this.sum = this.weights.reduce((x, y) => x + y, 0);
    const { width, height } = question.area;
    this.wanted = Float64Array.from(this.weights, (weight) => Math.log((width * height * weight) / this.sum));
  }

  of(nodes: Nodes): Off {
    const { area } = this.question;
    this.line(nodes, nodes.root);
    const width = this.a[nodes.root]! * area.height + this.b[nodes.root]!;
    if (width <= 0) return { misfit: 1e3, uneven: 1e3 };
    // Sizes are taken at the area's width, where the misfit shows in the height.
    this.worst = 0;
    const uneven = this.uneven(nodes, nodes.root, area.width);
    return {
      misfit: Math.abs(Math.log(width / area.width)),
      uneven: Math.sqrt(uneven / this.sum) + 0.3 * this.worst,
    };
  }

  /** As `lineOf` has it. */
  private line(nodes: Nodes, node: number): void {
    const { a, b } = this;
    const one = nodes.first[node]!;
    if (one === -1) {
      a[node] = this.question.proportions[node]!;
      b[node] = 0;
      return;
    }
    const two = nodes.second[node]!;
    this.line(nodes, one);
    this.line(nodes, two);
    const { gap } = this.question;
    if (nodes.beside[node]) {
      a[node] = a[one]! + a[two]!;
      b[node] = b[one]! + b[two]! + gap;
    } else {
      a[node] = 1 / (1 / a[one]! + 1 / a[two]!);
      b[node] = a[node]! * (b[one]! / a[one]! + b[two]! / a[two]! - gap);
    }
  }

  private uneven(nodes: Nodes, node: number, width: number): number {
    const height = (width - this.b[node]!) / this.a[node]!;
    if (width <= 0 || height <= 0) return 1e6;
    const one = nodes.first[node]!;
    if (one === -1) {
      const off = Math.abs(Math.log(width * height) - this.wanted[node]!);
      if (off > this.worst) this.worst = off;
      return off ** 2 * this.weights[node]!;
    }
    const two = nodes.second[node]!;
    if (!nodes.beside[node]) return this.uneven(nodes, one, width) + this.uneven(nodes, two, width);
    return (
      this.uneven(nodes, one, this.a[one]! * height + this.b[one]!) +
      this.uneven(nodes, two, this.a[two]! * height + this.b[two]!)
    );
  }
}
