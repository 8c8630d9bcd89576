import {
  fontById,
  toPx,
  type CellPlan,
  type FontId,
  type Rect,
  type SetText,
  type TextInk,
} from "@wide-quilt/core";

/** The cell that something is tilted with; null for what belongs to the sheet. */
export type TiltedWith = Pick<CellPlan, "finished" | "angle"> | null;

/** How lengths of the sheet are written: as they are, or in pixels. */
export interface Scale {
  at(um: number): number;
  /** An edge that things are cut off at: pixels have only whole ones. */
  edge(um: number): number;
}

/** Lengths in pixels; what cuts off has whole ones. */
export const pixelScale = (ppi: number): Scale => ({
  at: (um) => toPx(um, ppi),
  edge: (um) => Math.round(toPx(um, ppi)),
});

/** Micrometres as they are: the view box is the paper in µm. */
export const UM: Scale = { at: (um) => um, edge: (um) => um };

const ANCHOR = { left: "start", middle: "middle", right: "end" } as const;

export const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[sign]!);

/** The transform that lays what stands upright in `rect` where it belongs. */
export function transformOf(rect: Rect, turn: number, cell: TiltedWith, { at }: Scale): string {
  const about = (degrees: number, { x, y, width, height }: Rect) =>
    degrees === 0 ? "" : `rotate(${degrees} ${at(x + width / 2)} ${at(y + height / 2)})`;
  return `${cell ? about(cell.angle, cell.finished) : ""}${about(turn, rect)}`;
}

/**
 * Words as an SVG element, every line where the plan has it. `id` is for what cuts them off. Where they may lie outside
 * what is drawn, `anchor` is a point inside: the library that draws ends the process over a group that is nowhere to be
 * seen, and an invisible pixel there keeps every group in sight.
 */
export function textMark(
  { text, clip }: TextInk,
  cell: TiltedWith,
  scale: Scale,
  id: string,
  anchor: { x: number; y: number } | null = null,
): string {
  const { at } = scale;
  const lines = text.lines
    .map(({ text: line, x, y }) => `<tspan x="${at(x)}" y="${at(y)}">${escaped(line)}</tspan>`)
    .join("");
  const words = `<text xml:space="preserve" transform="${transformOf(text.box, text.turn, cell, scale)}" ${styleOf(text, scale)}>${lines}</text>`;
  return seen(words, clip, cell, scale, id, anchor);
}

/** A mark as far as its clip shows it. */
function seen(
  mark: string,
  clip: Rect | null,
  cell: TiltedWith,
  scale: Scale,
  id: string,
  anchor: { x: number; y: number } | null,
): string {
  if (!clip) return mark;
  const kept = anchor ? `<rect x="${anchor.x}" y="${anchor.y}" width="1" height="1" fill="none"/>` : "";
  return clipped(kept + mark, clip, cell, scale, id);
}

/** A font as an SVG element names it; the regular cut goes without saying. */
function fontOf(font: FontId): string {
  const { family, weight, style } = fontById(font);
  return `font-family="${family}"${weight === 400 ? "" : ` font-weight="${weight}"`}${style === "normal" ? "" : ` font-style="${style}"`}`;
}

const styleOf = ({ font, size, colour, opacity, align }: SetText, { at }: Scale): string =>
  `${fontOf(font)} font-size="${at(size)}" text-anchor="${ANCHOR[align]}" fill="${colour}" fill-opacity="${opacity}"`;

/** Only what of some marks lies inside a rectangle, which is tilted with its cell. */
export function clipped(marks: string, clip: Rect, cell: TiltedWith, scale: Scale, id: string): string {
  const { edge } = scale;
  const [left, top] = [edge(clip.x), edge(clip.y)];
  const [width, height] = [edge(clip.x + clip.width) - left, edge(clip.y + clip.height) - top];
  return `<clipPath id="${id}"><rect x="${left}" y="${top}" width="${width}" height="${height}" transform="${transformOf(clip, 0, cell, scale)}"/></clipPath><g clip-path="url(#${id})">${marks}</g>`;
}
