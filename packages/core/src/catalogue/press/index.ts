export {
  FORMATS,
  INTENTS,
  isDrawing,
  MEDIA,
  PRINT_QUALITIES,
  USUAL_ABOUT,
  USUAL_PRESS,
  type About,
  type ColourSetup,
  type FileSetup,
  type Format,
  type Intent,
  type Medium,
  type Naming,
  type Press,
  type PrintSetup,
} from "./schema.ts";
export { sharpening, STRENGTHS, type Sharpening, type Strength } from "./sharpen.ts";
