import { LIMITS } from "../../schema/index.ts";
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
  noSheet: ({ blocks }, _ticket, { layout }) =>
    layout.sums.pieces > 0 && Object.values(blocks).some(({ stands }) => stands === "foot")
      ? [
          {
            rule: "nothing-fits",
            level: "wrong",
            sentence:
              "Margins, gaps and what stands across the foot leave no room for a frame, so there is no sheet. Make the table of words lower in the finish, or take larger paper.",
          },
        ]
      : null,
  liesBest: "As it holds the most",
  brought: (_job, { gap }, { length }) => ({ gap: length(gap, LIMITS.gap) }),
});
