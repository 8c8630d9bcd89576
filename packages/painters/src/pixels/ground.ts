import type { BackdropFill } from "@wide-quilt/core";
import { fillBox, type SheetPixels } from "./canvas.ts";

/** Fills the whole sheet with a colour, or with one that runs from the top into another. */
export function paintGround(sheet: SheetPixels, fill: BackdropFill): void {
  const { width, height, space } = sheet;
  if (fill.kind === "flat") return fillBox(sheet, { left: 0, top: 0, width, height }, fill.colour);
  const [top, bottom] = [fill.top, fill.bottom].map((colour) => Buffer.from(colour.slice(1), "hex"));
  const rows = Uint8Array.from({ length: height * 3 }, (_, i) => {
    const share = (Math.floor(i / 3) + 0.5) / height;
    const from = top![i % 3]!;
    return Math.round(from + (bottom![i % 3]! - from) * share);
  });
  const colours = space.fromSrgb(rows);
  for (let y = 0; y < height; y++) {
    const colour = colours.subarray(y * space.channels, (y + 1) * space.channels);
    for (let x = 0; x < width; x++) sheet.data.set(colour, (y * width + x) * space.channels);
  }
}
