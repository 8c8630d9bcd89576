import type { ItemPlan, Job, JobEdit, Rect } from "@wide-quilt/core";

/** Puts a box of words, a shape or a block elsewhere, or turns it; what does not change stays. */
export function itemEdit(
  { texts, blocks, shapes }: Pick<Job, "texts" | "blocks" | "shapes">,
  { kind, name }: Pick<ItemPlan, "kind" | "name">,
  to: Partial<Rect> & { turn?: number },
): JobEdit {
  if (kind === "words") return { do: "texts", texts: { [name]: { ...texts[name]!, ...to } } };
  if (kind === "shape") return { do: "shapes", shapes: { [name]: { ...shapes[name]!, ...to } } };
  const { turn: _turn, ...rect } = to;
  return { do: "blocks", blocks: { [name]: { ...blocks[name]!, ...rect } } };
}

/** Takes a box of words, a shape or a block out. */
export function withoutItem({ kind, name }: Pick<ItemPlan, "kind" | "name">): JobEdit {
  if (kind === "words") return { do: "texts", texts: { [name]: null } };
  if (kind === "shape") return { do: "shapes", shapes: { [name]: null } };
  return { do: "blocks", blocks: { [name]: null } };
}
