import { chance } from "../../base/chance.ts";
import { inBlocks, inHalves } from "./first.ts";
import { change, treeOf, type Nodes } from "./nodes.ts";
import type { WholeQuestion } from "./question.ts";
import { fitTree, type Tree, type TreeCells } from "./tree.ts";
import { valueOf, Worth } from "./worth.ts";

export interface Whole extends TreeCells {
  tree: Tree;
}

/** Changes tried, times photos: 0.15 s at most here. */
const WORK = 700_000;
/**
 * Up to so many photos the search goes through trees of all kinds, and starts several times, for it can run into one that
 * nothing small mends. With more it would not come to its end in the time there is: it begins from the best of many deals
 * into blocks of rows, in which photos then only change places. Rows make all photos alike, so where some are to be larger
 * than others it goes through trees of all kinds once.
 */
const FEW = 24;
const SEARCHES = {
  few: { starts: 3, heat: 0.3, swaps: 0.45, begin: inHalves },
  many: { starts: 1, heat: 0.03, swaps: 1, begin: bestDeal },
  weighed: { starts: 1, heat: 0.3, swaps: 0.45, begin: inHalves },
};

const searchFor = ({ proportions: { length }, weights = [] }: WholeQuestion) =>
  length <= FEW
    ? SEARCHES.few
    : weights.every((weight) => weight === weights[0])
      ? SEARCHES.many
      : SEARCHES.weighed;

const DEALS = 400;
/** What a misfit of the whole counts for against unevenness, at the end and at the beginning. */
const MISFIT = 60;
const LAX = 3;

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
  const search = searchFor(question);
  const rounds = Math.round(WORK / search.starts / Math.max(n, FEW));
  for (let start = 0; start < search.starts; start++) {
    const found = annealed(search.begin(question, random, worth), worth, random, rounds, search);
    if (!best || found.value < best.value) best = found;
  }
  if (!best) return null;
  const fitted = fitTree(best.tree, question.proportions, question.area, question.gap);
  return fitted && { ...fitted, tree: best.tree };
}

/** The best of many deals of the photos. */
function bestDeal(question: WholeQuestion, random: () => number, worth: Worth): Nodes {
  let best: { value: number; nodes: Nodes } | null = null;
  for (let deal = 0; deal < DEALS; deal++) {
    const nodes = inBlocks(question, random);
    const value = valueOf(worth.of(nodes), MISFIT);
    if (!best || value < best.value) best = { value, nodes };
  }
  return best!.nodes;
}

/** One search from a tree, which it changes. */
function annealed(
  nodes: Nodes,
  worth: Worth,
  random: () => number,
  rounds: number,
  { heat: hot, swaps }: { heat: number; swaps: number },
): { value: number; tree: Tree } {
  const n = (nodes.first.length + 1) / 2;
  let now = worth.of(nodes);
  let best = { value: valueOf(now, MISFIT), tree: treeOf(nodes, nodes.root) };
  for (let round = 0; round < rounds && n > 1; round++) {
    const done = round / rounds;
    const heat = hot * (1 - done) ** 3;
    // At first sizes count for more; later only what fits survives.
    const misfit = LAX + (MISFIT - LAX) * done ** 2;
    const back = change(nodes, n, random, swaps);
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
