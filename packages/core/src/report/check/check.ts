import { imposed } from "../../impose/index.ts";
import type { Job } from "../../job/index.ts";
import { layOut, type Layout, type TicketWords } from "../../kinds/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import type { SheetPlan } from "../../plan/index.ts";
import type { Finding, FindingLevel, Rule } from "./finding.ts";
import { calendarDays } from "./rules/calendar.ts";
import { wordsContrast } from "./rules/contrast.ts";
import { cropLoss } from "./rules/cropLoss.ts";
import { emptyCells } from "./rules/emptyCells.ts";
import { exactSizes } from "./rules/exactSizes.ts";
import { faces } from "./rules/faces.ts";
import { heads } from "./rules/heads.ts";
import { imposition } from "./rules/imposition.ts";
import { lost } from "./rules/lost.ts";
import { making } from "./rules/making.ts";
import { notOnSheet } from "./rules/notOnSheet.ts";
import { nothingFits } from "./rules/nothingFits.ts";
import { ofKind } from "./rules/ofKind.ts";
import { paperEdge } from "./rules/paperEdge.ts";
import { press, trueSize } from "./rules/press.ts";
import { resolution } from "./rules/resolution.ts";
import { seams } from "./rules/seams.ts";
import { sheetPixels } from "./rules/sheetPixels.ts";
import { slackInGap } from "./rules/slackInGap.ts";
import { tooLarge } from "./rules/tooLarge.ts";
import { words as wordsRule } from "./rules/words.ts";

const RULES: readonly Rule[] = [
  nothingFits,
  tooLarge,
  imposition,
  seams,
  calendarDays,
  wordsContrast,
  sheetPixels,
  emptyCells,
  notOnSheet,
  lost,
  faces,
  heads,
  paperEdge,
  resolution,
  cropLoss,
  ofKind,
  slackInGap,
  making,
  press,
  exactSizes,
  trueSize,
  wordsRule,
];

const ORDER: Record<FindingLevel, number> = { wrong: 0, look: 1, right: 2 };

/** Everything that would spoil the print of these sheets, the worst first. */
export function check(
  job: Job,
  photos: Photos,
  sheets: readonly SheetPlan[],
  words: TicketWords = { unit: "mm" },
  layout: Layout = layOut(job, photos),
  printed: readonly SheetPlan[] = imposed(job, sheets),
): Finding[] {
  const inspection = { job, photos, sheets, printed, layout, words };
  return RULES.flatMap((rule) => rule(inspection)).sort((a, b) => ORDER[a.level] - ORDER[b.level]);
}

/** The findings that ask for something: what the count "2 things to check" counts. */
export const toCheck = (findings: readonly Finding[]): Finding[] =>
  findings.filter(({ level }) => level !== "right");
