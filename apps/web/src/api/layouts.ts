import type { PatternView } from "@wide-quilt/server/contract";

/** A layout of the book under its name in addresses: a pattern as it was made, or as it is made for another printer. */
export interface Layout {
  id: string;
  name: string;
}

/** All layouts that there are in the book. */
export const layoutsOf = (patterns: readonly PatternView[]): Layout[] =>
  patterns.flatMap(({ id, name, targets }) => [
    { id, name },
    ...targets.map((target) => ({ id: target.id, name: `${name}, ${target.for.name}` })),
  ]);
