import type { Rect } from "../../../base/geometry/index.ts";
import { mm, um } from "../../../base/length/index.ts";
import { equal } from "../../../solve/collage/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { fill, type FieldSource, type Type } from "../../words/index.ts";
import { edgesOf, letters, mesh, rectangle } from "../inks.ts";
import type { TableBlock } from "./schema.ts";

/** Between a line of the block and the words beside it, where there is room. */
const INSIDE = mm(1);
/** Height of letters, as a share of their row, at most. */
const LETTER = 0.62;
/** A title is so much larger than the words below it. */
const TITLE = 1.5;

/**
 * Draws a table at its size: rows of equal height, columns by their shares. Edges are rounded, so that rows and columns
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
export function drawTable(block: TableBlock, source: FieldSource): Ink[] {
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
  const plainType = sized(type, (block.height / count) * LETTER);
  const box = (column: number, row: number): Rect => ({
    x: across[column]!,
    y: down[row]!,
    width: um(across[column + 1]! - across[column]!),
    height: um(down[row + 1]! - down[row]!),
  });
  const words = (text: string, at: Rect, own: Type): Ink[] =>
    letters(fill(text, source), { box: inside(at), type: own, most: 1, stand: "middle" });
  const whole: Rect = { x: block.x, y: block.y, width: block.width, height: block.height };
  const body: Rect = { ...whole, y: down[top]!, height: um(down.at(-1)! - down[top]!) };
  return [
    ...(head !== null && hasHead
      ? [rectangle({ ...body, height: um(down[top + 1]! - down[top]!) }, head)]
      : []),
    ...(line ? [mesh(body, across, down.slice(top), line)] : []),
    ...(titleRows > 0
      ? words(title, { ...whole, height: um(down[1]! - down[0]!) }, sized(type, plainType.size * TITLE))
      : []),
    ...(hasHead
      ? columns.flatMap(({ heading, align }, c) => words(heading, box(c, top), { ...plainType, align }))
      : []),
    ...rows.flatMap((cells, r) =>
      columns.flatMap(({ align }, c) =>
        words(cells[c] ?? "", box(c, top + (hasHead ? 1 : 0) + r), { ...plainType, align }),
      ),
    ),
  ];
}

/** A type no larger than there is room for. */
const sized = (type: Type, most: number): Type => {
  const size = um(Math.max(1, Math.floor(Math.min(type.size, most))));
  return { ...type, size, least: um(Math.min(type.least, size)) };
};

const inside = ({ x, y, width, height }: Rect): Rect => {
  const room = Math.min(INSIDE, Math.floor(width / 8));
  return { x: um(x + room), y, width: um(width - 2 * room), height };
};
