import type { Rect, Size } from "../base/geometry/index.ts";
import { nearest } from "../base/length/index.ts";
import type { PrinterSetup } from "../catalogue/printer/index.ts";
import { movedCell, movedGround, movedInk, movedStroke, type Move, type SheetPlan } from "../plan/index.ts";

type Scale = PrinterSetup["scale"];

/** The scale error of paper that lies: measured upright, it turns with the paper. */
const lying = ({ across, down }: Scale, stock: Size, paper: Size): Scale =>
  stock.width === paper.width && stock.height === paper.height
    ? { across, down }
    : { across: down, down: across };

export const isTrue = ({ across, down }: Scale): boolean => across === 1 && down === 1;

/**
 * The plan of a sheet as it has to be written for a printer with a scale error, so that what is printed is what was
 * planned. Every edge is moved along the line to the middle of the paper; the paper stays.
 *
 *     written = middle + (planned − middle) / scale          printed = middle + (written − middle) · scale = planned
 */
export function corrected(plan: SheetPlan, scale: Scale): SheetPlan {
  if (isTrue(scale)) return plan;
  const { across, down } = lying(scale, plan.stock, plan.paper);
  const x = (value: number) => nearest(plan.paper.width / 2 + (value - plan.paper.width / 2) / across);
  const y = (value: number) => nearest(plan.paper.height / 2 + (value - plan.paper.height / 2) / down);
  const rect = (own: Rect): Rect => {
    const [left, top] = [x(own.x), y(own.y)];
    return {
      x: left,
      y: top,
      width: nearest(x(own.x + own.width) - left),
      height: nearest(y(own.y + own.height) - top),
    };
  };
  const move: Move = { rect, box: rect, inBox: (at) => ({ x: x(at.x), y: y(at.y) }), turn: 0 };
  return {
    ...plan,
    printable: rect(plan.printable),
    trim: rect(plan.trim),
    bleed: rect(plan.bleed),
    safe: rect(plan.safe),
    freed: plan.freed && plan.freed.map(rect),
    backing: plan.backing.map((ink) => movedInk(ink, move)),
    cells: plan.cells.map((cell) => movedCell(cell, move)),
    over: plan.over.map((ink) => movedInk(ink, move)),
    // Colour that goes to the edges of the paper goes there whatever the printer does.
    grounds: plan.grounds.map((ground) =>
      isWhole(ground.rect, plan.paper) ? ground : movedGround(ground, move),
    ),
    marks: plan.marks.map((stroke) => movedStroke(stroke, move)),
  };
}

const isWhole = ({ x, y, width, height }: Rect, paper: Size): boolean =>
  x === 0 && y === 0 && width === paper.width && height === paper.height;
