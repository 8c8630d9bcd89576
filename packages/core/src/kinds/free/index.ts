import { waysToLie } from "../../base/geometry/index.ts";
import { LIMITS, numberedSheet } from "../../schema/index.ts";
import { kind } from "../kind.ts";
import { sayFinish, sayGap, sayInside, sayPaper, sayTrim, writing } from "../say.ts";

export const free = kind({
  name: "free",
  title: "Free",
  about: "Bare paper: draw, drop or type cells where you want them, and move them by hand.",
  takes: "Then drag them onto the sheet, where you want them.",
  paper: { id: "a4", letter: "letter" },
  marks: "none",
  fresh: ({ gap }) => ({ kind: "free", gap }),
  layOut: ({ sheet }) => ({
    sheets: [
      { name: numberedSheet(1), paper: sheet.paper, lying: waysToLie(sheet, sheet.paper)[0]!, cells: [] },
    ],
    sums: { columns: 0, rows: 0, perSheet: 0, pieces: 0, mostPerSheet: 0 },
  }),
  say: (job, _ticket, words) => {
    const write = writing(job, words);
    const lie = job.sheet.lie === "landscape" ? "on its side" : "upright";
    return [
      { text: "Put cells by hand on " },
      ...sayPaper(job),
      ...sayTrim(job, write),
      { text: ", " },
      { control: "paperLie", text: lie },
      ...sayInside(job, write),
      { text: ", new ones " },
      ...sayGap(job, write),
      ...sayFinish(job, words),
    ];
  },
  followsStash: () => false,
  standsByHand: true,
  gapsByHand: true,
  brought: (_job, { gap }, { length }) => ({ gap: length(gap, LIMITS.gap) }),
});
