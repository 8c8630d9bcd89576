export { frameOf, raisedReveal, type Band, type Frame } from "./bands.ts";
export { KEPT_WITH_PROGRAM, type KeptStyle } from "./kept.ts";
export {
  BARE,
  STYLE_PARTS,
  type Border,
  type Mat,
  type Style,
  type StyleChange,
  type StylePart,
  type Worn,
} from "./schema.ts";
