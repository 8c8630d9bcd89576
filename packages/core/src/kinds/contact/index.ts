import { inch, mm } from "../../base/length/index.ts";
import { KEPT_WITH_PROGRAM } from "../../finish/style/index.ts";
import { kind } from "../kind.ts";
import { layOutContact } from "./layout.ts";
import { sayContact } from "./say.ts";

export const contact = kind({
  name: "contact",
  title: "Contact sheet",
  about: "Many photos small and whole, with their numbers and exposure data, to choose and to order from.",
  takes: "Each gets a frame, in their order.",
  paper: { id: "a4", letter: "letter" },
  marks: "none",
  margins: { metric: mm(10), letter: inch(0.5) },
  wears: KEPT_WITH_PROGRAM.find(({ name }) => name === "Exposure data")!.style,
  fresh: ({ gap, letter }) => ({
    kind: "contact",
    by: "grid",
    columns: 5,
    rows: 6,
    size: letter ? { width: inch(1.75), height: inch(1.25) } : { width: mm(45), height: mm(30) },
    gap,
    breaks: "none",
    head: "[job]",
    foot: "Sheet [sheet] of [sheets]",
  }),
  layOut: layOutContact,
  say: sayContact,
  followsStash: () => true,
  showsPick: () => true,
  makesRoom: true,
  liesBest: "As it holds the most",
});
