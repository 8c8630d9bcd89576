import { writeNumber } from "../../../base/length/index.ts";
import { headsIn } from "../../../job/index.ts";
import { kindOf } from "../../../kinds/index.ts";
import { placePicture, type Turn } from "../../../photo/crop/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";
import { keysOf, shownShots, type ShownShot } from "../shots.ts";

/** A larger share of a photo cut away than this is worth a look. */
export const MUCH_LOSS = 0.15;

/** Photos that are named one by one; of more than this it is said once. */
const FEW = 3;

/** Crops that take away more than 15 % of a photo. Turning the photo is offered where that loses less. */
export const cropLoss: Rule = (inspection) => {
  const { job } = inspection;
  // Where a rule places the head, the rule says what is cut away.
  const much = shownShots(inspection).filter(
    ({ picture, shot }) => picture.loss > MUCH_LOSS && !kindOf(job).ruleOf(job, shot),
  );
  return much.length > FEW ? [ofMany(much, inspection)] : much.map((shown) => finding(shown, inspection));
};

function ofMany(much: readonly ShownShot[], inspection: Inspection): Finding {
  const worst = much.reduce((a, b) => (b.picture.loss > a.picture.loss ? b : a));
  const percent = writeNumber(worst.picture.loss * 100, inspection.words.locale, 0, 0);
  const turns = much.some((shown) => betterTurn(shown, inspection) !== null);
  return {
    rule: "crop-loss",
    level: "look",
    sentence: `The crops of ${much.length} photos take away more than 15 %, most of ${worst.name}: ${percent} %. Look that nothing needed is cut.`,
    cells: keysOf(much.flatMap(({ cells }) => cells)),
    mend: turns ? { label: "Turn photos where it helps", edit: { do: "turn to suit" } } : undefined,
  };
}

function finding(shown: ShownShot, inspection: Inspection): Finding {
  const { picture, shot, photo, cells } = shown;
  const percent = writeNumber(picture.loss * 100, inspection.words.locale, 0, 0);
  const turn = betterTurn(shown, inspection);
  return {
    rule: "crop-loss",
    level: "look",
    sentence: `The crop takes away ${percent} % of ${shown.name}. Look that nothing needed is cut.`,
    cells: keysOf(cells),
    mend:
      turn !== null
        ? { label: "Turn the photo", edit: { do: "shot", shot, change: { photo, turn } } }
        : { label: "Show the whole photo", edit: { do: "shot", shot, change: { photo, fit: "whole" } } },
  };
}

/** Cells that are longer than this for their width are strips: what lies in them is meant to. */
const STRIP = 2;

/**
 * A quarter turn that brings the loss under the limit, if there is one and turning was not ruled out by hand. Nobody wants a
 * head or a strip laid on its side.
 */
function betterTurn({ cells, picture }: ShownShot, { job, photos }: Inspection): Turn | null {
  const cell = cells[0]!;
  const { width, height } = cell.finished;
  if (Math.max(width / height, height / width) > STRIP) return null;
  if (cell.photo !== null && headsIn(job, photos, cell.photo).length > 0) return null;
  const facts = cell.photo === null ? undefined : photos[cell.photo];
  const current = { ...cell.sits, photo: cell.photo };
  if (!facts || current.turn !== 0 || cell.turn !== 0) return null;
  const turned = placePicture(facts, cell.finished, cell.cover, { ...current, turn: "suit" });
  return turned.loss < Math.min(picture.loss, MUCH_LOSS) ? "suit" : null;
}
