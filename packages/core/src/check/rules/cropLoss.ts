import { placePicture } from "../../crop/index.ts";
import { writeNumber } from "../../length/index.ts";
import { shotByNumber, type Turn } from "../../job/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";
import { keysOf, shownShots, type ShownShot } from "../shots.ts";

/** A larger share of a photo cut away than this is worth a look. */
export const MUCH_LOSS = 0.15;

/** Crops that take away more than 15 % of a photo. Turning the photo is offered where that loses less. */
export const cropLoss: Rule = (inspection) =>
  shownShots(inspection)
    .filter(({ picture }) => picture.loss > MUCH_LOSS)
    .map((shown) => finding(shown, inspection));

function finding(shown: ShownShot, inspection: Inspection): Finding {
  const { picture, shot, cells } = shown;
  const percent = writeNumber(picture.loss * 100, inspection.words.locale, 0, 0);
  const turn = betterTurn(shown, inspection);
  return {
    rule: "crop-loss",
    level: "look",
    sentence: `The crop takes away ${percent} % of ${shown.name}. Look that nothing needed is cut.`,
    cells: keysOf(cells),
    mend:
      turn !== null
        ? { label: "Turn the photo", edit: { do: "shot", shot, change: { turn } } }
        : { label: "Show the whole photo", edit: { do: "shot", shot, change: { fit: "whole" } } },
  };
}

/** A quarter turn that brings the loss under the limit, if there is one and turning was not ruled out by hand. */
function betterTurn({ shot, cells, picture }: ShownShot, { job, photos }: Inspection): Turn | null {
  const cell = cells[0]!;
  const facts = cell.photo === null ? undefined : photos[cell.photo];
  const current = shotByNumber(job, shot);
  if (!facts || current.turn !== 0 || cell.turn !== 0) return null;
  const turned = placePicture(facts, cell.finished, cell.image, { ...current, turn: "suit" });
  return turned.loss < Math.min(picture.loss, MUCH_LOSS) ? "suit" : null;
}
