import { BARE_SHAPE, inch, mm, um, type Shape, type ShapeFill } from "@wide-quilt/core";

const shape = (x: number, y: number, width: number, height: number, change: Partial<Shape>): Shape => ({
  ...BARE_SHAPE,
  ...{ x: mm(x), y: mm(y), width: mm(width), height: mm(height) },
  ...change,
});
const flat = (colour: string): ShapeFill => ({ kind: "flat", colour });
const rim = { width: mm(1.2), colour: "#fbf7ec" };
const shadow = { right: mm(0.4), down: mm(0.8), blur: mm(1.6), colour: "#12262c", opacity: 0.5 };

/** The open day’s frame, made of shapes: sand and sea, three windows, a ribbon for the name, a star of the sea. */
export const FRAME: Readonly<Record<string, Shape>> = {
  s1: {
    ...shape(0, 0, 0, 0, { fill: { kind: "gradient", from: "#f3e3bf", to: "#d9bf8c", angle: 0 } }),
    ...{ width: inch(4), height: inch(6) },
  },
  s2: {
    ...shape(0, 0, 0, 78, { fill: { kind: "gradient", from: "#2d5a66", to: "#7fb0b2", angle: 0 }, order: 1 }),
    width: inch(4),
  },
  s3: shape(-20, 66, 142, 26, { form: "ellipse", fill: flat("#cfe0d6"), order: 2 }),
  s4: shape(-14, 72, 130, 26, { form: "ellipse", fill: flat("#f3e3bf"), order: 3 }),
  s5: shape(10, 10, 81.6, 56, { form: "rounded", is: "window", order: 4, turn: -3, stroke: rim }),
  s6: shape(8, 76, 40, 44, { form: "rounded", is: "window", order: 5, turn: 3, stroke: rim }),
  s7: shape(54, 76, 40, 44, { form: "ellipse", is: "window", order: 6, stroke: rim }),
  s8: shape(44, 66, 13, 13, {
    form: "star",
    turn: 12,
    fill: flat("#d9743f"),
    stroke: { width: um(500), colour: "#fbf7ec" },
    shadow,
    order: 7,
  }),
  s9: shape(12, 125, 77.6, 15, { form: "ribbon", depth: 0.4, fill: flat("#2d5a66"), shadow, order: 8 }),
};
