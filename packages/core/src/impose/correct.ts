import { turnedSize, type Rect, type Size } from "../base/geometry/index.ts";
import { nearest } from "../base/length/index.ts";
import type { PrinterSetup } from "../catalogue/printer/index.ts";
import {
  movedCell,
  movedGround,
  movedInk,
  movedStroke,
  type Move,
  type PagePart,
  type SheetPlan,
} from "../plan/index.ts";

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
  const { width, height } = plan.paper;
  return correctedAbout(plan, { across, down }, { x: width / 2, y: height / 2 });
}

/** Where edges go, one by one, and rectangles by theirs. */
function about({ across, down }: Scale, middle: { x: number; y: number }) {
  const x = (value: number) => nearest(middle.x + (value - middle.x) / across);
  const y = (value: number) => nearest(middle.y + (value - middle.y) / down);
  const rect = (own: Rect): Rect => {
    const [left, top] = [x(own.x), y(own.y)];
    return {
      x: left,
      y: top,
      width: nearest(x(own.x + own.width) - left),
      height: nearest(y(own.y + own.height) - top),
    };
  };
  return { x, y, rect };
}

/** A plan whose every edge is moved along the line to a point that stays. */
function correctedAbout(
  plan: SheetPlan,
  { across, down }: Scale,
  middle: { x: number; y: number },
): SheetPlan {
  const { x, y, rect } = about({ across, down }, middle);
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
    parts: plan.parts.map((part) => correctedPart(part, { across, down }, move)),
  };
}

/**
 * A page is corrected about its corner, whichever sheets show it, so that its parts still meet without a seam:
 *
 *     sheet = page + way to it      middle + (page + way − middle) / scale = page / scale + (middle + (way − middle) / scale)
 */
function correctedPart(part: PagePart, scale: Scale, onSheet: Move): PagePart {
  const corner = { x: 0, y: 0 };
  const onPage = part.turn % 180 === 0 ? scale : { across: scale.down, down: scale.across };
  const { rect } = about(onPage, corner);
  const { width, height } = part.prints;
  const lies = turnedSize({ width: width * part.scale, height: height * part.scale }, part.turn);
  const { x, y } = onSheet.rect({ ...part.at, width: nearest(lies.width), height: nearest(lies.height) });
  return {
    ...part,
    page: correctedAbout(part.page, onPage, corner),
    prints: rect(part.prints),
    shows: rect(part.shows),
    wrap: part.wrap && { ...part.wrap, face: rect(part.wrap.face) },
    pale: part.pale.map(rect),
    at: { x, y },
  };
}

const isWhole = ({ x, y, width, height }: Rect, paper: Size): boolean =>
  x === 0 && y === 0 && width === paper.width && height === paper.height;
