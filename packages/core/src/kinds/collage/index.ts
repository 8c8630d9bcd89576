import { LIMITS } from "../../schema/index.ts";
import { inch, mm } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
import { collageCrop } from "./check.ts";
import { layOutCollage } from "./layout.ts";
import { sayCollage } from "./say.ts";

export const collage = kind({
  name: "collage",
  title: "Collage",
  about:
    "Photos that fill a sheet exactly: nothing cropped, in rows, or sizes worked out from counts and gaps.",
  takes: "They fill the cells in their order.",
  paper: { id: "photo-20x30", letter: "photo-20x30" },
  marks: "none",
  fresh: ({ gap, letter }) => ({
    kind: "collage",
    way: "whole",
    along: "rows",
    lines: null,
    counts: [2, 3, 2],
    columns: 3,
    rows: 3,
    gap,
    border: letter ? inch(0.25) : mm(5),
    sheets: "one",
    weights: {},
    proposal: 0,
    arrangement: null,
  }),
  layOut: layOutCollage,
  say: sayCollage,
  liesBest: "To suit the photos",
  isOnePiece: true,
  check: collageCrop,
  leftOver: ({ way, sheets }) => ({
    way: "Every cell has a photo already. Let it have more cells or sheets, or drop them on a cell.",
    // Of these ways cells are counted, so that further photos need further sheets.
    ...(sheets === "one" &&
      (way === "counts" || way === "grid") && {
        mend: { label: "Use more sheets", ticket: { sheets: "all" } },
      }),
  }),
  weights: ({ way, weights }) => (way === "whole" ? weights : null),
  // It is fitted anew at once, where a search would give another arrangement at every step of a slider.
  held: ({ way, arrangement: own }, { arrangement }) =>
    way === "whole" && own === null && arrangement !== undefined ? { arrangement } : {},
  withOthers: (ticket) => (ticket.arrangement === null ? ticket : { ...ticket, arrangement: null }),
  withoutPhotos: (ticket) => ({ ...ticket, weights: {}, arrangement: null }),
  followsStash: ({ way }) => way === "whole" || way === "lines",
  brought: (_job, { gap, border }, { length }) => ({
    gap: length(gap, LIMITS.gap),
    border: length(border, LIMITS.margin),
  }),
});
