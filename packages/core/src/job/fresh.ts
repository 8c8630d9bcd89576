import { NO_EDGES } from "../geometry/index.ts";
import { mm, um } from "../length/index.ts";
import { paperById, prefersLetter } from "../paper/index.ts";
import { PRINTERS, type Printer } from "../printer/index.ts";
import { inch } from "../length/index.ts";
import { JOB_VERSION, type Job, type SheetSetup, type Shot } from "./schema.ts";

/** A shot as it is computed, nothing set by hand: the photo fills the cell around its middle. */
export const COMPUTED_SHOT: Omit<Shot, "photo"> = {
  fit: "fill",
  scale: 1,
  centre: { x: 0.5, y: 0.5 },
  turn: 0,
};

/** What a job keeps of a printer, so that the job stays as it is when the printer's entry changes. */
export const printerOfJob = ({ id, name, unprintable, mayLose, price }: Printer): SheetSetup["printer"] => ({
  id,
  name,
  unprintable,
  mayLose,
  price,
});

/** A new job "copies of one photo" with what a reader of this locale would expect to start from. */
export function freshCopiesJob(name: string, locale = "en-GB"): Job {
  const paper = paperById("photo-10x15");
  const letter = prefersLetter(locale);
  const printer = PRINTERS[0] as Printer;
  return {
    format: "wide-quilt-job",
    version: JOB_VERSION,
    name,
    ticket: {
      kind: "copies",
      copies: "fit",
      size: letter ? { width: inch(2), height: inch(2) } : { width: mm(35), height: mm(45) },
      gap: mm(2),
      place: "centred",
      turnPieces: false,
    },
    sheet: {
      paper: {
        name: letter && paper.alias ? paper.alias : paper.name,
        width: paper.width,
        height: paper.height,
      },
      lie: "most",
      margins: NO_EDGES,
      ppi: printer.ppi,
      printer: printerOfJob(printer),
    },
    finish: {
      marks: { kind: "corner ticks", length: mm(4), width: um(150), colour: "#20242c" },
      outline: null,
      slack: um(0),
    },
    stash: [],
    shots: { "1": { photo: null, ...COMPUTED_SHOT } },
    cells: {},
  };
}
