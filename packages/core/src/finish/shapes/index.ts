export { drawShapes, inOrder } from "./draw.ts";
export { pointsOf, shapePath } from "./path.ts";
export { BARE_SHAPE, FORMS, type Form, type Shape, type ShapeFill } from "./schema.ts";
