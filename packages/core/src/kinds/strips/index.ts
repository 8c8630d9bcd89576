import { inch, mm } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
import { knife, noRoom } from "./check.ts";
import { broughtStrips, layOutStrips } from "./layout.ts";
import { STRIP_LAYOUTS } from "./layouts.ts";
import { sayStrips } from "./say.ts";

const STRIP_OF_FOUR = STRIP_LAYOUTS.find(({ name }) => name === "Strip of four")!;

export const strips = kind({
  name: "strips",
  title: "Strips and cards",
  about: "Shots in a strip or on a card, words beside them, strips in pairs to be cut down the middle.",
  takes: "They fill a strip in their order, and the next one after that.",
  paper: { id: "strip", letter: "strip" },
  marks: "none",
  fresh: ({ letter }) => ({
    kind: "strips",
    ...STRIP_OF_FOUR.ticket,
    ...(letter && { gap: inch(0.1), border: inch(0.15), room: inch(0.75) }),
    words: {
      text: "[event]\n[date]",
      type: { font: "hanken", size: mm(4), least: mm(2), colour: "#20242c", align: "middle" },
    },
  }),
  begins: (letter) => ({
    impose: { way: "several", gap: mm(0), marks: "crosses" },
    onPaper: "photo-10x15",
    safe: letter ? inch(0.06) : mm(1.5),
  }),
  layOut: layOutStrips,
  say: sayStrips,
  followsStash: () => false,
  isOnePiece: true,
  check: knife,
  noSheet: noRoom,
  brought: broughtStrips,
});
