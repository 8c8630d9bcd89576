export { turnedAbout } from "./about.ts";
export {
  leaning,
  leastScale,
  placePicture,
  turnedBy,
  type Picture,
  type PixelSize,
  type Quarter,
} from "./picture.ts";
export { dragged, scaled, type Hold } from "./move.ts";
