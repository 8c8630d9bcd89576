/** The eight neighbours of a place on a grid, each opposite the one four further on. */
const NEIGHBOURS = [
  [1, 0],
  [1, 1],
  [0, 1],
  [-1, 1],
  [-1, 0],
  [-1, -1],
  [0, -1],
  [1, -1],
] as const;
const DIRECTIONS = 8;
const opposite = (direction: number): number => (direction + 4) & 7;

const FREE = 0;
const SOURCE = 1;
const SINK = 2;

/** What a node hangs on: 0…7 a neighbour, or one of these. */
const TERMINAL = 8;
const ORPHAN = 9;
const NONE = 10;

/** A grid whose places are to be divided in two. */
export interface GridGraph {
  width: number;
  height: number;
  /** For each place what it costs to be on the side of the sink, less what it costs to be on that of the source. */
  terminal: Float32Array;
  /** For each place and each of its first four neighbours (right, right below, below, left below) what parting them costs. */
  links: Float32Array;
}

/**
 * The cheapest division of a grid in two: 1 for the places on the source’s side. Minimum cut by maximum flow, two search trees that
 * are kept and mended (Boykov and Kolmogorov 2004, “An experimental comparison of min-cut/max-flow algorithms for
 * energy minimization in vision”, sections 3.2 and 3.3).
 */
export function graphCut(graph: GridGraph): Uint8Array {
  const cut = new Cut(graph);
  cut.run();
  return cut.side();
}

/**
 * The places lie with an empty margin of one around them, to which nothing can flow: so a neighbour is an addition away, and
 * nobody asks whether there is one.
 */
class Cut {
  private readonly width: number;
  private readonly height: number;
  /** What to add to a place for its neighbour in each direction. */
  private readonly offset: Int32Array;
  /** What can still flow from a place to each neighbour. */
  private readonly capacity: Float32Array;
  private readonly terminal: Float32Array;
  private readonly tree: Uint8Array;
  private readonly parent: Uint8Array;
  private readonly stamp: Int32Array;
  private readonly distance: Int32Array;
  private readonly isActive: Uint8Array;
  private active: number[] = [];
  private activeAt = 0;
  private readonly orphans: number[] = [];
  private time = 0;

