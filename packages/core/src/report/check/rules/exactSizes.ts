import { pixelBox, toPx, UM_PER_INCH, writeNumber } from "../../../base/length/index.ts";
import type { Rule } from "../finding.ts";

/** Says how exact the pieces are in the written file: the largest difference of a size after rounding its edges. */
export const exactSizes: Rule = ({ printed, words }) => {
  const cells = printed.flatMap(({ freed, cells: own, ppi }) =>
    (freed ?? own.map(({ finished }) => finished)).map((finished) => ({ finished, ppi })),
  );
  if (cells.length === 0) return [];
  let worst = 0;
  for (const { finished, ppi } of cells) {
    const box = pixelBox(finished, ppi);
    const off = Math.max(
      Math.abs(box.width - toPx(finished.width, ppi)),
      Math.abs(box.height - toPx(finished.height, ppi)),
    );
    worst = Math.max(worst, (off * UM_PER_INCH) / ppi);
  }
  const count = cells.length === 1 ? "The size is" : `All ${cells.length} sizes are`;
  const millimetres = writeNumber(Math.ceil(worst / 10) / 100, words.locale, 2, 2);
  return [
    {
      rule: "exact-sizes",
      level: "right",
      sentence: `${count} exact to the pixel: rounding changes none by more than ${millimetres}\u00a0mm.`,
      cells: [],
    },
  ];
};
