import type { PrinterCan } from "@wide-quilt/ipp";

/** Kinds of paper by their keywords (PWG 5101.1, 2.1), as a photographer says. */
const TYPES: Record<string, string> = {
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
};

/** A kind of paper in words; one that is not known is written as the printer names it. */
export const paperType = (type: string): string => TYPES[type] ?? type.replaceAll(/[-_]/g, " ");

/** Reasons for which a printer waits (PWG 5100.9; RFC 8011, 5.4.12), in words. */
const REASONS: [RegExp, string][] = [
  [/media-(empty|needed)/, "out of paper"],
  [/media-jam/, "paper is stuck in it"],
  [/media-low/, "little paper left"],
  [/(marker|toner|ink).*(empty|out)/, "out of ink"],
  [/(marker|toner|ink)/, "little ink left"],
  [/(cover|door|interlock)-open/, "it stands open"],
  [/paused|stopped/, "it is held"],
];

/** Why a printer does not print just now, in words; empty when nothing is the matter. */
export const reasonsInWords = ({ reasons }: PrinterCan): string =>
  reasons
    .map((reason) => REASONS.find(([known]) => known.test(reason))?.[1] ?? reason.replaceAll("-", " "))
    .join(", ");
