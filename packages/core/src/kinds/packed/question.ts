import { waysToLie } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { layoutArea, paperPrice, type Job } from "../../job/index.ts";
import type { PackPaper, PackPiece, PackQuestion } from "../../solve/pack/index.ts";

/** A paper as it lies, as the question has it. */
export interface LyingPaper {
  paper: Job["sheet"]["paper"];
  lying: { width: PackPaper["width"]; height: PackPaper["height"] };
}

/** What a kind of job asks the packing, and which paper each of the question's is. */
export interface PackedQuestion {
  question: PackQuestion;
  papers: LyingPaper[];
}

/** Puts the job's papers, as they may lie, to the pieces of its ticket. */
export function packedQuestion(
  job: Job,
  pieces: PackPiece[],
  others: readonly Job["sheet"]["paper"][],
  { gap, cuts, aim }: Pick<PackQuestion, "gap" | "cuts" | "aim">,
): PackedQuestion {
  const allTurn = pieces.every(({ mayTurn }) => mayTurn);
  const papers = [job.sheet.paper, ...others].flatMap((paper): LyingPaper[] => {
    const ways = waysToLie(job.sheet, paper);
    const [upright, onSide] = ways.map((lying) => layoutArea(job.sheet, lying));
    // Where every piece may turn and the margins turn with the paper, it holds on its side what it holds upright.
    const isSame = upright!.width === onSide?.height && upright!.height === onSide.width;
    return (allTurn && isSame ? ways.slice(0, 1) : ways).map((lying) => ({ paper, lying }));
  });
  const room = papers.map(({ paper, lying }) => {
    const { width, height } = layoutArea(job.sheet, lying);
    return { width: um(Math.max(0, width)), height: um(Math.max(0, height)), price: paperPrice(job, paper) };
  });
  return { question: { pieces, papers: room, gap, cuts, aim }, papers };
}

/** What a kept arrangement is known by: it is an answer to this question and no other. FNV-1a, twice 32 bits. */
export function questionKey(question: PackQuestion): string {
  const text = JSON.stringify(question);
  let [a, b] = [0x811c9dc5, 0x01000193];
  for (let i = 0; i < text.length; i++) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193);
    b = Math.imul(b ^ text.charCodeAt(text.length - 1 - i), 0x01000193);
  }
  return `${(a >>> 0).toString(16)}${(b >>> 0).toString(16)}`;
}
