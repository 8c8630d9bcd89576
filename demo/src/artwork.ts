import { Resvg } from "@resvg/resvg-js";
import { flock } from "./scene/birds.ts";

/** A window as it is cut into the demo’s artwork: in pixels, tilted about its middle, degrees clockwise. */
export interface CutWindow {
  shape: "rectangle" | "ellipse";
  x: number;
  y: number;
  width: number;
  height: number;
  angle: number;
}

/** The pixels of the open day’s card, and its windows, the first one first. */
export const CARD = { width: 1200, height: 1800 } as const;
export const CARD_WINDOWS: readonly CutWindow[] = [
  { shape: "rectangle", x: 130, y: 120, width: 940, height: 640, angle: -3 },
  { shape: "rectangle", x: 120, y: 850, width: 440, height: 520, angle: 4 },
  { shape: "ellipse", x: 640, y: 860, width: 440, height: 500, angle: 0 },
];

const BANDS = ["#2d5a66", "#3c7480", "#5d929b", "#8fb4b6", "#cfdcd3"];

/** The artwork of the open day’s card as SVG: sea in bands, dunes and birds, with windows cut through all of it. */
export function cardArtwork(windows: readonly CutWindow[] = CARD_WINDOWS): string {
  const { width, height } = CARD;
  const holes = windows.map(holePath).join("");
  const waves = BANDS.map((colour, i) => {
    const y = i === 0 ? -20 : 200 + i * 330;
    return `<path fill="${colour}" d="M0 ${y}q150 -36 300 0t300 0t300 0t300 0V${height}H0z"/>`;
  }).join("");
  const frames = windows
    .map((one) => `<path d="${holePath(one)}" fill="none" stroke="#f4efe2" stroke-width="26"/>`)
    .join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><defs><mask id="cut"><path fill="#ffffff" fill-rule="evenodd" d="M0 0H${width}V${height}H0z${holes}"/></mask></defs><g mask="url(#cut)">${waves}<path fill="#d9c9a3" d="M0 1640q260 -120 520 -40t680 -70V1800H0z"/>${flock(7, 26, 620, 800, 520, 60, 0.55, "#1f3f48")}${frames}</g></svg>`;
}

/** The same as a PNG with transparent windows. */
export const cardPng = (windows?: readonly CutWindow[]): Buffer =>
  new Resvg(cardArtwork(windows), { font: { loadSystemFonts: false } }).render().asPng();

/** The outline of a window, clockwise. */
function holePath({ shape, x, y, width, height, angle }: CutWindow): string {
  const [cx, cy] = [x + width / 2, y + height / 2];
  if (shape === "ellipse") {
    const [rx, ry] = [width / 2, height / 2];
    return `M${cx - rx} ${cy}a${rx} ${ry} 0 0 1 ${width} 0a${rx} ${ry} 0 0 1 ${-width} 0z`;
  }
  const radians = (angle * Math.PI) / 180;
  const corners = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([u, v]) => {
    const [dx, dy] = [(u! * width) / 2, (v! * height) / 2];
    const at = [
      cx + dx * Math.cos(radians) - dy * Math.sin(radians),
      cy + dx * Math.sin(radians) + dy * Math.cos(radians),
    ];
    return at.map((value) => value.toFixed(3)).join(" ");
  });
  return `M${corners.join("L")}z`;
}
