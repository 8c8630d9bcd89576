import type { Tree } from "./tree.ts";

/** A tree while it is changed: nodes 0 … n − 1 are photos, the others have two parts. */
export interface Nodes {
  first: Int16Array;
  second: Int16Array;
  beside: Uint8Array;
  parent: Int16Array;
  root: number;
}

/** A tree of so many photos that has no parts yet. */
export const bareNodes = (n: number): Nodes => ({
  first: new Int16Array(2 * n - 1).fill(-1),
  second: new Int16Array(2 * n - 1).fill(-1),
  beside: new Uint8Array(2 * n - 1),
  parent: new Int16Array(2 * n - 1).fill(-1),
  root: 0,
});

export function link(nodes: Nodes, parent: number, side: "first" | "second", child: number): void {
  nodes[side][parent] = child;
  nodes.parent[child] = parent;
}

const sideOf = (nodes: Nodes, child: number): "first" | "second" =>
  nodes.first[nodes.parent[child]!] === child ? "first" : "second";

/** Of the changes that are no swaps, how many turn a division; the others move a part. */
const TURNS = 0.45;

/** Makes one change, and gives what takes it back. `swaps` is how many let two photos change places, 0…1. */
export function change(nodes: Nodes, n: number, random: () => number, swaps: number): () => void {
  const kind = random();
  if (kind < swaps) {
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
  if (kind < swaps + (1 - swaps) * TURNS) {
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

export function treeOf(nodes: Nodes, node: number): Tree {
  if (nodes.first[node] === -1) return node;
  return {
    along: nodes.beside[node] ? "x" : "y",
    first: treeOf(nodes, nodes.first[node]!),
    second: treeOf(nodes, nodes.second[node]!),
  };
}
