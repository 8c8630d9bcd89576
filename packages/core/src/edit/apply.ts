import { printerOfJob, type Printer } from "../catalogue/printer/index.ts";
import { styleOfAll, type Job } from "../job/index.ts";
import { become, forAllKinds } from "./become.ts";
import {
  addCells,
  backToComputed,
  placeCells,
  putInAll,
  putInOne,
  removeCells,
  setShot,
  shareShot,
  turnToSuit,
  unplaceCells,
} from "./cells.ts";
import { forgetLost, handOn } from "./lost.ts";
import {
  addPhotos,
  markPhotos,
  movePhoto,
  relinkPhoto,
  removePhoto,
  tagPhotos,
  takePhoto,
} from "./photos.ts";
import { renewed } from "./renew.ts";
import { offTheRoll } from "./roll.ts";
import type { JobEdit } from "./schema.ts";
import { addSheet, bringBack, orderSheets, removeSheet } from "./sheets.ts";
import { styleAll, styleCells, unstyle } from "./style.ts";

/** The job after one change. The job given is left as it is. Throws a RangeError for what is no edit of this version. */
export function applyEdit(job: Job, edit: JobEdit): Job {
  switch (edit.do) {
    case "rename":
      return { ...job, name: edit.name };
    case "unit":
      return { ...job, unit: edit.unit };
    case "ticket":
      // A part that the kind does not have makes no job: reading it says so.
      return { ...job, ticket: { ...job.ticket, ...edit.change } as Job["ticket"] };
    case "become":
      return become(job, edit.kind, edit.stands);
    case "guides":
      return { ...job, guides: edit.guides };
    case "sheet":
      return { ...job, sheet: { ...job.sheet, ...edit.change } };
    case "impose":
      return { ...job, impose: offTheRoll({ ...job.impose, ...edit.change }) };
    case "printer":
      return madeBy(job, edit.printer);
    case "finish":
      return { ...job, finish: { ...job.finish, ...edit.change } };
    case "target":
      return { ...job, target: { ...job.target, ...edit.change } };
    case "about":
      return { ...job, about: { ...job.about, ...edit.change } };
    case "making": {
      const { only = job.making.only, done = {} } = edit;
      return { ...job, making: { only, done: changed(job.making.done, done) } };
    }
    case "style":
      return styleAll(job, edit.change);
    case "style cells":
      return styleCells(job, edit.cells, edit.change);
    case "unstyle":
      return unstyle(job, edit.cells, edit.parts);
    case "wear":
      return { ...job, worn: edit.worn };
    case "keep worn":
      return { ...job, style: styleOfAll(job), worn: null };
    case "ground":
      return { ...job, ground: edit.ground };
    case "graphics":
      return { ...job, graphics: changed(job.graphics, edit.graphics) };
    case "blocks":
      return { ...job, blocks: changed(job.blocks, edit.blocks) };
    case "calendar":
      return { ...job, calendar: edit.calendar };
    case "days":
      return { ...job, calendar: withSources(job, edit.sources) };
    case "shapes":
      return { ...job, shapes: changed(job.shapes, edit.shapes) };
    case "texts":
      return { ...job, texts: changed(job.texts, edit.texts) };
    case "pick":
      return renewed({ ...job, pick: { ...job.pick, ...edit.change } });
    case "mark photos":
      return markPhotos(job, edit.photos, () => edit.change);
    case "tag photos":
      return tagPhotos(job, edit.photos, edit.tag, edit.on);
    case "list":
      return { ...job, list: changed(job.list, edit.photos) };
    case "remove photos":
      return forAllKinds(job, (one) => edit.photos.reduce(removePhoto, one));
    case "take photo":
      return forAllKinds(job, (one) => takePhoto(one, edit.photo, edit.person));
    case "add photos":
      return forAllKinds(job, (one) => addPhotos(one, edit.photos));
    case "remove photo":
      return forAllKinds(job, (one) => removePhoto(one, edit.photo));
    case "move photo":
      return forAllKinds(job, (one) => movePhoto(one, edit.photo, edit.to));
    case "relink photo":
      return forAllKinds(job, (one) => relinkPhoto(one, edit.photo, edit.to));
    case "shot":
      return setShot(job, edit.shot, edit.change);
    case "shots":
      return edit.shots.reduce((next, shot) => setShot(next, shot, edit.change), job);
    case "put in all":
      return putInAll(job, edit.photo);
    case "put in one":
      return putInOne(job, edit.cell, edit.photo);
    case "share shot":
      return shareShot(job, edit.cells, edit.shot);
    case "turn to suit":
      return turnToSuit(job);
    case "back to computed":
      return backToComputed(job, edit.cell);
    case "crop":
      return { ...job, crop: edit.crop };
    case "backdrops":
      return { ...job, backdrops: changed(job.backdrops, edit.backdrops) };
    case "place":
      return placeCells(job, edit.cells);
    case "unplace":
      return unplaceCells(job, edit.cells);
    case "add cells":
      return addCells(job, edit.cells);
    case "remove cells":
      return removeCells(job, edit.cells);
    case "hand on":
      return handOn(job, edit.from, edit.to);
    case "forget lost":
      return forgetLost(job, edit);
    case "bring back":
      return bringBack(job);
    case "add sheet":
      return addSheet(job, edit.after, edit.sheets);
    case "remove sheet":
      return removeSheet(job, edit.sheet, edit.on);
    case "order sheets":
      return orderSheets(job, edit.sheets);
    default:
      throw new RangeError(`There is no edit “${(edit satisfies never as JobEdit).do}”`);
  }
}

/** The calendar of a job once some of its days come from elsewhere. A job without one has none to change. */
const withSources = (
  { calendar }: Job,
  sources: Extract<JobEdit, { do: "days" }>["sources"],
): Job["calendar"] => calendar && { ...calendar, sources: changed(calendar.sources, sources) };

/** A job for another printer; what the printer says nothing of stays, except kinds of paper of the one before. */
function madeBy(job: Job, printer: Printer): Job {
  const { ppi, enlarged, bleed, colour, medium } = printer;
  const { target } = job;
  return {
    ...job,
    target: {
      ...target,
      printer: printerOfJob(printer),
      ppi,
      enlarged,
      bleed: bleed > 0 ? bleed : target.bleed,
      colour,
      medium,
      print: { ...target.print, type: null },
    },
  };
}

/** Entries set, or taken out where the change says null. */
function changed<T>(
  entries: Readonly<Record<string, T>>,
  change: Readonly<Record<string, T | null>>,
): Record<string, T> {
  const all = Object.entries<T | null>({ ...entries, ...change });
  return Object.fromEntries(all.filter((entry): entry is [string, T] => entry[1] !== null));
}
