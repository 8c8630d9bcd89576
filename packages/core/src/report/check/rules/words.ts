import { contains, onItsSideAbout, overlap } from "../../../base/geometry/index.ts";
import { toPx, um, writeLength, type Um } from "../../../base/length/index.ts";
import type { Ink } from "../../../finish/graphics/index.ts";
import {
  fontById,
  fontFor,
  linesHeight,
  missingSigns,
  SMALL,
  unknownFields,
  type FontId,
} from "../../../finish/words/index.ts";
import { styleOfAll } from "../../../job/index.ts";
import { AWAY } from "../../../plan/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";

/** Words that would not come out as they were meant: signs without a shape, text cut off, fields that do not exist. */
export const words: Rule = (inspection) => [
  ...signs(inspection),
  ...cutOff(inspection),
  ...tooSmall(inspection),
  ...overNeighbours(inspection),
  ...unknown(inspection),
];

const textsOf = (inks: readonly Ink[]) => inks.flatMap((ink) => (ink.kind === "text" ? [ink.text] : []));

function signs({ job, sheets }: Inspection): Finding[] {
  const found = new Map<FontId, { missing: Set<string>; cells: string[] }>();
  const look = (inks: readonly Ink[], key: string | null) => {
    for (const { font, lines } of textsOf(inks)) {
      const missing = lines.flatMap(({ text }) => missingSigns(text, font));
      if (missing.length === 0) continue;
      const known = found.get(font) ?? { missing: new Set<string>(), cells: [] };
      found.set(font, known);
      for (const sign of missing) known.missing.add(sign);
      if (key !== null) known.cells.push(key);
    }
  };
  for (const sheet of sheets) {
    for (const { key, over } of sheet.cells) look(over, key);
    look(sheet.over, null);
  }
  return [...found].map(([font, { missing, cells }]) => {
    const some = [...missing];
    const shown = some.slice(0, 8).join(" ");
    const found = fontFor(some.join(""), font);
    const able = found === font ? null : fontById(found);
    const { caption } = styleOfAll(job);
    return {
      rule: "missing-signs",
      level: "wrong" as const,
      sentence: `${fontById(font).name} has no shape for ${shown}${some.length > 8 ? " …" : ""}: empty boxes would be printed. ${
        able ? `${able.name} has them all.` : "No font that ships has them all; write these words otherwise."
      }`,
      cells,
      ...(able &&
        caption?.type.font === font && {
          mend: {
            label: `Set in ${able.name}`,
            edit: {
              do: "style" as const,
              change: { caption: { ...caption, type: { ...caption.type, font: able.id } } },
            },
          },
        }),
    };
  });
}

function cutOff({ sheets }: Inspection): Finding[] {
  const cells = sheets.flatMap((sheet) =>
    sheet.cells.filter(({ over }) => textsOf(over).some(({ cut }) => cut)),
  );
  const onSheets = sheets.filter(({ over }) => textsOf(over).some(({ cut }) => cut)).length;
  if (cells.length === 0 && onSheets === 0) return [];
  const where =
    cells.length > 0 ? (cells.length === 1 ? "one cell" : `${cells.length} cells`) : "a box on the sheet";
  return [
    {
      rule: "words-cut",
      level: "look",
      sentence: `Words in ${where} do not fit even at their least size and are cut off. Let them be smaller, or give them more lines.`,
      cells: cells.map(({ key }) => key),
    },
  ];
}

/** Letters of fewer pixels than this have no shape any more, however large they are on paper. */
const FEW_PIXELS = 9;

function tooSmall({ job, sheets, words: write }: Inspection): Finding[] {
  const { ppi } = job.target;
  const isSmall = ({ size }: { size: Um }) => size < SMALL || toPx(size, ppi) < FEW_PIXELS;
  const cells = sheets.flatMap((sheet) => sheet.cells.filter(({ over }) => textsOf(over).some(isSmall)));
  const all = sheets.flatMap((sheet) => [...sheet.over, ...sheet.cells.flatMap(({ over }) => over)]);
  const small = textsOf(all).filter(isSmall);
  if (small.length === 0) return [];
  const least = um(Math.min(...small.map(({ size }) => size)));
  const how = least < SMALL ? "and hard to read on paper" : `and of ${Math.floor(toPx(least, ppi))} pixels`;
  return [
    {
      rule: "words-small",
      level: "look",
      sentence: `Letters are down to ${writeLength(least, { ...write, ppi })} high ${how}. Give their words more room, or fewer of them.`,
      cells: cells.map(({ key }) => key),
    },
  ];
}

/** Words under cells that reach over the next piece, where they would be cut through or printed over. */
function overNeighbours({ job, sheets, words: write }: Inspection): Finding[] {
  const over = sheets.flatMap(({ cells }) =>
    cells.filter((cell) =>
      textsOf(cell.over).some((text) => {
        const set = { ...text.box, height: linesHeight(text.lines.length, text.size) };
        const lying = text.turn === 0 ? set : onItsSideAbout(set);
        return (
          !contains(cell.finished, lying) &&
          cells.some((other) => other !== cell && overlap(lying, other.finished) !== null)
        );
      }),
    ),
  );
  const [first] = over;
  if (!first) return [];
  const height = Math.max(...textsOf(first.over).map(({ box }) => box.height));
  const gap = um(Math.ceil((AWAY + height) / 500) * 500);
  const mends = job.ticket.gap < gap;
  return [
    {
      rule: "words-over-neighbour",
      level: "look",
      sentence: `Words under ${over.length === 1 ? "one cell" : `${over.length} cells`} lie over the next piece. Put more room between the pieces, or the words into the border or over the photo.`,
      cells: over.map(({ key }) => key),
      ...(mends && {
        mend: {
          label: `Put ${writeLength(gap, { ...write, ppi: job.target.ppi })} between pieces`,
          edit: { do: "ticket" as const, change: { gap } },
        },
      }),
    },
  ];
}

function unknown({ job, layout }: Inspection): Finding[] {
  const columns = [...new Set(Object.values(job.list).flatMap((row) => Object.keys(row)))];
  const templates = [
    styleOfAll(job).caption?.text,
    ...Object.values(job.cells).map(({ style }) => style?.caption?.text),
    ...Object.values(job.texts).map(({ text }) => text),
    ...layout.sheets.slice(0, 1).flatMap(({ words }) => words?.map(({ text }) => text)),
    ...Object.values(job.blocks).flatMap((block) =>
      block.kind === "table"
        ? [block.title, ...block.columns.map(({ heading }) => heading), ...block.rows.flat()]
        : [],
    ),
  ].flatMap((text) => text ?? []);
  const fields = [...new Set(templates.flatMap((text) => unknownFields(text, columns)))];
  return fields.map((field) => ({
    rule: "unknown-field",
    level: "look" as const,
    sentence: `There is no field “${field}”, so [${field}] is left out. Choose one from the list, or bring a list with such a column in.`,
    cells: [],
  }));
}
