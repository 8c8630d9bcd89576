import { sameHandles, type Face, type PortraitStudy } from "../portrait/index.ts";

/** The heads that are in a photo, the largest first, and whether they were found or somebody set them. */
export interface Seen {
  heads: Face[];
  by: "found" | "hand";
  /** What was measured in the pixels where the largest head is that of a portrait; left out as long as nobody has looked. */
  study?: PortraitStudy;
}

/** What is known of a photo once a hand has set its heads. What was measured holds as long as that head is where it was. */
export function seenByHand(before: Seen | null | undefined, heads: readonly Face[]): Seen {
  const [was, is] = [before?.heads[0], heads[0]];
  const study = was && is && sameHandles(was, is) ? before?.study : undefined;
  return { heads: [...heads], by: "hand", ...(study && { study }) };
}
