export { readPhotoList, type ListReading } from "./list.ts";
export { photosByName, type NamedBy } from "./named.ts";
export { isPicked, leavesOut, pickedPhotos } from "./pick.ts";
export { PHOTO_HEADINGS, plainHeading, readTable, type TableLine, type TableReading } from "./table.ts";
export { EVERY_PHOTO, type NewPhoto, type PhotoMarks, type PhotoRef, type Pick } from "./schema.ts";
