import { FRAME } from "./frame.ts";
import {
  applyEdit,
  baseName,
  evenEdges,
  freshJob,
  inch,
  KEPT_WITH_PROGRAM,
  mm,
  paperById,
  printerOfJob,
  PRINTERS,
  ruleById,
  um,
  type Block,
  type Calendar,
  type Job,
  type JobEdit,
  type Kind,
  type MadeFor,
  type NewPhoto,
  type StyleChange,
  type TicketOf,
} from "@wide-quilt/core";

const onPaper = (id: string): JobEdit => {
  const { name, width, height } = paperById(id);
  return { do: "sheet", change: { paper: { name, width, height } } };
};

const named = (photos: readonly NewPhoto[], name: string): NewPhoto => {
  const photo = photos.find((candidate) => candidate.name === name);
  if (!photo) throw new RangeError(`The demo has no photo ${name}`);
  return photo;
};

const styleNamed = (wanted: string): StyleChange =>
  KEPT_WITH_PROGRAM.find(({ name }) => name === wanted)!.style;

/** "spit-dawn.jpg" → "Spit dawn" */
const titleOf = (file: string): string => {
  const words = baseName(file).replaceAll("-", " ");
  return words[0]!.toUpperCase() + words.slice(1);
};

/** The ringers by name, in the order of their photos. */
const NAMES = [
  "Wren Harlow",
  "Tobias Reed",
  "Amara Finch",
  "Linnea Voss",
  "Edmund Sallow",
  "Greta Holm",
  "Yasmin Tern",
];

/** What members order prints of frames on, under the frames themselves. */
const orderForm: Block = {
  kind: "table",
  title: "Prints for the members",
  columns: [
    { heading: "Frame", share: 1, align: "left" },
    { heading: "Size", share: 2, align: "left" },
    { heading: "How many", share: 1, align: "right" },
    { heading: "For whom", share: 3, align: "left" },
  ],
  rows: [],
  blank: 3,
  type: { font: "hanken", size: mm(3), least: mm(2), colour: "#20242c", align: "left" },
  line: { width: mm(0.2), colour: "#646b77" },
  head: "#e6e8f7",
  stands: "foot",
  x: mm(10),
  y: mm(240),
  width: mm(190),
  height: mm(36),
  sheet: null,
};

/** The open day’s card as it was kept: its file, and its windows as they were found. */
export interface DemoCard {
  art: NonNullable<TicketOf<"artwork">["art"]>;
  windows: TicketOf<"artwork">["windows"];
}

