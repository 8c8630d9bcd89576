import { ENGLISH } from "../../calendar/index.ts";
import type { Exposure } from "../../photo/record/index.ts";

/** What words can be taken from: the photo of a cell, what a list says of it, and the sheet it lies on. */
export interface FieldSource {
  /** The file's name, with its ending; null for an empty cell. */
  file: string | null;
  title?: string;
  folder?: string;
  stars?: number;
  tags?: readonly string[];
  exposure?: Exposure;
  /** The photo's number among those that are shown, from 1. */
  frame?: number;
  /** Columns of a list, by their headings. */
  own: Readonly<Record<string, string>>;
  job: string;
  /** What it was made at, which of its sets it is, and whose; the job and its page where nobody said. */
  event?: string;
  set?: number;
  person?: string;
  /** Of the pages that someone will hold, and of the sheets of paper that they are printed on. */
  page: number;
  pages: number;
  sheet: number;
  sheets: number;
  /** The month that the page shows, where it shows one. */
  shows?: { year: number; month: number; name: string };
}

/** A field of the words: its name, what it gives, and the ways it can be written. */
export interface Field {
  name: string;
  about: string;
  /** The ways to write it, the usual one first; “3 digits” is a way for every number. */
  ways?: readonly string[];
  write(source: FieldSource, way: string | null): string;
}

const { months: MONTHS } = ENGLISH.languages[0]!;

/** "IMG_0042.jpg" → "IMG_0042" */
export const baseName = (file: string): string => file.replace(/\.[^.]{1,5}$/, "");

/** Shutter times that cameras name, as parts of a second (the series of ISO 516 and its thirds). */
const NAMED = [
  3, 4, 5, 6, 8, 10, 13, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800,
  1000, 1250, 1600, 2000, 2500, 3200, 4000, 5000, 6400, 8000, 10_000, 12_800, 16_000, 32_000,
];

/** Cameras store times a little off the named ones: 1/256 s for 1/250. */
const NEAR = 0.04;

/** Seconds as people write them: 1/250, 0.5 s, 2 s. */
export function writeShutter(seconds: number): string {
  if (seconds >= 0.3) return `${Number(seconds.toFixed(1))} s`;
  const part = 1 / seconds;
  const named = NAMED.find((one) => Math.abs(one - part) <= one * NEAR);
  return `1/${named ?? Math.round(part)}`;
}

/** f/5.6; whole numbers without a point. */
export const writeAperture = (aperture: number): string => `f/${Number(aperture.toFixed(1))}`;

/** Writes "2026-10-03T07:41:12" in one of the ways of the date. */
function writeDate(takenAt: string, way: string | null): string {
  const [year, month, day] = takenAt.slice(0, 10).split("-") as [string, string, string];
  const monthName = MONTHS[Number(month) - 1]!;
  switch (way) {
    case "short":
      return `${Number(day)} ${monthName.slice(0, 3)} ${year}`;
    case "numbers":
      return `${year}-${month}-${day}`;
    case "day first":
      return `${day}.${month}.${year}`;
    case "month first":
      return `${month}/${day}/${year}`;
    case "month":
      return `${monthName} ${year}`;
    case "year":
      return year;
    default:
      return `${Number(day)} ${monthName} ${year}`;
  }
}

const counted = (value: number | undefined, way: string | null): string => {
  if (value === undefined) return "";
  const digits = /^([1-9]) digits?$/.exec(way ?? "");
  return String(value).padStart(digits ? Number(digits[1]) : 1, "0");
};

const DIGITS = ["plain", "2 digits", "3 digits", "4 digits"] as const;

/** Every field there is, in the order in which they are offered. */
export const FIELDS: readonly Field[] = [
  { name: "name", about: "the file’s name", write: ({ file }) => (file ? baseName(file) : "") },
  { name: "file", about: "the file’s name with its ending", write: ({ file }) => file ?? "" },
  { name: "title", about: "the title in the file or the list", write: ({ title }) => title ?? "" },
  {
    name: "frame",
    about: "the photo’s number",
    ways: DIGITS,
    write: ({ frame }, way) => counted(frame, way),
  },
  {
    name: "date",
    about: "the day it was taken",
    ways: ["long", "short", "numbers", "day first", "month first", "month", "year"],
    write: ({ exposure }, way) => (exposure?.takenAt ? writeDate(exposure.takenAt, way) : ""),
  },
  { name: "time", about: "the time of day", write: ({ exposure }) => exposure?.takenAt?.slice(11, 16) ?? "" },
  { name: "camera", about: "the camera", write: ({ exposure }) => exposure?.camera ?? "" },
  { name: "lens", about: "the lens", write: ({ exposure }) => exposure?.lens ?? "" },
  {
    name: "shutter",
    about: "the shutter time",
    write: ({ exposure }) => (exposure?.shutter ? writeShutter(exposure.shutter) : ""),
  },
  {
    name: "aperture",
    about: "the aperture",
    write: ({ exposure }) => (exposure?.aperture ? writeAperture(exposure.aperture) : ""),
  },
  {
    name: "focal length",
    about: "the focal length",
    write: ({ exposure }) => (exposure?.focalLength ? `${Number(exposure.focalLength.toFixed(1))} mm` : ""),
  },
  {
    name: "iso",
    about: "the sensitivity",
    write: ({ exposure }) => (exposure?.iso ? `ISO ${exposure.iso}` : ""),
  },
  { name: "rating", about: "how many stars it has", write: ({ stars }) => (stars ? `${stars} of 5` : "") },
  { name: "tags", about: "its tags", write: ({ tags }) => tags?.join(", ") ?? "" },
  { name: "folder", about: "its folder", write: ({ folder }) => folder ?? "" },
  { name: "event", about: "the event’s name, or the job’s", write: ({ event, job }) => event ?? job },
  {
    name: "set",
    about: "the set’s number",
    ways: DIGITS,
    write: ({ set, page }, way) => counted(set ?? page, way),
  },
  { name: "person", about: "who it is for", write: ({ person }) => person ?? "" },
  { name: "job", about: "the job’s name", write: ({ job }) => job },
  {
    name: "month",
    about: "the number of the month that the page shows",
    ways: ["2 digits", "plain"],
    write: ({ shows }, way) => counted(shows?.month, way ?? "2 digits"),
  },
  { name: "month name", about: "the month that the page shows", write: ({ shows }) => shows?.name ?? "" },
  { name: "year", about: "the year that the page shows", write: ({ shows }) => counted(shows?.year, null) },
  {
    name: "quarter",
    about: "the quarter that the page shows",
    write: ({ shows }) => (shows ? String(Math.ceil(shows.month / 3)) : ""),
  },
  {
    name: "page",
    about: "the page’s number",
    ways: DIGITS,
    write: ({ page }, way) => counted(page, way),
  },
  { name: "pages", about: "how many pages there are", write: ({ pages }) => String(pages) },
  {
    name: "sheet",
    about: "the number of the sheet of paper",
    ways: DIGITS,
    write: ({ sheet }, way) => counted(sheet, way),
  },
  { name: "sheets", about: "how many sheets of paper there are", write: ({ sheets }) => String(sheets) },
];
