export { LIMITS, type LengthRange } from "./limits.ts";
export type { JobFault } from "./fault.ts";
export type { PhotoId } from "./parts.ts";
export {
  addedCell,
  addedSheet,
  copyCell,
  countedCell,
  isAddedCell,
  isAddedSheet,
  numberedSheet,
  numberedShot,
  photoCell,
  photoNumber,
  photoSheet,
  photoShot,
  placeCell,
  placeNumber,
  shotNumber,
  type CellName,
  type ItemName,
  type SheetName,
  type ShotName,
} from "./names.ts";
