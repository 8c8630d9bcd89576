export { readPhotoList, type ListReading } from "./list.ts";
export { photosByName } from "./named.ts";
export { isPicked, leavesOut, pickedPhotos, type PickedPhoto } from "./pick.ts";
export { PHOTO_HEADINGS, readTable, type TableReading } from "./table.ts";
export { EVERY_PHOTO, type PhotoMarks, type PhotoRef, type Pick } from "./schema.ts";
