import { Resvg } from "@resvg/resvg-js";
import { pixelBox, toPx, turnedAbout, um, type Caption, type CellPlan } from "@wide-quilt/core";
import { BASELINE, CAPTION_COLOUR, CAPTION_FAMILY, captionFont } from "../fonts.ts";
import type { Overlay } from "./canvas.ts";

/** A caption as pixels with alpha, turned and tilted as its cell is. */
export function captionPixels({ finished, angle }: CellPlan, caption: Caption, ppi: number): Overlay {
  const { box, size, turn, text } = caption;
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const of = turnedAbout(finished, angle, middle);
  // The text fits into a square about its middle however it is turned.
  const side = Math.max(box.width, box.height);
  const square = pixelBox(
    {
      x: um(Math.round(of.x - side / 2)),
      y: um(Math.round(of.y - side / 2)),
      width: um(side),
      height: um(side),
    },
    ppi,
  );
  const [x, y] = [toPx(of.x, ppi) - square.left, toPx(of.y, ppi) - square.top];
  const height = toPx(size, ppi);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${square.width}" height="${square.height}"><text transform="translate(${x} ${y}) rotate(${turn + angle})" y="${BASELINE * height}" font-family="${CAPTION_FAMILY}" font-size="${height}" text-anchor="middle" fill="${CAPTION_COLOUR}">${escaped(text)}</text></svg>`;
  const image = new Resvg(svg, { font: { fontFiles: [captionFont()], loadSystemFonts: false } }).render();
  return {
    data: straightAlpha(image.pixels),
    width: image.width,
    height: image.height,
    left: square.left,
    top: square.top,
  };
}

const escaped = (text: string): string =>
  text.replace(/[&<>]/g, (sign) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;" })[sign]!);

/** Colours that were multiplied by their alpha, divided by it again. */
function straightAlpha(pixels: Buffer): Buffer {
  const data = Buffer.from(pixels);
  for (let i = 0; i < data.length; i += 4) {
    const alpha = data[i + 3]!;
    if (alpha === 0 || alpha === 255) continue;
    for (let c = 0; c < 3; c++) data[i + c] = Math.min(255, Math.round((data[i + c]! * 255) / alpha));
  }
  return data;
}
