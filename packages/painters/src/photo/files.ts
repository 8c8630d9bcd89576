import type { PhotoId } from "@wide-quilt/core";

/** The path of a photo's file. */
export type PhotoFiles = (photo: PhotoId) => string;
