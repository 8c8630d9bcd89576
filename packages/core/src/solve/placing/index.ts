export { aligned, distributed, sameSize, type AlignTo } from "./align.ts";
export { roomAround, sizesThere, type SizeThere } from "./room.ts";
export { snap, type Moving, type Snapped, type SnapLine, type SnapTo } from "./snap.ts";
