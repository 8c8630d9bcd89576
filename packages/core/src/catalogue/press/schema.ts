import { z } from "zod";

export const FORMATS = ["jpeg", "png", "tiff", "pdf", "svg"] as const;

/** The ways in which colours outside a printer's gamut are brought into it (ICC.1:2022, 6.2). */
export const INTENTS = ["perceptual", "relative", "saturation", "absolute"] as const;

/** What a print is made on, as far as it decides how ink spreads; “none” leaves photos as they are. */
export const MEDIA = ["glossy", "matte", "canvas", "none"] as const;

/** How a file is packed. What a format has no use for is kept for the next one that has. */
export const fileSchema = z.strictObject({
  format: z.enum(FORMATS),
  quality: z.int().min(1, "must be at least 1").max(100, "must be at most 100").describe("JPEG quality"),
  chroma: z
    .enum(["4:4:4", "4:2:0"])
    .describe("JPEG chroma sub-sampling (ITU-T T.81): colour as fine as brightness, or half as fine"),
  most: z
    .int()
    .min(10_000, "must be at least 10 000 bytes")
    .max(2_000_000_000)
    .nullable()
    .describe("Bytes that a JPEG must not be larger than; null for no limit"),
  depth: z.literal([8, 16]).describe("Bits a channel of a TIFF or PNG"),
  packing: z.enum(["lzw", "deflate", "none"]).describe("How a TIFF is compressed, without loss"),
});

/** What colours are written for; the whole is null for no colour management at all. */
export const colourSchema = z.strictObject({
  profile: z.string().min(1).max(80).describe("A profile by its id: “srgb”, or one that was added"),
  intent: z.enum(INTENTS),
  blackPoint: z
    .boolean()
    .describe("Whether black is brought to the paper’s black (black-point compensation, ISO 18619)"),
});

/** How fine a printer prints (print-quality of RFC 8011, 5.2.13). */
export const PRINT_QUALITIES = ["draft", "normal", "high"] as const;

/** What a printer that is reached by IPP is asked for beside the sheets. */
export const printSchema = z.strictObject({
  copies: z
    .int()
    .min(1, "must be at least 1")
    .max(999, "must be at most 999")
    .describe("Prints of each sheet"),
  type: z
    .string()
    .regex(/^[a-z0-9._-]{1,100}$/, "must be a keyword such as photographic-glossy")
    .nullable()
    .describe("The kind of paper as the printer names it (media-type of PWG 5100.7); null for what is in it"),
  quality: z.enum(PRINT_QUALITIES),
  grey: z.boolean().describe("Whether it prints in black alone"),
  cuts: z.boolean().describe("Whether it cuts pages apart that share a sheet, where it can"),
});

/** What stands in a file about itself. */
export const aboutSchema = z.strictObject({
  title: z.string().max(200).describe("Title; the job’s name where it is empty"),
  creator: z.string().max(200),
  copyright: z.string().max(500),
  keepPlace: z
    .boolean()
    .describe("Whether what photos say of where they were taken, and by whom, may stand in files"),
});

/** How the files of a run are named and divided. */
export const namingSchema = z.strictObject({
  rule: z
    .string()
    .max(150, "must be at most 150 characters long")
    .describe("Names with fields: “[name] [sheet, 3 digits]”; empty to name files after people or the job"),
  start: z
    .int("must be a whole number")
    .min(0)
    .max(99_999)
    .describe("The number of the first sheet in names"),
  each: z.boolean().describe("Whether every sheet gets a file of its own, also in a format with pages"),
  folder: z
    .string()
    .max(100, "must be at most 100 characters long")
    .describe("A folder inside the folder of written files; empty for none"),
});

/** How the sheets of a job leave the program. */
export const pressSchema = z.strictObject({
  file: fileSchema,
  colour: colourSchema.nullable(),
  light: z
    .boolean()
    .describe(
      "Whether photos that are made smaller are weighed by the light they send, not by the values of the file",
    ),
  medium: z.enum(MEDIA).describe("What it is printed on; decides how cells that are sharpened are"),
  photoPpi: z
    .number()
    .min(36, "must be at least 36 ppi")
    .max(2400, "must be at most 2400 ppi")
    .nullable()
    .describe("Photos of a PDF that have more are written at this; null leaves them as they are"),
  print: printSchema,
  naming: namingSchema,
});

export type Format = (typeof FORMATS)[number];
export type Intent = (typeof INTENTS)[number];
export type Medium = (typeof MEDIA)[number];
export type FileSetup = z.infer<typeof fileSchema>;
export type ColourSetup = z.infer<typeof colourSchema>;
export type About = z.infer<typeof aboutSchema>;
export type Naming = z.infer<typeof namingSchema>;
export type PrintSetup = z.infer<typeof printSchema>;
export type Press = z.infer<typeof pressSchema>;

/** What a new job is written as until somebody says otherwise: what every shop takes. */
export const USUAL_PRESS: Press = {
  file: { format: "jpeg", quality: 92, chroma: "4:4:4", most: null, depth: 8, packing: "deflate" },
  colour: { profile: "srgb", intent: "relative", blackPoint: true },
  light: true,
  medium: "glossy",
  photoPpi: null,
  print: { copies: 1, type: null, quality: "high", grey: false, cuts: false },
  naming: { rule: "", start: 1, each: false, folder: "" },
};

/** What a new job says in its files about itself: nothing but its name. */
export const USUAL_ABOUT: About = { title: "", creator: "", copyright: "", keepPlace: false };

/** Formats that are drawn rather than made of pixels. */
export const isDrawing = (format: Format): format is "pdf" | "svg" => format === "pdf" || format === "svg";
