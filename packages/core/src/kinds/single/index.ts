import { mm } from "../../length/index.ts";
import { kind } from "../kind.ts";
import { layOutSingles } from "./layout.ts";
import { saySingles } from "./say.ts";

export const single = kind({
  name: "single",
  title: "One per sheet",
  about: "Every photo on a sheet of its own: bordered proofs, prints to hang, a folder for the lab.",
  paper: { id: "photo-13x18", letter: "photo-13x18" },
  marks: "none",
  fresh: ({ gap }) => ({
    kind: "single",
    way: "border",
    border: mm(6),
    size: { width: mm(100), height: mm(150) },
    gap,
  }),
  layOut: layOutSingles,
  say: saySingles,
  followsStash: () => true,
});
