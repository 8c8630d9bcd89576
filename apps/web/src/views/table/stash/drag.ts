/** The kind of data that a dragged photo of the stash carries: its id. */
export const PHOTO_DRAG = "application/x-wide-quilt-photo";
