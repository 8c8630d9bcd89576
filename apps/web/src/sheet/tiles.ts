import { turnedSize, type Rect } from "@wide-quilt/core";
import { originOf, type Box } from "./onPicture.ts";
import type { Sight } from "./sights.ts";

/** A photo as one cell shows it, in the pixels of the screen. */
interface Tile {
  canvas: OffscreenCanvas;
  context: OffscreenCanvasRenderingContext2D;
  image: CanvasImageSource;
  perUm: number;
}

/**
 * Photos as cells show them, kept from one painting of a sheet to the next: most changes only put them elsewhere. To
 * make a canvas takes longer than to paint it, so those that are not needed any more are painted anew.
 */
export class Tiles {
  private kept = new Map<string, Tile>();

  /** The tile of each way to show a photo whose picture is there. `perUm` is pixels a micrometre. */
  of(
    sights: readonly Sight[],
    images: ReadonlyMap<string, CanvasImageSource>,
    perUm: number,
  ): Map<Sight, OffscreenCanvas> {
    const wanted = new Set(sights.map(({ key }) => key));
    const spare = [...this.kept].flatMap(([key, tile]) => (wanted.has(key) ? [] : [tile]));
    const now = new Map<string, Tile>();
    const found = new Map<Sight, OffscreenCanvas>();
    for (const sight of sights) {
      const image = images.get(sight.photoId);
      if (!image) continue;
      let tile = this.kept.get(sight.key);
      if (!tile || tile.image !== image || tile.perUm !== perUm) {
        const { canvas, context } = tile ?? spare.pop() ?? blank();
        tile = { canvas, context, image, perUm };
        paint(tile, sight);
      }
      now.set(sight.key, tile);
      found.set(sight, tile.canvas);
    }
    this.kept = now;
    return found;
  }
}

function blank(): Pick<Tile, "canvas" | "context"> {
  const canvas = new OffscreenCanvas(1, 1);
  return { canvas, context: canvas.getContext("2d")! };
}

/** Paints a photo as its cells show it, with the pixel more that a cell may have by rounding. */
function paint({ canvas, context, image, perUm }: Tile, { window, picture, middle, corner }: Sight): void {
  const across = window.width * perUm;
  const down = window.height * perUm;
  // A size that is set clears the canvas, and all that was set in it.
  canvas.width = Math.ceil(across) + 1;
  canvas.height = Math.ceil(down) + 1;
  context.imageSmoothingQuality = "medium";
  if (corner > 0) {
    context.beginPath();
    context.roundRect(0, 0, across, down, corner * perUm);
    context.clip();
  }
  if (picture.level !== 0) {
    const [x, y] = [(middle.x - window.x) * perUm, (middle.y - window.y) * perUm];
    context.translate(x, y);
    context.rotate(radians(picture.level));
    context.translate(-x, -y);
  }
  const { turn } = picture;
  const placed = inPixels(picture.placed, window, perUm);
  context.translate(...originOf({ placed, turn }));
  context.rotate(radians(turn));
  const { width, height } = turnedSize(placed, turn);
  context.drawImage(image, 0, 0, width, height);
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/** Where a photo lies in its window, out to whole pixels: an edge that covered a pixel in part would let the paper through. */
function inPixels({ x, y, width, height }: Rect, window: Rect, perUm: number): Box {
  const left = Math.floor((x - window.x) * perUm);
  const top = Math.floor((y - window.y) * perUm);
  return {
    x: left,
    y: top,
    width: Math.ceil((x + width - window.x) * perUm) - left,
    height: Math.ceil((y + height - window.y) * perUm) - top,
  };
}
