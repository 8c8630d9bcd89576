import {
  collection,
  enumerated,
  integer,
  keyword,
  mediaOf,
  PRINT_QUALITIES,
  PrinterFault,
  sizesOf,
  typesOf,
  type Attributes,
  type PrinterCan,
} from "@wide-quilt/ipp";
import type { CutsApart, PrintSetup, Size } from "@wide-quilt/core";

const MONOCHROME = "monochrome";

/** Cuts right through every sheet, in hundredths of a millimetre from its left or its top (PWG 5100.1, 5.2.14). */
function trimmed({ x, y }: CutsApart): Attributes {
  const cut = (edge: "left" | "top", offset: number) =>
    collection({
      trimming: [
        collection({
          "trimming-offset": [integer(Math.round(offset / 10))],
          "trimming-reference-edge": [keyword(edge)],
          "trimming-type": [keyword("full")],
          "trimming-when": [keyword("after-sheets")],
        }),
      ],
    });
  const cuts = [...x.map((offset) => cut("left", offset)), ...y.map((offset) => cut("top", offset))];
  return cuts.length > 0 ? { "finishings-col": cuts } : {};
}

/**
 * What a job asks for beside its document (RFC 8011, 5.2; PWG 5100.7): its paper, copies, quality and colour, and that
 * nothing is scaled. Throws PrinterFault where the printer cannot do that; a quality that it does not know is left to it.
 */
export function templateOf(can: PrinterCan, paper: Size, setup: PrintSetup, apart: CutsApart): Attributes {
  const { name } = can;
  const [width, height] = [Math.round(paper.width / 10), Math.round(paper.height / 10)];
  const own = mediaOf(can, width, height);
  if (!own && can.media.length > 0) {
    throw new PrinterFault(
      `${name} has no paper of ${width / 100} × ${height / 100} mm. It has ${sizesOf(can).slice(0, 6).join(", ")}. Choose one of these in the ticket.`,
    );
  }
  const { copies, type, quality, grey } = setup;
  if (copies > can.copies) {
    throw new PrinterFault(
      `${name} prints at most ${can.copies} copies at a time, and ${copies} are asked for. Ask for fewer, more than once.`,
    );
  }
  if (type !== null && !typesOf(can, own).includes(type)) {
    throw new PrinterFault(
      `${name} has no paper of the kind “${type}” in this size. Choose another under Printing.`,
    );
  }
  if (grey && !can.grey) {
    throw new PrinterFault(`${name} cannot be told to print in black alone. Take that off under Printing.`);
  }
  const size = {
    "x-dimension": [integer(own?.width ?? width)],
    "y-dimension": [integer(own?.height ?? height)],
  };
  return {
    copies: [integer(copies)],
    "media-col": [
      collection({
        "media-size": [collection(size)],
        ...(type !== null && { "media-type": [keyword(type)] }),
      }),
    ],
    ...(can.qualities.includes(quality) && { "print-quality": [enumerated(PRINT_QUALITIES[quality])] }),
    ...(can.unscaled && { "print-scaling": [keyword("none")] }),
    ...(setup.cuts && can.trims && trimmed(apart)),
    ...(grey && { "print-color-mode": [keyword(MONOCHROME)] }),
  };
}
