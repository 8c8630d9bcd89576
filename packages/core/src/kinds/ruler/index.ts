import { kind } from "../kind.ts";
import { sayFinish, sayPaper } from "../say.ts";
import { layOutRuler } from "./layout.ts";

export { rulerLengths } from "./layout.ts";

export const ruler = kind({
  name: "ruler",
  title: "Ruler sheet",
  about: "Two scales to print and hold a ruler to: they show what a printer makes of true sizes.",
  takes: "This sheet measures a printer and needs none.",
  paper: { id: "a4", letter: "letter" },
  marks: "none",
  measuresPrinter: true,
  fresh: ({ gap }) => ({ kind: "ruler", gap }),
  layOut: layOutRuler,
  say: (job, _ticket, words) => [
    { text: "Two scales to measure on " },
    ...sayPaper(job),
    { text: ", " },
    { control: "paperLie", text: job.sheet.lie === "landscape" ? "on its side" : "upright" },
    ...sayFinish(job, words),
  ],
  followsStash: () => false,
});
