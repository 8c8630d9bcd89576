/** Repeatable chance: the same seed gives the same photo on every machine (the mulberry32 generator). */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A number between two others. */
export const between = (random: () => number, from: number, to: number): number =>
  from + (to - from) * random();
