import type { Rect } from "../../base/geometry/index.ts";
import { mm, um, type Um } from "../../base/length/index.ts";
import { divide, equal } from "../../solve/collage/index.ts";
import type { Ink, PathInk } from "../graphics/index.ts";
import { fill, setWords, type FieldSource, type Type } from "../words/index.ts";
import type { Block } from "./schema.ts";

/** Between a line of the block and the words beside it, where there is room. */
const INSIDE = mm(1);
/** Height of letters, as a share of their row, at most. */
const LETTER = 0.62;
/** A title is so much larger than the words below it. */
const TITLE = 1.5;

/**
 * Draws a block at its size: rows of equal height, columns by their shares. Edges are rounded, so that rows and columns
 * close; words shrink with their row down to their least size.
 *
 *     title
 *     ┌──────────────┬────────┬────────┐
 *     │ heading      │        │        │
 *     ├──────────────┼────────┼────────┤
 *     │ words        │        │        │
 *     ├──────────────┼────────┼────────┤
 *     │              │        │        │  blank, to write in
 *     └──────────────┴────────┴────────┘
 */
export function drawBlock(block: Block, source: FieldSource): Ink[] {
  const { columns, rows, blank, title, head, line, type } = block;
  const hasHead = columns.some(({ heading }) => heading !== "");
  const titleRows = title === "" ? 0 : TITLE;
  const plain = (hasHead ? 1 : 0) + rows.length + blank;
  const count = titleRows + plain;
  if (count === 0) return [];
  const across = edgesOf(
    block.x,
    block.width,
    columns.map(({ share }) => share),
  );
  const down = edgesOf(block.y, block.height, [...(titleRows > 0 ? [titleRows] : []), ...equal(plain)]);
  const top = titleRows > 0 ? 1 : 0;
  const letters = sized(type, (block.height / count) * LETTER);
  const box = (column: number, row: number): Rect => ({
    x: across[column]!,
    y: down[row]!,
    width: um(across[column + 1]! - across[column]!),
    height: um(down[row + 1]! - down[row]!),
  });
  const words = (text: string, at: Rect, own: Type): Ink[] => {
    const set = setWords(fill(text, source), { box: inside(at), type: own, most: 1, stand: "middle" });
    return set ? [{ kind: "text", text: set, clip: null }] : [];
  };
  const whole: Rect = { x: block.x, y: block.y, width: block.width, height: block.height };
  const body: Rect = { ...whole, y: down[top]!, height: um(down.at(-1)! - down[top]!) };
  return [
    ...(head !== null && hasHead
      ? [rectangle({ ...body, height: um(down[top + 1]! - down[top]!) }, head)]
      : []),
    ...(line ? [mesh(body, across, down.slice(top), line)] : []),
    ...(titleRows > 0
      ? words(title, { ...whole, height: um(down[1]! - down[0]!) }, sized(type, letters.size * TITLE))
      : []),
    ...(hasHead
      ? columns.flatMap(({ heading, align }, c) => words(heading, box(c, top), { ...letters, align }))
      : []),
    ...rows.flatMap((cells, r) =>
      columns.flatMap(({ align }, c) =>
        words(cells[c] ?? "", box(c, top + (hasHead ? 1 : 0) + r), { ...letters, align }),
      ),
    ),
  ];
}

/** The edges of a length that is divided by shares: one more than there are parts. */
const edgesOf = (from: number, length: number, shares: readonly number[]): Um[] =>
  [0, ...(divide(length, shares, 0) ?? []).map(({ to }) => to)].map((edge) => um(from + edge));

/** A type no larger than there is room for. */
const sized = (type: Type, most: number): Type => {
  const size = um(Math.max(1, Math.floor(Math.min(type.size, most))));
  return { ...type, size, least: um(Math.min(type.least, size)) };
};

const inside = ({ x, y, width, height }: Rect): Rect => {
  const room = Math.min(INSIDE, Math.floor(width / 8));
  return { x: um(x + room), y, width: um(width - 2 * room), height };
};

/** What blocks are drawn without. */
const PLAIN = { shadow: null, opacity: 1, cut: [] } as const;

const rectangle = ({ x, y, width, height }: Rect, colour: string): PathInk => ({
  kind: "path",
  commands: [["M", x, y], ["L", x + width, y], ["L", x + width, y + height], ["L", x, y + height], ["Z"]],
  fill: colour,
  stroke: null,
  ...PLAIN,
  box: { x, y, width, height },
  turn: 0,
  clip: null,
});

/** The lines around and between rows and columns, as one path. */
const mesh = (
  box: Rect,
  across: readonly Um[],
  down: readonly Um[],
  { width, colour }: { width: Um; colour: string },
): PathInk => ({
  kind: "path",
  commands: [
    ...across.flatMap((x): PathInk["commands"] => [
      ["M", x, box.y],
      ["L", x, box.y + box.height],
    ]),
    ...down.flatMap((y): PathInk["commands"] => [
      ["M", box.x, y],
      ["L", box.x + box.width, y],
    ]),
  ],
  fill: null,
  stroke: { width, colour },
  ...PLAIN,
  box,
  turn: 0,
  clip: null,
});
