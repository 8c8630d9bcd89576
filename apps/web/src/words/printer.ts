import type { PrinterCan } from "@wide-quilt/ipp";
import { troubleOf, type Trouble } from "@wide-quilt/ipp/trouble";

/** Kinds of paper by their keywords (PWG 5101.1, 2.1), as a photographer says. */
const TYPES = new Map(
  Object.entries({
    stationery: "Plain paper",
    "stationery-coated": "Coated paper",
    "stationery-inkjet": "Inkjet paper",
    "stationery-heavyweight": "Heavy paper",
    cardstock: "Card",
    photographic: "Photo paper",
    "photographic-glossy": "Photo paper, glossy",
    "photographic-high-gloss": "Photo paper, high gloss",
    "photographic-semi-gloss": "Photo paper, half glossy",
    "photographic-satin": "Photo paper, satin",
    "photographic-matte": "Photo paper, matte",
    "photographic-film": "Photo film",
    labels: "Labels",
    envelope: "Envelope",
    transparency: "Film",
    auto: "Whatever it finds",
  }),
);

/** A kind of paper in words; one that is not known is written as the printer names it. */
export const paperType = (type: string): string => TYPES.get(type) ?? type.replaceAll(/[-_]/g, " ");

const TROUBLES: Record<Trouble, string> = {
  "no paper": "out of paper",
  "paper stuck": "paper is stuck in it",
  "little paper": "little paper left",
  "no ink": "out of ink",
  "little ink": "little ink left",
  open: "it stands open",
  held: "it is held",
};

/** Why a printer does not print just now, in words; empty when nothing is the matter. */
export const reasonsInWords = ({ reasons }: PrinterCan): string =>
  reasons
    .map((reason) => {
      const trouble = troubleOf(reason);
      return trouble ? TROUBLES[trouble] : reason.replaceAll("-", " ");
    })
    .join(", ");
