import type { Job } from "../../job/index.ts";
import { nearest, um } from "../../length/index.ts";
import type { PackPaper, PackQuestion } from "../../pack/index.ts";
import type { Photos } from "../../plan/index.ts";
import { paperPrice } from "../../price/paperPrice.ts";
import { layoutArea, waysToLie } from "../area.ts";
import type { MixedPiece, TicketOf } from "../tickets.ts";

/** Width over height of a photo that is not there yet: 3 : 2. */
const COMMON_PROPORTION = 1.5;

/** A paper as it lies, as the question has it. */
export interface LyingPaper {
  paper: Job["sheet"]["paper"];
  lying: { width: PackPaper["width"]; height: PackPaper["height"] };
}

/** What the job asks the packing, and which paper each of the question's is. */
export function mixedQuestion(
  job: Job,
  ticket: TicketOf<"mixed">,
  photos: Photos,
): { question: PackQuestion; papers: LyingPaper[] } {
  const pieces = ticket.pieces.map((line) => ({
    width: line.width,
    height: heightOf(line, job, photos),
    quantity: line.quantity,
    mayTurn: line.mayTurn,
    photo: line.photo,
  }));
  const allTurn = pieces.every(({ mayTurn }) => mayTurn);
  const papers = [job.sheet.paper, ...ticket.papers].flatMap((paper): LyingPaper[] => {
    const ways = waysToLie(job.sheet, paper);
    // Where every piece may turn, a paper on its side holds nothing that it would not hold upright.
    return (allTurn && job.sheet.lie === "most" ? ways.slice(0, 1) : ways).map((lying) => ({ paper, lying }));
  });
  const room = papers.map(({ paper, lying }) => {
    const { width, height } = layoutArea(job.sheet, lying);
    return { width: um(Math.max(0, width)), height: um(Math.max(0, height)), price: paperPrice(job, paper) };
  });
  const { gap, cuts, aim } = ticket;
  return { question: { pieces, papers: room, gap, cuts, aim }, papers };
}

/** The finished height of a line: typed, or by its photo's own proportion. */
export function heightOf(line: MixedPiece, { stash }: Job, photos: Photos) {
  if (line.height !== null) return line.height;
  const id = line.photo ?? stash[0]?.id;
  const photo = id === undefined ? undefined : photos[id];
  const proportion = photo ? photo.width / photo.height : COMMON_PROPORTION;
  return um(Math.max(3000, nearest(line.width / proportion)));
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
