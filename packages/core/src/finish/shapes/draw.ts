import { fitInto, fittedRect, rectOf, type Rect } from "../../base/geometry/index.ts";
import type { SheetName } from "../../schema/index.ts";
import type { Paint, PathCut, PathInk } from "../graphics/ink.ts";
import { shapePath } from "./path.ts";
import type { Shape, ShapeFill } from "./schema.ts";

/** Shapes in the order in which they are painted, later ones over earlier ones. */
export const inOrder = (shapes: Readonly<Record<string, Shape>>): [name: string, Shape][] =>
  Object.entries(shapes).sort(([, a], [, b]) => a.order - b.order);

/**
 * The shapes of a page behind its photos or in front of them. Windows are cut into all that are in front, with their
 * shadows; a window’s own line is drawn around it.
 */
export function drawShapes(
  shapes: Readonly<Record<string, Shape>>,
  where: "front" | "behind",
  page: SheetName,
): PathInk[] {
  const here = inOrder(shapes).flatMap(([, shape]) =>
    shape.sheet === null || shape.sheet === page ? [shape] : [],
  );
  const windows = here.filter(({ is }) => is === "window");
  const drawn = here
    .filter(({ is }) => is === where)
    .map((shape) => ({
      ...inkOf(shape),
      cut: where === "front" ? windows.filter((window) => reaches(shape, window)).map(cutOf) : [],
    }));
  const lines = where === "front" ? windows.filter(({ stroke }) => stroke) : [];
  return [...drawn, ...lines.map((shape) => ({ ...inkOf({ ...shape, fill: null }), cut: [] }))];
}

/** Whether a shape, however both are turned, could lie over a window with its line or its shadow. */
function reaches(shape: Shape, window: Shape): boolean {
  const { stroke, shadow } = shape;
  const thrown = shadow ? Math.hypot(shadow.right, shadow.down) + shadow.blur : 0;
  const middle = ({ x, y, width, height }: Shape) => [x + width / 2, y + height / 2] as const;
  const [[ax, ay], [bx, by]] = [middle(shape), middle(window)];
  const far = Math.hypot(shape.width, shape.height) / 2 + Math.hypot(window.width, window.height) / 2;
  return Math.hypot(ax - bx, ay - by) <= far + (stroke?.width ?? 0) + thrown;
}

const cutOf = (shape: Shape): PathCut => ({
  commands: shapePath(shape),
  box: rectOf(shape),
  turn: shape.turn,
});

function inkOf(shape: Shape): Omit<PathInk, "cut"> {
  const box = rectOf(shape);
  return {
    kind: "path",
    commands: shapePath(shape),
    fill: shape.fill && shape.form !== "line" ? paintOf(shape.fill, box) : null,
    stroke: shape.stroke,
    shadow: shape.shadow,
    opacity: shape.opacity,
    box,
    turn: shape.turn,
    clip: null,
  };
}

/** What a shape is painted with, laid out for its box. */
function paintOf(fill: ShapeFill, box: Rect): Paint {
  if (fill.kind === "flat") return fill.colour;
  if (fill.kind === "gradient") {
    // From side to side of the box along the direction, so that both colours are reached at its corners.
    const radians = (fill.angle * Math.PI) / 180;
    const [dx, dy] = [-Math.sin(radians), Math.cos(radians)];
    const half = (Math.abs(dx) * box.width + Math.abs(dy) * box.height) / 2;
    const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
    const at = (by: number) => [Math.round(cx + by * dx), Math.round(cy + by * dy)] as const;
    return { kind: "gradient", from: fill.from, to: fill.to, start: at(-half), end: at(half) };
  }
  const { of } = fill;
  const rect = fittedRect(
    { x: 0, y: 0, width: of.proportion, height: 1 },
    fitInto({ width: of.proportion, height: 1 }, box, "fill"),
  );
  return { kind: "picture", of: { kind: "file", id: of.file }, rect };
}
