/** The kind of data that a dragged photo of the stash carries: its id. */
export const PHOTO_DRAG = "application/x-wide-quilt-photo";

/** The id of the file chooser, for the other button that opens it. */
export const PHOTO_FILES = "photo-files";