/** The finished jobs that the demo begins with, the last one changed first. */
export function demoJobs(photos: readonly NewPhoto[], card: DemoCard, calendar: Calendar): Job[] {
  const begin = (kind: Kind, name: string, edits: JobEdit[]) =>
    edits.reduce(applyEdit, freshJob(kind, name, "en-GB"));
  const make = (name: string, edits: JobEdit[]) => begin("copies", name, edits);
  const portraits = photos.filter(({ name }) => name.startsWith("MS-"));
  // The last ringer's photo is too small for an office.
  const sitters = portraits.slice(0, -1);
  const booth = photos.filter(({ name }) => name.startsWith("open-day-"));
  const scenes = photos.filter(({ name }) => !/^(MS|open-day)-/.test(name));
  const inkjet = PRINTERS.find(({ id }) => id === "inkjet-glossy")!;
  const pieces = (photo: string, first: number) => [
    { shot: first, width: mm(101.6), height: mm(152.4), quantity: 2, mayTurn: true, photo, order: 1 },
    { shot: first + 1, width: mm(63.5), height: mm(88.9), quantity: 4, mayTurn: true, photo, order: 1 },
  ];
  return [
    begin("collage", "Cards with a deep edge, open day", [
      onPaper("a4"),
      { do: "sheet", change: { lie: "landscape" } },
      { do: "add photos", photos: scenes.slice(0, 6) },
      { do: "ticket", change: { way: "grid", columns: 3, rows: 2, border: mm(8), gap: mm(6) } },
      { do: "style", change: styleNamed("Deep-edged card") },
      {
        do: "list",
        photos: Object.fromEntries(scenes.map(({ id, name }) => [id, { title: titleOf(name) }])),
      },
      { do: "ground", ground: { kind: "flat", colour: "#dfe4e6" } },
    ]),
    begin("single", "Matted print for the hide wall", [
      onPaper("a4"),
      { do: "add photos", photos: [named(photos, "spit-dawn.jpg")] },
      { do: "ticket", change: { border: mm(0) } },
      { do: "style", change: styleNamed("Double mat") },
      { do: "list", photos: { [named(photos, "spit-dawn.jpg").id]: { title: "The spit at dawn" } } },
    ]),
    begin("contact", "The autumn’s frames", [
      { do: "add photos", photos: [...scenes, ...portraits] },
      {
        do: "mark photos",
        photos: scenes.filter((_, i) => i % 3 === 0).map(({ id }) => id),
        change: { stars: 4, tags: ["album"] },
      },
      { do: "mark photos", photos: portraits.map(({ id }) => id), change: { folder: "Ringers" } },
      { do: "mark photos", photos: scenes.map(({ id }) => id), change: { folder: "Spit" } },
      { do: "pick", change: { by: "taken" } },
      { do: "ticket", change: { columns: 4, rows: 4, breaks: "folder", gap: mm(4) } },
      { do: "blocks", blocks: { b1: orderForm } },
    ]),
    begin("single", "Bordered proofs for the members", [
      { do: "add photos", photos: scenes },
      { do: "ticket", change: { border: mm(8) } },
    ]),
    begin("mixed", "Portrait sets, two ringers", [
      { do: "add photos", photos: portraits },
      { do: "ticket", change: { pieces: [...pieces(portraits[1]!.id, 1), ...pieces(portraits[3]!.id, 3)] } },
    ]),
    begin("strips", "Open-day strips", [
      { do: "add photos", photos: booth },
      { do: "printer", printer: PRINTERS.find(({ id }) => id === "event")! },
      {
        do: "ticket",
        change: {
          words: {
            text: "Open day at Marram Spit\n[date]",
            type: { font: "caveat", size: mm(6), least: mm(3), colour: "#2d5a66", align: "middle" },
          },
        },
      },
    ]),
    begin("artwork", "Open-day cards", [
      {
        do: "sheet",
        change: { paper: { name: "4 × 6 in", width: inch(4), height: inch(6) }, lie: "portrait" },
      },
      { do: "add photos", photos: booth.slice(0, 3) },
      { do: "ticket", change: { ...card } },
      {
        do: "texts",
        texts: {
          t1: {
            text: "Open day at Marram Spit",
            type: { font: "caveat", size: mm(9), least: mm(5), colour: "#2d5a66", align: "middle" },
            ...{ x: mm(8), y: mm(137), width: mm(85.6), height: mm(12), turn: 0, sheet: null },
          },
        },
      },
    ]),
    begin("artwork", "Open-day frame, made here", [
      {
        do: "sheet",
        change: { paper: { name: "4 × 6 in", width: inch(4), height: inch(6) }, lie: "portrait" },
      },
      { do: "add photos", photos: booth.slice(1, 4) },
      { do: "shapes", shapes: FRAME },
      {
        do: "texts",
        texts: {
          t1: {
            text: "Marram Spit",
            type: { font: "caveat", size: mm(8.5), least: mm(5), colour: "#f4ead2", align: "middle" },
            ...{ x: mm(26), y: mm(126.6), width: mm(49.6), height: mm(12), turn: 0, sheet: null },
          },
          t2: {
            text: "Open day, 3 October",
            type: { font: "hanken", size: mm(3.4), least: mm(2), colour: "#2d5a66", align: "middle" },
            ...{ x: mm(20.8), y: mm(141), width: mm(60), height: mm(6), turn: 0, sheet: null },
          },
        },
      },
    ]),
    begin("calendar", "Tides and migration 2027", [
      { do: "add photos", photos: scenes },
      { do: "calendar", calendar },
      {
        do: "ticket",
        change: {
          first: "2027-01",
          style: "write",
          share: 0.5,
          title: "Tides and migration\n[year]",
          year: true,
          own: { weekNumbers: true },
          binding: { side: "top", zone: mm(12) },
        },
      },
    ]),
    begin("mural", "Panorama for the hide wall", [
      { do: "add photos", photos: [named(photos, "spit-panorama.jpg")] },
      { do: "ticket", change: { by: "sheets", columns: 6, rows: 2 } },
      { do: "impose", change: { lie: "landscape", map: true } },
      { do: "target", change: { printer: printerOfJob(inkjet), ppi: 96 } },
    ]),
    begin("collage", "Season album, the spit in autumn", [
      { do: "add photos", photos: scenes.slice(0, 9) },
      { do: "ticket", change: { gap: mm(3), proposal: 3 } },
    ]),
    make("Members’ cards, low water", [
      onPaper("a4"),
      {
        do: "target",
        change: {
          printer: printerOfJob(inkjet),
          ppi: inkjet.ppi,
        },
      },
      { do: "sheet", change: { lie: "portrait", margins: evenEdges(mm(12.5)) } },
      { do: "ticket", change: { copies: 10, size: { width: mm(85.6), height: mm(53.98) }, gap: mm(0) } },
      {
        do: "finish",
        change: { marks: { kind: "crosses", length: mm(5), width: um(150), colour: "#20242c" } },
      },
      { do: "add photos", photos: scenes },
      { do: "put in all", photo: named(photos, "low-water.jpg").id },
    ]),
    begin("portraits", "Document photos, spring team", [
      { do: "add photos", photos: sitters },
      {
        do: "ticket",
        change: {
          names: true,
          rule: "schengen-visa",
          rules: [ruleById("schengen-visa"), ruleById("nl-passport")],
          people: sitters.map(({ id, name }, i) => ({
            shot: i + 1,
            name: NAMES[i]!,
            number: name.slice(0, 6),
            photo: id,
            rule: i === 4 ? "nl-passport" : null,
            quantity: i === 5 ? 4 : null,
          })),
        },
      },
    ]),
    make("Ringers’ badges, spring team", [
      { do: "ticket", change: { copies: 8 } },
      { do: "finish", change: { outline: { width: um(200), colour: "#9a9a9a" } } },
      { do: "add photos", photos: portraits },
      { do: "shot", shot: "1", change: { centre: { x: 0.5, y: 0.45 } } },
    ]),
  ];
}

