import {
  pathData,
  turnedAbout,
  type PathCut,
  type PathInk,
  type PathStep,
  type Rect,
  type Shadow,
} from "@wide-quilt/core";
import { seen, transformOf, type Scale, type TiltedWith } from "./marks.ts";

/** A picture as it is put into a drawing: as an element over its rectangle. */
export type PictureMark = (rect: Rect) => string;

/**
 * A drawn shape as an SVG element; `id` and `anchor` as for words, `picture` what it is filled with where that is one. Its
 * windows cut both it and its shadow off, one after the other, so that two that overlap are both open.
 */
export function pathMark(
  ink: PathInk,
  cell: TiltedWith,
  scale: Scale,
  id: string,
  anchor: { x: number; y: number } | null = null,
  picture: PictureMark | null = null,
): string {
  const { commands, fill, stroke, shadow, box, turn, clip, opacity } = ink;
  const { at } = scale;
  const line = stroke ? ` stroke="${stroke.colour}" stroke-width="${at(stroke.width)}"` : "";
  const data = pathData(commands, at);
  const transform = transformOf(box, turn, cell, scale);
  const isPicture = typeof fill === "object" && fill?.kind === "picture";
  const paint = isPicture ? "none" : fillOf(fill, `${id}f`);
  const path = `<path d="${data}" fill="${paint}"${line} transform="${transform}"/>`;
  const filled =
    isPicture && picture
      ? `<clipPath id="${id}p"><path d="${data}" transform="${transform}"/></clipPath><g clip-path="url(#${id}p)"><g transform="${transform}">${picture(fill.rect)}</g></g>`
      : "";
  const fade = opacity < 1 ? ` opacity="${opacity}"` : "";
  const drawn = `${gradientOf(fill, `${id}f`, scale)}<g${fade}>${filled}${path}</g>`;
  const under = shadow ? shadowMark(ink, shadow, cell, scale, id) : "";
  const around = ink.cut.length > 0 ? allOf(ink, cell, scale) : "";
  const open = ink.cut.reduce((marks, cut, i) => {
    const name = `${id}w${i}`;
    return `<clipPath id="${name}"><path clip-rule="evenodd" d="${around}${turnedData(cut, cell, scale)}"/></clipPath><g clip-path="url(#${name})">${marks}</g>`;
  }, under + drawn);
  return seen(open, clip, cell, scale, id, anchor);
}

/** The data of a rectangle around all that is seen of a shape, however it is turned. */
function allOf(ink: PathInk, cell: TiltedWith, { at }: Scale): string {
  const { x, y, width, height } = reachOf(ink, cell);
  const [left, top, right, foot] = [at(x), at(y), at(x + width), at(y + height)];
  return `M${left} ${top}H${right}V${foot}H${left}Z`;
}

/** A rectangle around a shape, its line and its shadow, in µm: the square around the circle that it turns in. */
export function reachOf({ box, stroke, shadow }: PathInk, cell: TiltedWith) {
  const { x, y, width, height } = box;
  const middle = { x: x + width / 2, y: y + height / 2 };
  const at = cell ? turnedAbout(cell.finished, cell.angle, middle) : middle;
  const thrown = shadow ? Math.hypot(shadow.right, shadow.down) + shadow.blur : 0;
  const far = Math.ceil(Math.hypot(width, height) / 2 + (stroke?.width ?? 0) + thrown) + 1000;
  return { x: at.x - far, y: at.y - far, width: 2 * far, height: 2 * far };
}

/** The data of a path with its turn worked in: a rule for what is inside holds for one path alone. */
export function turnedData({ commands, box, turn }: PathCut, cell: TiltedWith, { at }: Scale): string {
  const moved = commands.map((step): PathStep => {
    const [name, ...figures] = step;
    const points: number[] = [];
    for (let i = 0; i < figures.length; i += 2) {
      const own = turnedAbout(box, turn, { x: figures[i]!, y: figures[i + 1]! });
      const { x, y } = cell ? turnedAbout(cell.finished, cell.angle, own) : own;
      points.push(x, y);
    }
    return [name, ...points] as unknown as PathStep;
  });
  return pathData(moved, at);
}

const fillOf = (fill: PathInk["fill"], id: string): string =>
  fill === null ? "none" : typeof fill === "string" ? fill : `url(#${id})`;

function gradientOf(fill: PathInk["fill"], id: string, { at }: Scale): string {
  if (typeof fill !== "object" || fill?.kind !== "gradient") return "";
  const [[x1, y1], [x2, y2]] = [fill.start, fill.end];
  return `<linearGradient id="${id}" gradientUnits="userSpaceOnUse" x1="${at(x1)}" y1="${at(y1)}" x2="${at(x2)}" y2="${at(y2)}"><stop stop-color="${fill.from}"/><stop offset="1" stop-color="${fill.to}"/></linearGradient>`;
}

/** How far a blur of a standard deviation of 1 is seen. */
const SEEN = 3;

/** The shadow of a shape alone: what it covers, moved and made soft. `blur` is how far it fades: three standard deviations. */
export function shadowMark(ink: PathInk, shadow: Shadow, cell: TiltedWith, scale: Scale, id: string): string {
  const { commands, fill, stroke, box, turn } = ink;
  const { at } = scale;
  const cast = `<path d="${pathData(commands, at)}" fill="${fill === null ? "none" : shadow.colour}"${
    stroke ? ` stroke="${shadow.colour}" stroke-width="${at(stroke.width)}"` : ""
  } transform="${transformOf(box, turn, cell, scale)}"/>`;
  const moved = `<g transform="translate(${at(shadow.right)} ${at(shadow.down)})" opacity="${shadow.opacity}">`;
  if (shadow.blur === 0) return `${moved}${cast}</g>`;
  const reach = reachOf(ink, cell);
  const region = `x="${at(reach.x)}" y="${at(reach.y)}" width="${at(reach.width)}" height="${at(reach.height)}"`;
  return `${moved}<filter id="${id}s" filterUnits="userSpaceOnUse" ${region} color-interpolation-filters="sRGB"><feGaussianBlur stdDeviation="${at(shadow.blur) / SEEN}"/></filter><g filter="url(#${id}s)">${cast}</g></g>`;
}
