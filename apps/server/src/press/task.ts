import type { RasterSpace } from "@wide-quilt/ipp";
import type { Format, PhotoId, Press, SheetPlan } from "@wide-quilt/core";
import type { Progress } from "@wide-quilt/painters";

/** Files to be painted, as it is handed to a worker: plain data only. */
export interface PaintTask {
  sheets: SheetPlan[];
  press: Press;
  /** The bytes of the profile that colours are written for; null for no colour management. */
  profile: Uint8Array | null;
  /** Where each photo's file lies. */
  photos: Record<PhotoId, string>;
  title: string;
  /** Milliseconds since 1970. */
  date: number;
  /** Each file and how many of the sheets it takes, one after the other: pixels take one. */
  files: { path: string; sheets: number }[];
  /** Where an sRGB picture of the first sheet goes, for a file that a browser does not show as it is. */
  picture?: string;
  /** What pixels mean in PWG raster, where files of pixels are made that for a printer; left out for files as they are. */
  raster?: RasterSpace;
  /** Whether the ink of drawings is estimated too; that of pixels always is. */
  inks?: boolean;
  /** JPEG qualities that the first sheet is weighed at, instead of being written. */
  weigh?: number[];
}

export interface Painted {
  files: { bytes: number }[];
  /** How much of each sheet the inks cover, as far as it was looked at. */
  coverage: number[];
  /** Bytes at the qualities that were asked for. */
  sizes: number[];
}

/** Worker to pool. */
export type FromWorker =
  { progress: Progress } | { done: Painted } | { cancelled: true } | { failed: string; code?: string };

/** Pool to worker. */
export type ToWorker = { paint: PaintTask } | { cancel: true };

export const ENDING: Record<Format, string> = {
  jpeg: "jpg",
  png: "png",
  tiff: "tif",
  pdf: "pdf",
  svg: "svg",
};
