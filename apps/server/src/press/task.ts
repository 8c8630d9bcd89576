import type { PhotoId, SheetPlan } from "@wide-quilt/core";
import type { Format } from "../contract.ts";
import type { Progress } from "@wide-quilt/painters";

export interface Output {
  format: Format;
  /** JPEG quality, 1…100; nothing to the others. */
  quality: number;
}

/** Files to be painted, as it is handed to a worker: plain data only. */
export interface PaintTask extends Output {
  sheets: SheetPlan[];
  /** Where each photo's file lies. */
  photos: Record<PhotoId, string>;
  title: string;
  /** Milliseconds since 1970. */
  date: number;
  /** Each file and how many of the sheets it takes, one after the other: pixels take one. */
  files: { path: string; sheets: number }[];
  /** Where a picture of the first sheet goes, for a format that a browser does not show as a picture. */
  picture?: string;
}

export interface PaintedFile {
  bytes: number;
}

/** Worker to pool. */
export type FromWorker =
  { progress: Progress } | { done: PaintedFile[] } | { cancelled: true } | { failed: string };

/** Pool to worker. */
export type ToWorker = { paint: PaintTask } | { cancel: true };

export const ENDING: Record<Format, string> = { jpeg: "jpg", png: "png", pdf: "pdf", svg: "svg" };

/** Formats that are not made of pixels: a proof of them is painted beside them. */
export const isDrawing = (format: Format): format is "pdf" | "svg" => format === "pdf" || format === "svg";
