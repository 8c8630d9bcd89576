export { turnedAbout } from "./about.ts";
export { leaning, leastScale, placePicture, type Picture, type PixelSize } from "./picture.ts";
export { COMPUTED_SHOT, isByHand, type Shot, type Sits, type Turn } from "./schema.ts";
export { dragged, scaled, type Hold } from "./move.ts";
