import { um, writeLength, writeNumber, type Um } from "../../../base/length/index.ts";
import { isDrawing } from "../../../catalogue/press/index.ts";
import { isTrue } from "../../../impose/index.ts";
import type { Finding, Rule } from "../finding.ts";
import { keysOf } from "../shots.ts";

/** Thinner than this a line vanishes on paper, or prints as a row of dots: a quarter of a point, as printers ask for. */
const HAIRLINE = um(88);
/** Under this quality a JPEG shows its blocks on paper. */
const POOR_QUALITY = 60;

/** What the way out would spoil: hairlines, pages of the wrong pixels, formats that cannot hold what is asked for. */
export const press: Rule = (inspection) => [
  ...hairlines(inspection),
  ...pagePixels(inspection),
  ...format(inspection),
  ...unsharpened(inspection),
];

const hairlines: Rule = ({ job, sheets, words }) => {
  const { marks, outline } = job.finish;
  const writing = { ...words, ppi: job.target.ppi };
  const found: Finding[] = [];
  const say = (what: string, width: Um) =>
    `${what} ${writeLength(width, writing)} wide: less than a quarter of a point, which may not print.`;
  if (outline && outline.width < HAIRLINE && sheets.some(({ cells }) => cells.length > 0)) {
    found.push({
      rule: "hairline",
      level: "look",
      sentence: say("The outline is", outline.width),
      cells: [],
      mend: {
        label: "Make it a quarter of a point",
        edit: { do: "finish", change: { outline: { ...outline, width: HAIRLINE } } },
      },
    });
  }
  if (marks.kind !== "none" && marks.width < HAIRLINE && sheets.some((sheet) => sheet.marks.length > 0)) {
    found.push({
      rule: "hairline",
      level: "look",
      sentence: say("Cut marks are", marks.width),
      cells: [],
      mend: {
        label: "Make them a quarter of a point",
        edit: { do: "finish", change: { marks: { ...marks, width: HAIRLINE } } },
      },
    });
  }
  const thin = sheets.flatMap(({ cells }) =>
    cells.filter(({ bands }) =>
      bands.some(({ outer, inner }) => {
        const left = inner.x - outer.x;
        return left > 0 && left < HAIRLINE;
      }),
    ),
  );
  if (thin.length > 0) {
    found.push({
      rule: "hairline",
      level: "look",
      sentence: `A border is less than a quarter of a point wide on ${thin.length === 1 ? "one cell" : `${thin.length} cells`}, which may not print.`,
      cells: keysOf(thin),
    });
  }
  return found;
};

const pagePixels: Rule = ({ job, sheets }) => {
  const { pixels, name } = job.target.printer;
  const [sheet] = sheets;
  if (!pixels || !sheet || isDrawing(job.target.file.format)) return [];
  const isUpright = sheet.paper.width === sheet.stock.width;
  const wanted = isUpright ? pixels : { width: pixels.height, height: pixels.width };
  const { width, height } = sheet.pixels;
  if (width === wanted.width && height === wanted.height) return [];
  const ppi = Math.round((pixels.width * 25_400 * 100) / sheet.stock.width) / 100;
  const after = Math.round((ppi * sheet.stock.height) / 25_400);
  return [
    {
      rule: "page-pixels",
      level: "look",
      sentence: `${name} takes pages of ${wanted.width} × ${wanted.height} px, and this file has ${width} × ${height}: it will be scaled or cut to fit.`,
      cells: [],
      // Where the proportion is another one, no ppi alone makes the page right.
      mend:
        Math.abs(after - pixels.height) <= 1
          ? { label: `Write at ${ppi} ppi`, edit: { do: "target", change: { ppi } } }
          : undefined,
    },
  ];
};

const format: Rule = ({ job, sheets, words }) => {
  const { file } = job.target;
  if (sheets.length === 0 || file.format !== "jpeg" || file.quality >= POOR_QUALITY) return [];
  return [
    {
      rule: "poor-jpeg",
      level: "look",
      sentence: `At JPEG quality ${writeNumber(file.quality, words.locale, 0, 0)} blocks and smeared colours will be seen on paper.`,
      cells: [],
      mend: {
        label: "Write at quality 92",
        edit: { do: "target", change: { file: { ...file, quality: 92 } } },
      },
    },
  ];
};

/** Sharpening that is asked for and does nothing. */
const unsharpened: Rule = ({ job, sheets }) => {
  const asks = sheets.some(({ cells }) => cells.some(({ sharpening }) => sharpening !== null));
  if (!asks || job.target.medium !== "none") return [];
  return [
    {
      rule: "unsharpened",
      level: "look",
      sentence: "Photos are to be sharpened, but for no medium: nothing is.",
      cells: [],
      mend: { label: "Sharpen for glossy paper", edit: { do: "target", change: { medium: "glossy" } } },
    },
  ];
};

/** Says that sizes are corrected for a printer, because people ask. */
export const trueSize: Rule = ({ job, sheets, words }) => {
  const { scale, name } = job.target.printer;
  if (sheets.length === 0 || isTrue(scale)) return [];
  const percent = (value: number) => `${writeNumber(value * 100, words.locale, 2, 2)}\u00a0%`;
  return [
    {
      rule: "true-size",
      level: "right",
      sentence: `${name} prints ${percent(scale.across)} across and ${percent(scale.down)} down; sheets for it are written so that sizes come out true.`,
      cells: [],
    },
  ];
};
