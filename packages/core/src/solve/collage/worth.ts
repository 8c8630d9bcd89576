import type { Nodes } from "./nodes.ts";
import type { WholeQuestion } from "./question.ts";

/** What nobody can see of a misfit. */
const UNSEEN = 3e-4;

/** How far a tree is from fitting its area, as a logarithm, and how far its sizes are from those wanted. */
export interface Off {
  misfit: number;
  uneven: number;
}

export const valueOf = ({ misfit, uneven }: Off, weight: number): number =>
  weight * Math.max(0, misfit - UNSEEN) + uneven;

/** What a tree is worth: nothing for one that fits the area and gives every photo its share, more for a worse one. */
export class Worth {
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
