import type { ItemPlan, Job, JobEdit, Rect } from "@wide-quilt/core";

/** Puts a box of words or a block elsewhere, or turns it; what does not change stays. */
export function itemEdit(
  { texts, blocks }: Pick<Job, "texts" | "blocks">,
  { kind, name }: Pick<ItemPlan, "kind" | "name">,
  to: Partial<Rect> & { turn?: number },
): JobEdit {
  if (kind === "words") return { do: "texts", texts: { [name]: { ...texts[name]!, ...to } } };
  const { turn: _turn, ...rect } = to;
  return { do: "blocks", blocks: { [name]: { ...blocks[name]!, ...rect } } };
}

/** Takes a box of words or a block out. */
export const withoutItem = ({ kind, name }: Pick<ItemPlan, "kind" | "name">): JobEdit =>
  kind === "words" ? { do: "texts", texts: { [name]: null } } : { do: "blocks", blocks: { [name]: null } };
