export { curveThrough } from "./curve.ts";
export { fromLight, isAsItIs, lookChange, toLight, type PixelChange } from "./apply.ts";
export { AS_IT_IS, LOOK_RANGES, type Look, type LookFigure } from "./schema.ts";
