export { baseName, FIELDS, writeAperture, writeShutter, type Field, type FieldSource } from "./fields.ts";
export { FONTS, fontById, missingSigns, textWidth, type Font, type FontId } from "./fonts.ts";
export type { CaptionStyle, TextBox, Type } from "./schema.ts";
export { linesHeight, setWords, type SetLine, type SetText } from "./set.ts";
export { fill, partsOf, unknownFields } from "./template.ts";
