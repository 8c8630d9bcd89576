import { evenEdges } from "../base/geometry/index.ts";
import { mm, nearest, um, UM_PER_INCH, type Unit } from "../base/length/index.ts";
import { paperById, prefersLetter, type Paper } from "../catalogue/paper/index.ts";
import { freshCalendar } from "../calendar/index.ts";
import { USUAL_ABOUT, USUAL_PRESS } from "../catalogue/press/index.ts";
import { printerOfJob, PRINTERS, type Printer } from "../catalogue/printer/index.ts";
import { BARE } from "../finish/style/index.ts";
import { JOB_VERSION, NOT_BEGUN, type Job, type SheetSetup } from "../job/index.ts";
import { EVERY_PHOTO } from "../job/stash/index.ts";
import { EACH_ITS_SHEET } from "../solve/slots/index.ts";
import { kindNamed } from "./registry.ts";
import type { Kind } from "./tickets.ts";

const LETTER = (({ name, width, height }) => ({ name, width, height }))(paperById("letter"));

/** A paper as a job has it, by the name that readers of letter paper know photo papers by. */
const named = ({ name, alias, group, width, height }: Paper, letter: boolean): SheetSetup["paper"] => ({
  name: letter && alias && group === "Photo paper" ? alias : name,
  width,
  height,
});

/** A new job of a kind, with what a reader of this locale would expect to start from, the unit they like and the year they plan where that is known. */
export function freshJob(kind: Kind, name: string, locale = "en-GB", unit?: Unit, year?: number): Job {
  const own = kindNamed(kind);
  const letter = prefersLetter(locale);
  const paper = paperById(letter ? own.paper.letter : own.paper.id);
  const printer = PRINTERS[0] as Printer;
  const begins = own.begins?.(letter);
  return {
    format: "wide-quilt-job",
    version: JOB_VERSION,
    name,
    unit: unit ?? (letter ? "in" : "mm"),
    // What is round in millimetres is not in inches.
    ticket: own.fresh({ gap: letter ? nearest(UM_PER_INCH / 16) : mm(2), letter, photos: 0, year }),
    sheet: {
      paper: named(paper, letter),
      lie: "most",
      trim: null,
      margins: evenEdges(own.margins?.[letter ? "letter" : "metric"] ?? um(0)),
      safe: begins?.safe ?? um(0),
      facing: null,
    },
    impose: {
      ...EACH_ITS_SHEET,
      ...(letter && { paper: LETTER, gap: nearest(UM_PER_INCH / 8) }),
      ...(begins && { ...begins.impose, paper: named(paperById(begins.onPaper), letter) }),
    },
    finish: {
      marks: { kind: own.marks, length: mm(4), width: um(150), colour: "#20242c" },
      outline: null,
      slack: um(0),
    },
    target: {
      printer: printerOfJob(printer),
      ppi: printer.ppi,
      enlarged: 0,
      bleed: um(0),
      ...USUAL_PRESS,
    },
    about: USUAL_ABOUT,
    occasion: null,
    stash: [],
    numbered: 0,
    pick: EVERY_PHOTO,
    list: {},
    style: { ...BARE, ...own.wears },
    worn: null,
    ground: null,
    graphics: {},
    shapes: {},
    texts: {},
    blocks: {},
    calendar: own.hasDays ? freshCalendar(locale) : null,
    shots: {},
    heads: {},
    crop: "heads",
    backdrops: {},
    cells: {},
    sheets: { order: [], gone: [] },
    guides: { x: [], y: [] },
    making: NOT_BEGUN,
    aside: {},
  };
}
