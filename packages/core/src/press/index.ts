export {
  FORMATS,
  INTENTS,
  isDrawing,
  MEDIA,
  USUAL_PRESS,
  type About,
  type ColourSetup,
  type FileSetup,
  type Format,
  type Intent,
  type Medium,
  type Press,
} from "./schema.ts";
export { sharpening, STRENGTHS, type Sharpening, type Strength } from "./sharpen.ts";
export { costOf, inkOfSheet, type InkPrice } from "./ink.ts";
