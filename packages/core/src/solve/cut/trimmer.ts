import { um, type Um } from "../../base/length/index.ts";

/** What goes under a trimmer's knife at once: so much paper, of such a thickness. */
export interface Trimmer {
  /** The height of a stack. */
  holds: Um;
  /** One sheet of the paper. */
  paper: Um;
}

/** A trimmer for a table and photo paper of 240 g/m², as such trimmers and papers commonly are. */
export const USUAL_TRIMMER: Trimmer = { holds: um(1500), paper: um(250) };

export const TRIMMER_RANGES = {
  holds: { least: um(100), most: um(100_000) },
  paper: { least: um(50), most: um(5000) },
};

/** Pieces in a stack, at least one: what cannot be cut alone cannot be cut. */
export const piecesInStack = ({ holds, paper }: Trimmer): number => Math.max(1, Math.floor(holds / paper));
