import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { edges, length, name } from "../../schema/parts.ts";
import { colourSchema, MEDIA } from "../press/schema.ts";

const money = (about: string) =>
  z.number().min(0, "must be at least 0").max(1e6, "must be at most a million").describe(about);

const scale = (about: string) =>
  z
    .number()
    .min(0.9, "must be at least 0.9: more than a tenth off is no scale error")
    .max(1.1, "must be at most 1.1: more than a tenth off is no scale error")
    .describe(about);

const pixels = z.int().min(16, "must be at least 16 px").max(65_500, "must be at most 65 500 px");

/** What a job keeps of a printer and its paper, so that the job stays as it is when the printer’s entry changes. */
export const printerSetupSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name,
  unprintable: edges("Edge the printer cannot print on, paper upright"),
  mayLose: length(LIMITS.margin, "What may be lost at each edge"),
  pixels: z
    .strictObject({ width: pixels, height: pixels })
    .nullable()
    .describe("The pixels of a page, upright, where the printer takes just one size; null for any"),
  scale: z
    .strictObject({
      across: scale("Printed width over intended width, paper upright"),
      down: scale("Printed height over intended height, paper upright"),
    })
    .describe("The printer’s own scale error, as it was measured; 1 for none"),
  price: z.strictObject({
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/, "must be a currency such as EUR")
      .describe("What the prices are in (ISO 4217)"),
    perSheet: money("A sheet"),
    perSquareMetre: money("A square metre of paper"),
    ink: money("The ink for a square metre that is covered fully with one ink"),
  }),
});

/** A place to print at and the paper that is in it: an entry of the list of printers. */
export const printerSchema = printerSetupSchema.extend({
  address: z
    .string()
    .regex(/^ipps?:\/\/[^\s]{1,300}$/, "must be an address such as ipp://192.168.1.20/ipp/print")
    .nullable()
    .describe("Where it is reached by IPP; null for a lab that takes files"),
  ppi: z.number().min(LIMITS.ppi.least).max(LIMITS.ppi.most).describe("Pixels per inch it is best sent"),
  enlarged: z.number().min(0).max(20).describe("By how many percent it enlarges a page to print to its edge"),
  bleed: length(LIMITS.bleed, "How far what touches an edge should run on past it"),
  colour: colourSchema.nullable().describe("What colours are written for; null for no colour management"),
  medium: z.enum(MEDIA),
});

/** What the made-up prices that come with the program are in; also those of before prices said what they are in. */
export const SHIPPED_CURRENCY = "EUR";

/** A list of printers as a file, for another machine. */
export const printersFileSchema = z.strictObject({
  format: z.literal("wide-quilt-printers"),
  version: z.literal(2),
  printers: z.array(printerSchema).min(1, "must hold at least one printer").max(200),
});

export type PrinterSetup = z.infer<typeof printerSetupSchema>;
export type Printer = z.infer<typeof printerSchema>;
export type PrintersFile = z.infer<typeof printersFileSchema>;

/** A printer that takes any page and prints it at its true size. */
export const PLAIN: Pick<PrinterSetup, "pixels" | "scale"> = {
  pixels: null,
  scale: { across: 1, down: 1 },
};
