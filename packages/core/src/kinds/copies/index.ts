import { inch, mm } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
import { mostPieces, tooLargePiece } from "./check.ts";
import { layOutCopies } from "./layout.ts";
import { sayCopies } from "./say.ts";

export const copies = kind({
  name: "copies",
  title: "Copies of one photo",
  about:
    "Badges, gifts, prints for everyone: one size, as often as it fits or as often as you say. Of one photo, or of each.",
  takes: "The first one goes into all cells, unless the ticket asks for copies of each.",
  paper: { id: "photo-10x15", letter: "photo-10x15" },
  marks: "corner ticks",
  fresh: ({ gap, letter }) => ({
    kind: "copies",
    of: "one",
    copies: "fit",
    size: letter ? { width: inch(2), height: inch(2) } : { width: mm(35), height: mm(45) },
    gap,
    place: "centred",
    turnPieces: "never",
    cuts: "straight",
  }),
  layOut: layOutCopies,
  say: sayCopies,
  followsStash: ({ of }) => of === "each",
  showsPick: ({ of }) => of === "each",
  check: mostPieces,
  noSheet: tooLargePiece,
  leftOver: ({ of }) => ({
    way: "This job prints one photo. Let it print each, or drop another on a cell.",
    ...(of === "one" && { mend: { label: "Print each photo", ticket: { of: "each" } } }),
  }),
  pieceSize: ({ size }) => size,
  takesWhatFits: ({ copies: asked }) => asked === "fit",
});
