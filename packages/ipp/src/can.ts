import { first, number, numbers, strings, type Attributes, type Value } from "./message.ts";
import type { RasterSpace } from "./raster/header.ts";

/** How fine a printer prints, by the numbers of print-quality (RFC 8011, 5.2.13). */
export const PRINT_QUALITIES = { draft: 3, normal: 4, high: 5 } as const;

export type PrintQuality = keyof typeof PRINT_QUALITIES;

/** A size of paper that a printer has; lengths in hundredths of a millimetre, as PWG 5100.7 has them. */
export interface Media {
  name: string;
  width: number;
  height: number;
  /** What it cannot print on; nothing where it prints to the edge. */
  edges: [top: number, right: number, bottom: number, left: number];
  /** Kinds of paper of this size, by keyword: “photographic-glossy”. */
  types: string[];
}

/** What a printer says it can do. */
export interface PrinterCan {
  name: string;
  /** Formats that it takes, by their media type. */
  formats: string[];
  media: Media[];
  /** Kinds of paper of any size. */
  types: string[];
  /** Pixels per inch that it prints at. */
  resolutions: number[];
  qualities: PrintQuality[];
  colour: boolean;
  /** Whether it can be told to print in black alone. */
  grey: boolean;
  copies: number;
  /** Whether it can be told to cut right through a sheet anywhere (trimming of PWG 5100.1, 5.2.14). */
  trims: boolean;
  /** Whether it can be told to leave sizes as they are (print-scaling of PWG 5100.13). */
  unscaled: boolean;
  /** What pixels of PWG raster may mean to it; empty where it takes none. */
  raster: RasterSpace[];
  /** Why it does not print just now, as it says: “media-empty”; empty when nothing is the matter. */
  reasons: string[];
}

/** Kinds of documents that can be sent, and what they are called. */
export const DOCUMENTS = {
  jpeg: "image/jpeg",
  pdf: "application/pdf",
  raster: "image/pwg-raster",
} as const;

export type DocumentKind = keyof typeof DOCUMENTS;

/** Sizes of paper that differ by less are the same, in hundredths of a millimetre: half a millimetre and a bit. */
const SAME_PAPER = 60;
const RASTERS: readonly RasterSpace[] = ["srgb_8", "rgb_8", "sgray_8"];

/** The kind of document that a printer is sent: the one asked for where it takes it; null where it takes none. */
export const documentFor = ({ formats }: PrinterCan, asked: string): DocumentKind | null =>
  ([asked, "pdf", "jpeg", "raster"] as DocumentKind[]).find((kind) => formats.includes(DOCUMENTS[kind])) ??
  null;

/** The paper of a size that a printer has, upright, in hundredths of a millimetre. */
export const mediaOf = ({ media }: PrinterCan, width: number, height: number): Media | undefined =>
  media.find(
    (one) => Math.abs(one.width - width) <= SAME_PAPER && Math.abs(one.height - height) <= SAME_PAPER,
  );

/** The kinds of paper that a printer has in a size; those of any size where it says nothing of this one. */
export function typesOf(can: PrinterCan, media: Media | undefined): string[] {
  return media && media.types.length > 0 ? media.types : can.types;
}

/** The sizes of paper that a printer has, each once, in words. */
export const sizesOf = ({ media }: PrinterCan): string[] => [
  ...new Set(media.map(({ width, height }) => `${width / 100} × ${height / 100} mm`)),
];

/** Reads what a printer answered (RFC 8011, 5.4; PWG 5100.7). */
export function canOf(attributes: Attributes): PrinterCan {
  const textsOf = (name: string) => strings(attributes[name]);
  const copies = attributes["copies-supported"]?.[0];
  const modes = textsOf("print-color-mode-supported");
  const raster = textsOf("pwg-raster-document-type-supported");
  const qualities = numbers(attributes["print-quality-supported"]);
  return {
    name: first(attributes["printer-make-and-model"]) ?? first(attributes["printer-name"]) ?? "A printer",
    formats: textsOf("document-format-supported"),
    media: mediaIn(attributes["media-col-database"]),
    types: textsOf("media-type-supported"),
    resolutions: (attributes["printer-resolution-supported"] ?? []).flatMap((one) =>
      one.as === "resolution" && one.value.unit === "dpi" ? one.value.across : [],
    ),
    qualities: (Object.keys(PRINT_QUALITIES) as PrintQuality[]).filter((one) =>
      qualities.includes(PRINT_QUALITIES[one]),
    ),
    colour: first(attributes["color-supported"]) === "true",
    grey: modes.includes("monochrome"),
    copies: copies?.as === "range" ? copies.value.to : 1,
    trims:
      textsOf("finishings-col-supported").includes("trimming") &&
      textsOf("trimming-type-supported").includes("full") &&
      ["left", "top"].every((edge) => textsOf("trimming-reference-edge-supported").includes(edge)),
    unscaled: textsOf("print-scaling-supported").includes("none"),
    raster: RASTERS.filter((space) => raster.includes(space)),
    reasons: reasonsIn(attributes["printer-state-reasons"]),
  };
}

/** Reasons for a state, of which “none” is no reason. */
export const reasonsIn = (values: Value[] | undefined): string[] =>
  strings(values).filter((reason) => reason !== "none");

/** The sizes of paper, each once, with all its kinds. */
function mediaIn(entries: Value[] | undefined): Media[] {
  const found = new Map<string, Media>();
  for (const entry of entries ?? []) {
    if (entry.as !== "collection") continue;
    const [size] = entry.value["media-size"] ?? [];
    if (size?.as !== "collection") continue;
    const [width, height] = [number(size.value["x-dimension"]), number(size.value["y-dimension"])];
    // Rolls have ranges of sizes, which are no sheets.
    if (width === 0 || height === 0) continue;
    const edge = (side: string) => number(entry.value[`media-${side}-margin`]);
    const edges: Media["edges"] = [edge("top"), edge("right"), edge("bottom"), edge("left")];
    const key = [width, height, ...edges].join();
    const name = first(entry.value["media-size-name"]) ?? first(entry.value["media-key"]) ?? "";
    const media = found.get(key) ?? { name, width, height, edges, types: [] };
    media.types.push(...strings(entry.value["media-type"]).filter((type) => !media.types.includes(type)));
    found.set(key, media);
  }
  return [...found.values()];
}
