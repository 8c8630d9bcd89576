export { turnedAbout } from "./about.ts";
export { leaning, leastScale, placePicture, type Picture, type PixelSize } from "./picture.ts";
export { dragged, scaled, type Hold } from "./move.ts";
