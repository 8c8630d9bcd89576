import { toPx, type CellPlan } from "@wide-quilt/core";
import type { Piece } from "./bands.ts";
import { fillBox, samples, type Overlay } from "./canvas.ts";
import { outlineBoxes } from "./lines.ts";
import { sample } from "./sample.ts";

/** Points a side that each pixel on a tilted edge is looked at with. */
const POINTS = 4;

/**
 * A piece, painted upright, tilted about the middle of its finished size, with its outline: every pixel looks back to
 * where it was, so the piece lies where the plan has it and nothing is rounded on the way.
 *
 *        ╱╲          the corners that turning adds are not covered
 *      ╱    ╲
 *      ╲    ╱
 *        ╲╱
 */
export function tilted(piece: Piece, cell: CellPlan, ppi: number): Overlay {
  const { finished, angle } = cell;
  const { box, space, cover } = piece;
  for (const { left, top, width, height } of outlineBoxes(cell, ppi)) {
    fillBox(piece, { left: left - box.left, top: top - box.top, width, height }, cell.outline!.colour);
  }
  const middle = {
    x: toPx(finished.x + finished.width / 2, ppi),
    y: toPx(finished.y + finished.height / 2, ppi),
  };
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const corners = [0, 1].flatMap((i) =>
    [0, 1].map((j) => {
      const [right, down] = [box.left + i * box.width - middle.x, box.top + j * box.height - middle.y];
      return { x: middle.x + right * cos - down * sin, y: middle.y + right * sin + down * cos };
    }),
  );
  const left = Math.floor(Math.min(...corners.map(({ x }) => x)));
  const top = Math.floor(Math.min(...corners.map(({ y }) => y)));
  const width = Math.ceil(Math.max(...corners.map(({ x }) => x))) - left;
  const height = Math.ceil(Math.max(...corners.map(({ y }) => y))) - top;
  /** From a point of the sheet to one of the upright piece. */
  const back = (x: number, y: number) => {
    const [right, down] = [x - middle.x, y - middle.y];
    return {
      x: middle.x + right * cos + down * sin - box.left,
      y: middle.y - right * sin + down * cos - box.top,
    };
  };
  const covered = (x: number, y: number) =>
    x < 0 || y < 0 || x >= box.width || y >= box.height
      ? 0
      : cover[Math.floor(y) * box.width + Math.floor(x)]!;
  const data = samples(width * height * space.channels, space);
  const seen = new Uint8Array(width * height);
  const grid = { ...piece, channels: space.channels };
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) {
      const at = row * width + column;
      const { x, y } = back(left + column + 0.5, top + row + 0.5);
      if (x < -1 || y < -1 || x > box.width + 1 || y > box.height + 1) continue;
      const deepInside = x > 1 && y > 1 && x < box.width - 1 && y < box.height - 1 && covered(x, y) === 255;
      seen[at] = deepInside ? 255 : share(left + column, top + row, back, covered);
      if (seen[at] > 0) sample(grid, x - 0.5, y - 0.5, data, at * space.channels);
    }
  }
  return { data, cover: seen, width, height, left, top };
}

/** How much of one pixel of the sheet a tilted piece covers, 0…255. */
function share(
  left: number,
  top: number,
  back: (x: number, y: number) => { x: number; y: number },
  covered: (x: number, y: number) => number,
): number {
  let sum = 0;
  for (let i = 0; i < POINTS; i++) {
    for (let j = 0; j < POINTS; j++) {
      const { x, y } = back(left + (i + 0.5) / POINTS, top + (j + 0.5) / POINTS);
      sum += covered(x, y);
    }
  }
  return Math.round(sum / (POINTS * POINTS));
}
