import { darker, lighter } from "../colour.ts";
import type { Person } from "./person.ts";
import { drawnIn, type Frame } from "./portrait.ts";

/** What is wrong with how a document photo was taken; nothing, where it is as offices want it. */
export interface Flaws {
  /** The colour behind, where that is another than was asked for. */
  behind?: string;
  /** The background darker towards one side, 0 … 1. */
  uneven?: number;
  /** The shadow of the head on the background, 0 … 1. */
  shadow?: number;
  /** Too little light all over, 0 … 1, or too much. */
  dark?: number;
  bright?: number;
  /** One side of the face in the shade, 0 … 1. */
  halfLit?: number;
}

/** Someone as a studio takes them for a document: before an even background, evenly lit; or with something wrong. */
export function documentPhoto(
  person: Person,
  background: string,
  { width, height }: { width: number; height: number },
  frame: Frame,
  flaws: Flaws = {},
): string {
  const { behind = background, uneven = 0, shadow = 0, dark = 0, bright = 0, halfLit = 0 } = flaws;
  const all = `x="-900" y="-900" width="2600" height="2800"`;
  const over = (colour: string, opacity: number) =>
    opacity > 0 ? `<rect ${all} fill="${colour}" opacity="${opacity}"/>` : "";
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${frame.x} ${frame.y} ${frame.width} ${frame.height}" preserveAspectRatio="xMidYMid slice">
    <defs>
      <linearGradient id="uneven" x1=".4" x2=".6"><stop stop-color="${lighter(behind, 0)}"/><stop offset="1" stop-color="${darker(behind, 0.6 * uneven)}"/></linearGradient>
      <linearGradient id="halflit" x1=".44" x2=".56"><stop stop-color="#000" stop-opacity="0"/><stop offset="1" stop-color="#000" stop-opacity="${0.75 * halfLit}"/></linearGradient>
      <filter id="cast" x="-60%" y="-60%" width="220%" height="220%"><feGaussianBlur stdDeviation="16"/></filter>
    </defs>
    <rect ${all} fill="${uneven > 0 ? "url(#uneven)" : behind}"/>
    ${shadow > 0 ? `<ellipse cx="455" cy="400" rx="170" ry="240" fill="#20262b" opacity="${0.55 * shadow}" filter="url(#cast)"/>` : ""}
    ${drawnIn(person)}
    ${halfLit > 0 ? `<g clip-path="url(#head)"><rect x="200" y="150" width="300" height="460" fill="url(#halflit)"/></g>` : ""}
    ${over("#000000", 0.88 * dark)}${over("#ffffff", 0.9 * bright)}
  </svg>`;
}