/** A pattern that the demo begins with: the job that it is kept from, and what else it is made for. */
export interface DemoPattern {
  job: string;
  name: string;
  folder: string;
  madeFor?: readonly MadeFor[];
}

/** Layouts of the demo's jobs that are kept in the pattern book. */
export const DEMO_PATTERNS: readonly DemoPattern[] = [
  { job: "Ringers’ badges, spring team", name: "Eight badges on 10 × 15 cm", folder: "Ringers" },
  { job: "Members’ cards, low water", name: "Ten cards on A4", folder: "Members" },
  { job: "Open-day strips", name: "A pair of strips, four shots", folder: "Open day" },
  {
    job: "Open-day frame, made here",
    name: "Open-day frame",
    folder: "Open day",
    madeFor: [
      {
        name: "Event printer, in the tent",
        printer: { ...PRINTERS.find(({ id }) => id === "event")!, ppi: 320, bleed: um(0) },
        page: {
          paper: { name: "105 × 150 mm", width: mm(105), height: mm(150) },
          lie: "portrait",
          trim: null,
        },
        ...{ onPaper: null, fit: "fill", most: 3, widened: null },
      },
      {
        name: "Large, for the hide wall",
        printer: { ...PRINTERS.find(({ id }) => id === "lab-matte")!, bleed: mm(3) },
        page: { paper: { name: "30 × 40 cm", width: mm(300), height: mm(400) }, lie: "portrait", trim: null },
        ...{ onPaper: null, fit: "fill", most: 3, widened: null },
      },
    ],
  },
];
