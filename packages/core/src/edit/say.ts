import type { StylePart } from "../finish/style/index.ts";
import type { JobEdit } from "./schema.ts";

/** What an edit changes, in a word or two: what “Undo” is followed by. */
export function sayEdit(edit: JobEdit): string {
  switch (edit.do) {
    case "ticket":
    case "sheet":
    case "finish":
    case "target":
    case "about":
      return Object.keys(edit.change)
        .map((part) => PARTS[part] ?? part)
        .join(" and ");
    case "style":
    case "style cells":
      return Object.keys(edit.change)
        .map((part) => STYLE[part as StylePart])
        .join(" and ");
    case "unstyle":
      return edit.parts.map((part) => STYLE[part]).join(" and ");
    case "wear":
      return edit.worn ? `trying “${edit.worn.name}” on` : "taking the style off";
    case "remove photos":
      return edit.photos.length === 1 ? "removing a photo" : "removing photos";
    case "place":
      return Object.keys(edit.cells).length === 1 ? "moving a cell" : "moving cells";
    case "add cells":
      return edit.cells.length === 1 ? "adding a cell" : "adding cells";
    case "remove cells":
      return edit.cells.length === 1 ? "removing a cell" : "removing cells";
    default:
      return WHOLE[edit.do];
  }
}

type Counted =
  | "ticket"
  | "sheet"
  | "finish"
  | "target"
  | "about"
  | "style"
  | "style cells"
  | "unstyle"
  | "wear"
  | "remove photos"
  | "place"
  | "add cells"
  | "remove cells";

const STYLE: Record<StylePart, string> = {
  border: "border",
  mat: "mat",
  caption: "words",
  look: "look",
  sharpening: "sharpening",
};

const WHOLE: Record<Exclude<JobEdit["do"], Counted>, string> = {
  rename: "name",
  unit: "unit",
  impose: "pages to a sheet",
  printer: "printer",
  become: "kind of job",
  making: "how far sheets are",
  guides: "guides",
  // One gesture brings one or many, some of them later than others.
  "add photos": "adding photos",
  "take photo": "taking a photo",
  "remove photo": "removing a photo",
  "move photo": "order of photos",
  "relink photo": "replacing a photo",
  shot: "how the photo sits",
  shots: "how the photo sits",
  "put in all": "photo in all cells",
  "put in one": "photo in one cell",
  "share shot": "shot number",
  "turn to suit": "turning photos where it helps",
  "back to computed": "back to computed",
  crop: "what crops keep",
  backdrops: "background",
  "keep worn": "keeping the style on",
  ground: "the sheet’s colour",
  graphics: "graphics",
  blocks: "tables and months",
  calendar: "the calendar",
  days: "days of the calendar",
  shapes: "shapes",
  texts: "words on the sheet",
  pick: "which photos are shown",
  "mark photos": "what is said of photos",
  "tag photos": "tags",
  list: "the list of photos",
  unplace: "back to the layout",
  "hand on": "what was set for a photo",
  "forget lost": "forgetting what was set",
  "bring back": "bringing cells back",
  "add sheet": "adding a sheet",
  "remove sheet": "removing a sheet",
  "order sheets": "order of sheets",
};

const PARTS: Record<string, string> = {
  turnPieces: "turning pieces",
  lie: "how the paper lies",
  marks: "cut marks",
  place: "place on the sheet",
  pieces: "pieces",
  papers: "papers",
  packing: "arrangement",
  arrangement: "arrangement",
  enlarged: "borderless",
  trim: "finished sheet",
  safe: "safe zone",
  way: "kind of collage",
  people: "people",
  rule: "rule",
  rules: "rules",
  names: "names",
  sheets: "sheets",
  by: "how it is divided",
  breaks: "sections",
  head: "headline",
  foot: "foot line",
  file: "kind of file",
  colour: "colours of the file",
  title: "title of files",
  creator: "who made it",
  copyright: "copyright",
  keepPlace: "what files say of places",
  photoPpi: "ppi of photos",
  print: "how it is printed",
  naming: "names of files",
};
