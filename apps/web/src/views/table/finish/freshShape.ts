import { BARE_SHAPE, mm, um, type Form, type Rect, type Shape, type SheetPlan } from "@wide-quilt/core";

/** Each form in a word or two, as it stands in lists. */
export const FORM_NAMES: Record<Form, string> = {
  rectangle: "Rectangle",
  rounded: "Rounded rectangle",
  ellipse: "Ellipse",
  line: "Line",
  polygon: "Polygon",
  star: "Star",
  ribbon: "Ribbon",
};

/** A shape as it is drawn first: in the middle of the page, a third of it wide, over all others. */
export function freshShape(form: Form, { trim }: SheetPlan, shapes: Readonly<Record<string, Shape>>): Shape {
  const side = Math.max(10_000, Math.round(Math.min(trim.width, trim.height) / 3));
  const height = form === "line" ? mm(3) : form === "ribbon" ? um(Math.round(side / 3)) : um(side);
  const box: Rect = {
    x: um(trim.x + Math.round((trim.width - side) / 2)),
    y: um(trim.y + Math.round((trim.height - height) / 2)),
    width: um(side),
    height,
  };
  return {
    ...plain(box, above(shapes)),
    form,
    points: form === "polygon" ? 6 : 5,
    fill: form === "line" ? null : { kind: "flat", colour: "#2d5a66" },
    stroke: form === "line" ? { width: mm(0.8), colour: "#2d5a66" } : null,
  };
}

/** What artwork made here begins with: a plate over the page and its bleed, and a window cut into it. */
export function plateWithWindow({ trim, bleed }: SheetPlan): Record<string, Shape> {
  const margin = Math.round(Math.min(trim.width, trim.height) / 10);
  const foot = Math.round(trim.height / 6);
  const window: Rect = {
    x: um(trim.x + margin),
    y: um(trim.y + margin),
    width: um(trim.width - 2 * margin),
    height: um(trim.height - 2 * margin - foot),
  };
  return {
    s1: { ...plain(bleed, 0), fill: { kind: "gradient", from: "#f6f1e4", to: "#e2d3b4", angle: 0 } },
    s2: { ...plain(window, 1), is: "window", form: "rounded", corner: mm(3) },
  };
}

const plain = ({ x, y, width, height }: Rect, order: number): Shape => ({
  ...BARE_SHAPE,
  ...{ x, y, width, height },
  order,
});

/** The order that lies over all there are. */
export const above = (shapes: Readonly<Record<string, Shape>>): number =>
  Math.min(9999, Math.max(0, ...Object.values(shapes).map(({ order }) => order)) + 1);
