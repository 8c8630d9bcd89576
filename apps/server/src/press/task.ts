import type { RasterSpace } from "@wide-quilt/ipp";
import type { CutsApart, Format, Job, PhotoId, PhotoRecord, SheetPlan } from "@wide-quilt/core";
import type { RunNaming } from "../contract.ts";

/** A job with all that is needed to plan its sheets; plain data, for a process of ours. */
export interface Planned {
  job: Job;
  records: Record<string, PhotoRecord>;
}

/** What painting a job’s sheets needs beside their plans. */
export interface PaintSetup extends Pick<Planned, "job"> {
  /** The data folder, where the files of photos and graphics lie. */
  root: string;
  /** The bytes of the profile that colours are written for; null for no colour management. */
  profile: Uint8Array | null;
  /** The date that stands in the file, in milliseconds since 1970. */
  date: number;
}

/** A run that a painting process keeps the plans of. */
export interface OpenRun extends PaintSetup, Planned {
  run: string;
}

/** A set of an event whose photos come in. */
export interface PrepareTask extends PaintSetup, Planned {
  /** Where photos lie that are still on their way in. */
  arriving: Record<PhotoId, string>;
}

/** One file of an open run. */
export interface PaintPart {
  run: string;
  path: string;
  /** Its sheets: so many from this one on, from 0. */
  first: number;
  count: number;
  /** Whether it is only passed on to a printer: after a stop of the server it is painted again. */
  forNow: boolean;
  /** What pixels mean in PWG raster, where files of pixels are made that for a printer; left out for files as they are. */
  raster?: RasterSpace;
  /** Whether the ink of drawings is estimated too; that of pixels always is. */
  inks: boolean;
}

/** What became of a file. */
export interface PaintedPart {
  bytes: number;
  /** How much of each of its sheets the inks cover, as far as it was looked at. */
  coverage: number[];
}

/** A sheet that is painted to be looked at. */
export interface LookTask extends PaintSetup {
  plan: PackedPlan;
  /** Where the file goes. */
  path: string;
  /** Where an sRGB picture of it goes, for a file that a browser does not show as it is. */
  picture?: string;
}

/** A sheet that is weighed at some JPEG qualities. */
export interface WeighTask extends PaintSetup {
  plan: PackedPlan;
  qualities: number[];
}

/** How a run’s files are divided and called, before names that are taken are avoided. */
export interface RunPlan {
  /** The paper of each sheet. */
  papers: SheetPlan["stock"][];
  /** Where the pages of each sheet are cut apart. */
  apart: CutsApart[];
  files: { name: string; sheets: number }[];
  /** What its sheets cost without ink. */
  price: number;
}
export interface PlanRun extends Planned {
  naming: Pick<RunNaming, "rule" | "start" | "each">;
}

/** A plan on its way from one process of ours to another (v8’s serialisation): whoever passes it on does not read it. */
export type PackedPlan = Uint8Array;

/** A sheet to look at: its plan, and a name of everything that its picture depends on. */
export interface LookPlan {
  plan: PackedPlan;
  pixels: SheetPlan["pixels"];
  id: string;
}
export interface PlanLook extends Planned {
  /** From 1. */
  sheet: number;
  /** Whether it is a picture in wide colours for a soft proof. */
  wide: boolean;
}

export const ENDING: Record<Format, string> = {
  jpeg: "jpg",
  png: "png",
  tiff: "tif",
  pdf: "pdf",
  svg: "svg",
};
