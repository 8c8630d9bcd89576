import { gradientEnds, pixelBox, type GroundPlan, type PixelBox } from "@wide-quilt/core";
import { fillBox, type SheetPixels } from "./canvas.ts";

/** Fills a part of the sheet with a colour, or with one that runs from the top of its page into another. */
export function paintGround(sheet: SheetPixels, ground: GroundPlan, ppi: number): void {
  const { fill } = ground;
  const whole = pixelBox(ground.rect, ppi);
  if (fill.kind === "flat") return fillBox(sheet, whole, fill.colour);
  const box = onSheet(whole, sheet);
  const { space } = sheet;
  const [top, bottom] = [fill.top, fill.bottom].map((colour) => Buffer.from(colour.slice(1), "hex"));
  const { x1, y1, x2, y2 } = gradientEnds(ground);
  const down = x1 === x2;
  const length = down ? whole.height : whole.width;
  const isReversed = x1 > x2 || y1 > y2;
  const steps = Uint8Array.from({ length: length * 3 }, (_, i) => {
    const at = Math.floor(i / 3);
    const share = ((isReversed ? length - 1 - at : at) + 0.5) / length;
    const from = top![i % 3]!;
    return Math.round(from + (bottom![i % 3]! - from) * share);
  });
  const colours = space.fromSrgb(steps);
  for (let y = 0; y < box.height; y++) {
    for (let x = 0; x < box.width; x++) {
      const step = down ? box.top + y - whole.top : box.left + x - whole.left;
      const colour = colours.subarray(step * space.channels, (step + 1) * space.channels);
      const row = box.top + y - sheet.top;
      sheet.data.set(colour, (row * sheet.width + box.left + x - sheet.left) * space.channels);
    }
  }
}

/** What of a box is on the sheet. */
function onSheet({ left, top, width, height }: PixelBox, sheet: SheetPixels): PixelBox {
  const [x, y] = [Math.max(sheet.left, left), Math.max(sheet.top, top)];
  return {
    left: x,
    top: y,
    width: Math.max(0, Math.min(sheet.left + sheet.width, left + width) - x),
    height: Math.max(0, Math.min(sheet.top + sheet.height, top + height) - y),
  };
}
