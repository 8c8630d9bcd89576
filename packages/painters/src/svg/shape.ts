import {
  FADES_OVER,
  pathData,
  pictureIn,
  turnedAbout,
  um,
  type PathCut,
  type PathInk,
  type PathStep,
  type Rect,
  type Shadow,
} from "@wide-quilt/core";
import { clipped, transformOf, type Scale, type TiltedWith } from "./marks.ts";

/** A picture as it is put into a drawing: as an element over its rectangle. */
export type PictureMark = (rect: Rect) => string;

/**
 * A drawn shape as an SVG element; `id` is for what is named in it, `picture` what it is filled with where that is one. Its
 * windows cut both it and its shadow off, one after the other, so that two that overlap are both open.
 */
export function pathMark(
  ink: PathInk,
  cell: TiltedWith,
  scale: Scale,
  id: string,
  picture: PictureMark | null = null,
): string {
  const { clip, opacity, shadow } = ink;
  const body = bodyMark(ink, cell, scale, id, picture);
  const drawn = opacity < 1 ? `<g opacity="${opacity}">${body}</g>` : body;
  const marks = (shadow ? shadowMark(ink, shadow, cell, scale, id) : "") + drawn;
  const around = ink.cut.length > 0 ? allOf(ink, cell, scale) : "";
  const open = ink.cut.reduce((inner, cut, i) => {
    const name = `${id}w${i}`;
    return `<clipPath id="${name}"><path clip-rule="evenodd" d="${around}${turnedData(cut, cell, scale)}"/></clipPath><g clip-path="url(#${name})">${inner}</g>`;
  }, marks);
  return clip ? clipped(open, clip, cell, scale, id) : open;
}

/** What a shape is filled with and its line; `kept` stands in every group, where groups must have something to be seen. */
export function bodyMark(
  { commands, fill, stroke, box, turn }: PathInk,
  cell: TiltedWith,
  scale: Scale,
  id: string,
  picture: PictureMark | null,
  kept = "",
): string {
  const data = pathData(commands, scale.at);
  const line = stroke ? ` stroke="${stroke.colour}" stroke-width="${scale.at(stroke.width)}"` : "";
  const transform = transformOf(box, turn, cell, scale);
  const pictured = pictureIn(fill);
  const paint = pictured ? "none" : fillOf(fill, `${id}f`);
  const path = `${gradientOf(fill, `${id}f`, scale)}<path d="${data}" fill="${paint}"${line} transform="${transform}"/>`;
  if (!pictured || !picture) return path;
  return `<clipPath id="${id}p"><path d="${data}" transform="${transform}"/></clipPath><g clip-path="url(#${id}p)">${kept}<g transform="${transform}">${picture(pictured.rect)}</g></g>${path}`;
}

/** The data of a rectangle around all that is seen of a shape, however it is turned. */
function allOf(ink: PathInk, cell: TiltedWith, { at }: Scale): string {
  const { x, y, width, height } = reachOf(ink, cell);
  const [left, top, right, foot] = [at(x), at(y), at(x + width), at(y + height)];
  return `M${left} ${top}H${right}V${foot}H${left}Z`;
}

/** A square on the sheet, in µm, its edges anywhere. */
export interface Square {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A rectangle around a shape, its line and its shadow: the square around the circle that it turns in. */
export function reachOf(
  { box, stroke, shadow }: Pick<PathInk, "box" | "stroke" | "shadow">,
  cell: TiltedWith,
): Square {
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

/** The shadow of a shape alone: what it covers, moved and made soft, its `blur` being three standard deviations. */
export function shadowMark(
  ink: PathInk,
  shadow: Shadow,
  cell: TiltedWith,
  scale: Scale,
  id: string,
  kept = "",
): string {
  const { commands, fill, stroke, box, turn } = ink;
  const { at } = scale;
  const { x, y, width, height } = shadowReach(ink, shadow, cell);
  const region = `x="${at(x)}" y="${at(y)}" width="${at(width)}" height="${at(height)}"`;
  const soft = shadow.blur > 0 ? `<feGaussianBlur stdDeviation="${at(shadow.blur) / FADES_OVER}"/>` : "";
  const line = stroke ? ` stroke="${shadow.colour}" stroke-width="${at(stroke.width)}"` : "";
  const moved = `translate(${at(shadow.right)} ${at(shadow.down)})${transformOf(box, turn, cell, scale)}`;
  const cast = `<path d="${pathData(commands, at)}" fill="${fill === null ? "none" : shadow.colour}"${line} transform="${moved}"/>`;
  return `<filter id="${id}s" filterUnits="userSpaceOnUse" ${region} color-interpolation-filters="sRGB">${soft}<feComponentTransfer><feFuncA type="linear" slope="${shadow.opacity}"/></feComponentTransfer></filter><g filter="url(#${id}s)">${kept}${cast}</g>`;
}

/** A rectangle around the shadow of a shape. */
export function shadowReach({ box, stroke }: PathInk, shadow: Shadow, cell: TiltedWith): Square {
  const soft = { ...shadow, right: um(0), down: um(0) };
  const { x, y, width, height } = reachOf({ box, stroke, shadow: soft }, cell);
  return { x: x + shadow.right, y: y + shadow.down, width, height };
}
