import { writeNumber } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import type { KindFinding, Looked } from "../finding.ts";
import type { TicketOf } from "../tickets.ts";

/** More than this cropped of every photo is no longer "nothing cropped": half a millimetre of ten centimetres. */
const SEEN = 0.005;

/** A collage that was to crop nothing, where gaps, border or paper changed after it was found. */
export function collageCrop(
  _job: Job,
  { way, arrangement, proposal }: TicketOf<"collage">,
  { layout, words }: Looked,
): KindFinding[] {
  const { crop } = layout.sums;
  if (way !== "whole" || crop === undefined || crop <= SEEN) return [];
  const percent = writeNumber(crop * 100, words.locale, 1, 1);
  return [
    {
      rule: "collage-crop",
      level: "look",
      sentence: `To fill the sheet exactly, this arrangement crops ${percent} % of every photo.`,
      mend: {
        label: "Look for one that crops less",
        ticket: arrangement === null ? { proposal: proposal + 1 } : { arrangement: null },
      },
    },
  ];
}
