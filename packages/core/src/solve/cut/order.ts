import type { Choice } from "./choose.ts";

/** The passes in order, each with what the stop is set to. */
export interface Order {
  passes: { kind: number; stop: number }[];
  /** How often the stop is set. */
  stops: number;
}

/** Up to so many passes every order is compared; beyond that the stop that serves most is taken at each turn. */
const FEW = 12;

/** Orders passes so that the stop is set as rarely as possible. A kind is cut when all that yield it have been cut. */
export function fewestStops(choice: Choice): Order {
  const kinds = [...choice.keys()];
  const yielders = kinds.map((kind) =>
    kinds.flatMap((from, i) => (choice.get(from)!.parts.includes(kind) ? [i] : [])),
  );
  const stops = kinds.map((kind) => choice.get(kind)!.stops);
  const ready = (done: ReadonlySet<number>) =>
    kinds.flatMap((_, i) => (!done.has(i) && yielders[i]!.every((from) => done.has(from)) ? [i] : []));
  const order = kinds.length <= FEW ? byAllOrders(stops, ready) : byMostServed(stops, ready);
  const passes = order.map(([i, stop]) => ({ kind: kinds[i]!, stop }));
  return { passes, stops: passes.filter(({ stop }, i) => i === 0 || stop !== passes[i - 1]!.stop).length };
}

type Ready = (done: ReadonlySet<number>) => number[];
type Made = [pass: number, stop: number][];

/** Makes every pass that the stop serves as it stands; they can only help. Changes what is done. */
function whileItServes(
  stops: readonly (readonly [number, number])[],
  ready: Ready,
  done: Set<number>,
  stop: number,
): Made {
  const made: Made = [];
  for (;;) {
    const next = ready(done).find((i) => stops[i]!.includes(stop));
    if (next === undefined) return made;
    done.add(next);
    made.push([next, stop]);
  }
}

function byAllOrders(stops: readonly (readonly [number, number])[], ready: Ready): Made {
  let best: { made: Made; times: number } = { made: [], times: Infinity };
  const seen = new Map<string, number>();
  const search = (done: ReadonlySet<number>, made: Made, times: number) => {
    if (times >= best.times) return;
    if (done.size === stops.length) {
      best = { made, times };
      return;
    }
    const key = [...done].sort((a, b) => a - b).join();
    if ((seen.get(key) ?? Infinity) <= times) return;
    seen.set(key, times);
    for (const stop of new Set(ready(done).flatMap((i) => stops[i]!))) {
      const next = new Set(done);
      search(next, [...made, ...whileItServes(stops, ready, next, stop)], times + 1);
    }
  };
  search(new Set(), [], 0);
  return best.made;
}

function byMostServed(stops: readonly (readonly [number, number])[], ready: Ready): Made {
  const done = new Set<number>();
  const made: Made = [];
  while (done.size < stops.length) {
    const offers = [...new Set(ready(done).flatMap((i) => stops[i]!))].map((stop) => {
      const tried = new Set(done);
      return { stop, serves: whileItServes(stops, ready, tried, stop).length };
    });
    const { stop } = offers.reduce((best, offer) => (offer.serves > best.serves ? offer : best));
    made.push(...whileItServes(stops, ready, done, stop));
  }
  return made;
}
