import { inch, mm, um } from "../../base/length/index.ts";
import { kind } from "../kind.ts";
import { layOutMural } from "./layout.ts";
import { sayMural } from "./say.ts";

export const mural = kind({
  name: "mural",
  title: "Mural",
  about: "One picture over many sheets, put together on the wall without a visible seam.",
  takes: "The first one is spread.",
  paper: { id: "a4", letter: "letter" },
  marks: "none",
  fresh: ({ gap, letter }) => ({
    kind: "mural",
    by: "width",
    width: letter ? inch(60) : mm(1500),
    height: letter ? inch(40) : mm(1000),
    columns: 3,
    rows: 2,
    distance: letter ? inch(60) : mm(1500),
    gap,
  }),
  begins: (letter) => ({
    impose: { way: "tiles", margin: letter ? inch(0.25) : mm(5) },
    onPaper: letter ? "letter" : "a4",
    safe: um(0),
  }),
  way: "tiles",
  layOut: layOutMural,
  say: sayMural,
  followsStash: () => false,
  seenFrom: ({ distance }) => distance,
  leftOver: () => ({ way: "This job spreads one photo. Drop another on the picture to spread that one." }),
});
