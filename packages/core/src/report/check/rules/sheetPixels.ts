import { writeNumber } from "../../../base/length/index.ts";
import { LIMITS } from "../../../schema/index.ts";
import type { Rule } from "../finding.ts";

/** A file with more pixels than can be written. */
export const sheetPixels: Rule = ({ job, printed, words }) => {
  const sheet = printed[0];
  if (!sheet) return [];
  const pixels = sheet.pixels.width * sheet.pixels.height;
  if (pixels <= LIMITS.sheetPixels) return [];
  const ppi = Math.floor(job.target.ppi * Math.sqrt(LIMITS.sheetPixels / pixels));
  const millions = (count: number) => writeNumber(count / 1e6, words.locale, 0, 0);
  return [
    {
      rule: "too-many-pixels",
      level: "wrong",
      sentence: `The file would have ${millions(pixels)} million pixels; the most is ${millions(LIMITS.sheetPixels)} million.`,
      cells: [],
      mend: { label: `Write at ${ppi} ppi`, edit: { do: "target", change: { ppi } } },
    },
  ];
};
