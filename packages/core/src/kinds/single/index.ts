import { LIMITS } from "../../schema/index.ts";
import { inch, mm } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
import { layOutSingles } from "./layout.ts";
import { saySingles } from "./say.ts";

export const single = kind({
  name: "single",
  title: "One per sheet",
  about: "Every photo on a sheet of its own: bordered proofs, prints to hang, a folder for the lab.",
  takes: "Each gets a sheet of its own.",
  paper: { id: "photo-13x18", letter: "photo-13x18" },
  marks: "none",
  fresh: ({ gap, letter }) => ({
    kind: "single",
    way: "border",
    border: letter ? inch(0.25) : mm(6),
    size: letter ? { width: inch(4), height: inch(6) } : { width: mm(100), height: mm(150) },
    gap,
  }),
  layOut: layOutSingles,
  say: saySingles,
  followsStash: () => true,
  showsPick: () => true,
  liesBest: "As the photo does",
  gapsByHand: true,
  brought: (_job, { gap, border }, { length }) => ({
    gap: length(gap, LIMITS.gap),
    border: length(border, LIMITS.margin),
  }),
});