  constructor({ width, height, terminal, links }: GridGraph) {
    this.width = width;
    this.height = height;
    const row = width + 2;
    const n = row * (height + 2);
    this.offset = Int32Array.from(NEIGHBOURS, ([dx, dy]) => dy * row + dx);
    this.terminal = new Float32Array(n);
    this.capacity = new Float32Array(n * DIRECTIONS);
    this.tree = new Uint8Array(n);
    this.parent = new Uint8Array(n).fill(NONE);
    this.stamp = new Int32Array(n);
    this.distance = new Int32Array(n);
    this.isActive = new Uint8Array(n);
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const i = (y + 1) * row + x + 1;
        const from = y * width + x;
        this.terminal[i] = terminal[from]!;
        for (let direction = 0; direction < 4; direction++) {
          const [dx, dy] = NEIGHBOURS[direction]!;
          if (x + dx < 0 || x + dx >= width || y + dy >= height) continue;
          const cost = links[from * 4 + direction]!;
          this.capacity[i * DIRECTIONS + direction] = cost;
          this.capacity[this.neighbour(i, direction) * DIRECTIONS + opposite(direction)] = cost;
        }
        if (terminal[from] === 0) continue;
        this.tree[i] = terminal[from]! > 0 ? SOURCE : SINK;
        this.parent[i] = TERMINAL;
        this.distance[i] = 1;
        this.activate(i);
      }
    }
  }

  side(): Uint8Array {
    const out = new Uint8Array(this.width * this.height);
    for (let i = 0; i < out.length; i++) {
      const y = Math.floor(i / this.width);
      out[i] = this.tree[(y + 1) * (this.width + 2) + (i % this.width) + 1] === SOURCE ? 1 : 0;
    }
    return out;
  }

  run(): void {
    let current = -1;
    for (;;) {
      if (current < 0 || this.parent[current] === NONE) {
        current = this.nextActive();
        if (current < 0) return;
      }
      const meeting = this.grow(current);
      this.time++;
      if (meeting < 0) {
        current = -1;
        continue;
      }
      this.augment(meeting);
      this.adopt();
    }
  }

  private neighbour(i: number, direction: number): number {
    return i + this.offset[direction]!;
  }

  private activate(i: number): void {
    if (this.isActive[i]) return;
    this.isActive[i] = 1;
    this.active.push(i);
  }

  private nextActive(): number {
    while (this.activeAt < this.active.length) {
      const i = this.active[this.activeAt++]!;
      if (this.activeAt > 65_536) {
        this.active = this.active.slice(this.activeAt);
        this.activeAt = 0;
      }
      this.isActive[i] = 0;
      if (this.parent[i] !== NONE) return i;
    }
    return -1;
  }

  /** What can flow along a tree’s edge from i towards a neighbour, away from the source or towards the sink. */
  private open(i: number, direction: number, j: number): number {
    return this.tree[i] === SOURCE
      ? this.capacity[i * DIRECTIONS + direction]!
      : this.capacity[j * DIRECTIONS + opposite(direction)]!;
  }

  /** Lets a node’s tree grow. Where it meets the other tree, the edge from the source’s node: node · 8 + direction; else −1. */
  private grow(i: number): number {
    for (let direction = 0; direction < DIRECTIONS; direction++) {
      const j = this.neighbour(i, direction);
      if (this.open(i, direction, j) <= 0) continue;
      if (this.tree[j] === FREE) {
        this.tree[j] = this.tree[i]!;
        this.hang(j, opposite(direction), i);
        this.activate(j);
      } else if (this.tree[j] !== this.tree[i]) {
        return this.tree[i] === SOURCE ? i * DIRECTIONS + direction : j * DIRECTIONS + opposite(direction);
      } else if (this.stamp[j]! <= this.stamp[i]! && this.distance[j]! > this.distance[i]! + 1) {
        // A shorter way to the terminal.
        this.hang(j, opposite(direction), i);
      }
    }
    return -1;
  }

  private hang(j: number, direction: number, on: number): void {
    this.parent[j] = direction;
    this.stamp[j] = this.stamp[on]!;
    this.distance[j] = this.distance[on]! + 1;
  }

  private augment(meeting: number): void {
    const [from, direction] = [Math.floor(meeting / DIRECTIONS), meeting % DIRECTIONS];
    const to = this.neighbour(from, direction);
    let least = this.capacity[meeting]!;
    let i = from;
    for (; this.parent[i] !== TERMINAL; i = this.neighbour(i, this.parent[i]!)) {
      const up = this.neighbour(i, this.parent[i]!);
      least = Math.min(least, this.capacity[up * DIRECTIONS + opposite(this.parent[i]!)]!);
    }
    least = Math.min(least, this.terminal[i]!);
    for (i = to; this.parent[i] !== TERMINAL; i = this.neighbour(i, this.parent[i]!)) {
      least = Math.min(least, this.capacity[i * DIRECTIONS + this.parent[i]!]!);
    }
    least = Math.min(least, -this.terminal[i]!);

    this.push(from, direction, to, least);
    for (i = from; this.parent[i] !== TERMINAL;) {
      const up = this.neighbour(i, this.parent[i]!);
      const down = opposite(this.parent[i]!);
      this.push(up, down, i, least);
      if (this.capacity[up * DIRECTIONS + down]! <= 0) this.orphan(i);
      i = up;
    }
    this.terminal[i]! -= least;
    if (this.terminal[i]! <= 0) this.orphan(i);
    for (i = to; this.parent[i] !== TERMINAL;) {
      const up = this.neighbour(i, this.parent[i]!);
      const direction2 = this.parent[i]!;
      this.push(i, direction2, up, least);
      if (this.capacity[i * DIRECTIONS + direction2]! <= 0) this.orphan(i);
      i = up;
    }
    this.terminal[i]! += least;
    if (this.terminal[i]! >= 0) this.orphan(i);
  }

  private push(i: number, direction: number, j: number, flow: number): void {
    this.capacity[i * DIRECTIONS + direction]! -= flow;
    this.capacity[j * DIRECTIONS + opposite(direction)]! += flow;
  }

  /** A node whose way to its terminal is full. The walk that finds it still needs its parent, so it is only listed. */
  private orphan(i: number): void {
    this.orphans.push(i);
  }

  private adopt(): void {
    const marked = this.orphans.splice(0);
    for (const i of marked) this.parent[i] = ORPHAN;
    for (let at = 0; at < marked.length; at++) {
      const i = marked[at]!;
      let best = -1;
      let nearest = Infinity;
      for (let direction = 0; direction < DIRECTIONS; direction++) {
        const j = this.neighbour(i, direction);
        if (this.tree[j] !== this.tree[i]) continue;
        const towards =
          this.tree[i] === SOURCE
            ? this.capacity[j * DIRECTIONS + opposite(direction)]!
            : this.capacity[i * DIRECTIONS + direction]!;
        if (towards <= 0) continue;
        const distance = this.toTerminal(j);
        if (distance < nearest) [nearest, best] = [distance, direction];
      }
      if (best >= 0) {
        this.parent[i] = best;
        this.stamp[i] = this.time;
        this.distance[i] = nearest + 1;
        continue;
      }
      for (let direction = 0; direction < DIRECTIONS; direction++) {
        const j = this.neighbour(i, direction);
        if (this.tree[j] !== this.tree[i]) continue;
        if (this.open(j, opposite(direction), i) > 0) this.activate(j);
        if (this.parent[j] === opposite(direction)) {
          this.parent[j] = ORPHAN;
          marked.push(j);
        }
      }
      this.tree[i] = FREE;
      this.parent[i] = NONE;
    }
  }

  /** How many edges a node is from its terminal, or Infinity where its way ends at an orphan. Stamps the way it went. */
  private toTerminal(from: number): number {
    let steps = 0;
    let j = from;
    for (;;) {
      if (this.stamp[j] === this.time && this.parent[j]! < ORPHAN) {
        steps += this.distance[j]!;
        break;
      }
      const up = this.parent[j]!;
      if (up === ORPHAN || up === NONE) return Infinity;
      steps++;
      if (up === TERMINAL) {
        this.stamp[j] = this.time;
        this.distance[j] = 1;
        break;
      }
      j = this.neighbour(j, up);
    }
    let left = steps;
    for (j = from; this.stamp[j] !== this.time; j = this.neighbour(j, this.parent[j]!)) {
      this.stamp[j] = this.time;
      this.distance[j] = left--;
    }
    return steps;
  }
}
