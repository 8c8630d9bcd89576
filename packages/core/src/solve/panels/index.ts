export {
  MOST_PANELS,
  panelsSchema,
  TRIPTYCH,
  TRIPTYCH_IN_INCHES,
  type Panels,
  type Side,
  type Wrap,
} from "./schema.ts";
export { LEAST_PANEL, piecesOf, wallOf, wrapBeyond, wrapOf, type Piece } from "./pieces.ts";
export { hooksOf, type Hook } from "./hanging.ts";
