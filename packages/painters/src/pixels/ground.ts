import type { BackdropFill } from "@wide-quilt/core";
import { CHANNELS, fillBox, type SheetPixels } from "./canvas.ts";

/** Fills the whole sheet with a colour, or with one that runs from the top into another. */
export function paintGround(sheet: SheetPixels, fill: BackdropFill): void {
  const { width, height } = sheet;
  if (fill.kind === "flat") return fillBox(sheet, { left: 0, top: 0, width, height }, fill.colour);
  const [top, bottom] = [fill.top, fill.bottom].map((colour) => Buffer.from(colour.slice(1), "hex"));
  for (let y = 0; y < height; y++) {
    const share = (y + 0.5) / height;
    const colour = Buffer.from(top!.map((from, c) => Math.round(from + (bottom![c]! - from) * share)));
    sheet.data.fill(colour, y * width * CHANNELS, (y + 1) * width * CHANNELS);
  }
}
