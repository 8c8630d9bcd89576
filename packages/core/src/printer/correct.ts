import type { Size } from "../geometry/index.ts";
import { nearest } from "../length/index.ts";
import type { SheetPlan } from "../plan/index.ts";
import type { PrinterSetup } from "./schema.ts";

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
  const moved = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(moved);
    if (typeof value !== "object" || value === null) return value;
    const whole = Object.fromEntries(
      Object.entries(value).map(([key, part]) => [key, FIXED.has(key) ? part : moved(part)]),
    );
    const { x: left, y: top, width, height, x1, x2, y1, y2 } = value as Record<string, unknown>;
    if (typeof left === "number" && typeof top === "number") {
      Object.assign(whole, { x: x(left), y: y(top) });
      if (typeof width === "number") whole.width = x(left + width) - x(left);
      if (typeof height === "number") whole.height = y(top + height) - y(top);
    }
    if (typeof x1 === "number") {
      Object.assign(whole, {
        x1: x(x1),
        x2: x(x2 as number),
        y1: y(y1 as number),
        y2: y(y2 as number),
      });
    }
    return whole;
  };
  return moved(plan) as SheetPlan;
}

/** Parts of a plan that are not places on the paper: what is bought, and how a photo sits in its own cell. */
const FIXED = new Set(["stock", "paper", "pixels", "mayLose", "sits", "ground", "look"]);
