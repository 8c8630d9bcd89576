import type { Kinds, Way } from "./graph.ts";

/** For each kind of piece that comes in hand, the way it is cut. */
export type Choice = ReadonlyMap<number, Way>;

/** Steps of the exact search before it gives way to the tree computation. */
const MOST_STEPS = 20_000;
/** Choices of equally few passes that are compared by their stops. */
const MOST_CHOICES = 200;

/**
 * The choices that free all pieces of a kind in the fewest passes of the knife; several when equally few. All equal
 * pieces are stacked and take one pass together, wherever on the sheet they come from, so what is counted is kinds:
 *
 *     passes(kinds in hand) = 1 + min over the ways to cut the largest of them of passes(the others and its parts)
 *
 * Exact as long as the search stays within its steps; beyond that the best tree, which counts only equal neighbours as
 * stacked. Null when some part cannot be cut straight.
 */
export function fewestPasses(kinds: Kinds, first: number): Choice[] | null {
  const tree = bestTree(kinds, first);
  if (!tree) return null;
  const found: Choice[] = [];
  let best = reached(tree, first);
  let steps = 0;
  const chosen = new Map<number, Way>();

  const search = (inHand: readonly number[]) => {
    if (found.length >= MOST_CHOICES || steps++ > MOST_STEPS) return;
    if (chosen.size + inHand.length > best) return;
    if (inHand.length === 0) {
      if (chosen.size < best) found.length = 0;
      best = chosen.size;
      found.push(new Map(chosen));
      return;
    }
    const [largest, ...others] = inHand;
    for (const way of kinds.ways(largest!)) {
      const fresh = way.parts.filter((part) => !others.includes(part));
      chosen.set(largest!, way);
      search([...others, ...fresh].sort((a, b) => kinds.kind(b).area - kinds.kind(a).area || a - b));
      chosen.delete(largest!);
    }
  };
  search([first]);
  return steps > MOST_STEPS || found.length === 0 ? [...found, only(tree, first)] : found;
}

/** For each kind the cut of least cost when each part is cut by itself, equal halves together. */
function bestTree(kinds: Kinds, first: number): Choice | null {
  const choice = new Map<number, Way>();
  const costs = new Map<number, number>();
  const cost = (number: number): number => {
    const before = costs.get(number);
    if (before !== undefined) return before;
    let best = Infinity;
    for (const way of kinds.ways(number)) {
      let sum = 1;
      for (const part of way.parts) sum += sum < best ? cost(part) : 0;
      if (sum >= best) continue;
      best = sum;
      choice.set(number, way);
    }
    costs.set(number, best);
    return best;
  };
  return cost(first) === Infinity ? null : choice;
}

const reached = (choice: Choice, first: number): number => only(choice, first).size;

/** The part of a choice that is needed when one begins with the first. */
function only(choice: Choice, first: number): Choice {
  const needed = new Map<number, Way>();
  const walk = (number: number) => {
    if (needed.has(number)) return;
    const way = choice.get(number)!;
    needed.set(number, way);
    way.parts.forEach(walk);
  };
  walk(first);
  return needed;
}
