import { inch, mm } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
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
  withoutPhotos: (ticket) => ({ ...ticket, weights: {}, arrangement: null }),
  followsStash: ({ way }) => way === "whole" || way === "lines",
});
