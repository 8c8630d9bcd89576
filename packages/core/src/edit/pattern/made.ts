import { nearest, toPx, writeMeasure, writeNumber } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import type { TicketWords } from "../../kinds/index.ts";
import { bring, type Brought } from "./bring.ts";
import { sayCorrection, withCorrections, type Correction } from "./corrections.ts";
import type { MadeFor } from "./madeFor.ts";

/** A pattern made for one more printer: how, and what was set by hand for that one. */
export interface PatternTarget {
  /** Its name in addresses. */
  id: string;
  for: MadeFor;
  corrections: Correction[];
}

/** What a target of a pattern comes to. */
export interface Made extends Omit<Brought, "job"> {
  job: Job;
  /** The job before anything was set by hand. */
  computed: Job;
  /** Corrections whose thing is no more. */
  lost: Correction[];
}

/** A page that is off by less than this, in µm, is the same. */
const SAME = 500;

/**
 * The layout of a pattern for one of its targets: computed from the pattern’s own, then corrected by hand. Nothing of it is
 * kept, so that a pattern that changes has all its targets changed.
 */
export function makeFor(master: Job, target: Pick<PatternTarget, "for" | "corrections">): Made {
  const { job: computed, ...brought } = bring(master, target.for);
  return { ...brought, computed, ...withCorrections(computed, target.corrections) };
}

/** What a person should know of a page that was brought to another: what is cut off or bare, and what found no place. */
export function sayMade(
  { job, fitting, whole, page, limited, filled, lost }: Made,
  master: Job,
  words: TicketWords,
): { level: "look" | "right"; sentence: string }[] {
  const write = { ...words, ppi: job.target.ppi };
  const both = (length: number) =>
    `${writeMeasure(nearest(length), write)} (${writeNumber(toPx(length, job.target.ppi), words.locale, 0, 1)}\u00a0px)`;
  const said: { level: "look" | "right"; sentence: string }[] = [];
  const look = (sentence: string) => said.push({ level: "look", sentence });
  const [off, over] = [(whole.width - page.width) / 2, (whole.height - page.height) / 2];
  if (off > SAME) look(`At the left and at the right ${both(off)} of it are cut off.`);
  if (over > SAME) look(`Above and below ${both(over)} of it are cut off.`);
  const bare = filled ? "are filled with its edge" : "of the page stay bare";
  if (off < -SAME) look(`At the left and at the right ${both(-off)} ${bare}.`);
  if (over < -SAME) look(`Above and below ${both(-over)} ${bare}.`);
  const stretched = Math.max(fitting.across / fitting.down, fitting.down / fitting.across) - 1;
  if (stretched > 0.001) {
    look(`It is stretched by ${writeNumber(stretched * 100, words.locale, 0, 1)} %: circles become ovals.`);
  }
  if (limited > 0) {
    look(
      `${limited === 1 ? "One length" : `${limited} lengths`} would have come out too small or too large to be made, and ${limited === 1 ? "was" : "were"} held at what can be.`,
    );
  }
  for (const one of lost) {
    look(`What was set by hand for ${sayCorrection(one, master)} has nothing to be set for any more.`);
  }
  if (said.length === 0) said.push({ level: "right", sentence: "All of it is on the page." });
  return said;
}
