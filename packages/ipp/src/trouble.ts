/** What is the matter with a printer, as far as its owner can do something about it. */
export type Trouble = "no paper" | "paper stuck" | "little paper" | "no ink" | "little ink" | "open" | "held";

/**
 * By the keywords of printer-state-reasons (RFC 8011, 5.4.12; PWG 5100.9), which may have “-warning” and the like behind
 * them, and a maker’s name before.
 */
const TROUBLES: readonly [RegExp, Trouble][] = [
  [/media-(empty|needed)/, "no paper"],
  [/media-jam/, "paper stuck"],
  [/media-low/, "little paper"],
  [/(marker|toner|ink).*(empty|out|missing)/, "no ink"],
  [/(marker|toner|ink).*low/, "little ink"],
  [/(cover|door|interlock)-open/, "open"],
  [/paused|stopped/, "held"],
];

/** What a reason that a printer gives means; null for one that says nothing to its owner. */
export const troubleOf = (reason: string): Trouble | null =>
  TROUBLES.find(([known]) => known.test(reason))?.[1] ?? null;
