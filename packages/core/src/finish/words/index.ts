export { baseName, FIELDS, writeAperture, writeShutter, type Field, type FieldSource } from "./fields.ts";
export {
  FONT_CUTS,
  familyOf,
  FONT_FAMILIES,
  FONTS,
  fontById,
  fontFor,
  inCut,
  missingSigns,
  textWidth,
  type FontCut,
  type Font,
  type FontFamily,
  type FontId,
} from "./fonts.ts";
export type { CaptionStyle, TextBox, Type } from "./schema.ts";
export { inkedBox, linesHeight, setWords, SMALL, type SetLine, type SetText, type Setting } from "./set.ts";
export { fill, partsOf, unknownFields } from "./template.ts";
