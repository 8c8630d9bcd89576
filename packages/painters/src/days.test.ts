import {
  arrange,
  DAY_STYLES,
  drawDays,
  freshCalendar,
  freshJob,
  imposed,
  mm,
  readJob,
  um,
  type Calendar,
  type DayStyle,
  type Ink,
  type JobEdit,
  type Rect,
  type SheetPlan,
} from "@wide-quilt/core";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { paintPdf, paintSheet } from "./index.ts";
import { file, job, makePhotos, png, PPI, px } from "./testing/finish.ts";
import { measure } from "./testing/samples.ts";

beforeAll(makePhotos);

/** At full length every month of the year and all eight proportions; a few of them otherwise. */
const LONG = process.env.WIDE_QUILT_LONG === "1";
const MONTHS = LONG ? 12 : 3;
const LOCALES = ["en-GB", "de-DE", "ar-EG", "ja-JP", "he-IL"];
const STYLES = DAY_STYLES.filter((style) => style !== "small");

const CALENDAR: Calendar = {
  ...freshCalendar("en-GB"),
  sources: {
    s1: {
      name: "Days",
      from: { kind: "typed" },
      colour: "#1f6f54",
      words: true,
      mark: "dot",
      off: false,
      shown: true,
      days: [
        { day: "2027-03-05", text: "Ångström quälgig (jetty)" },
        { day: "2027-03-16", text: "A talk about the waders of the northern shore and of the spit" },
        { day: "2027-03-24", text: "Donaudampfschifffahrtsgesellschaft" },
      ],
    },
  },
};

const calendarJob = (locale: string, style: DayStyle, ...edits: JobEdit[]) =>
  job(
    "calendar",
    [],
    { do: "calendar", calendar: { ...freshCalendar(locale), sources: CALENDAR.sources } },
    { do: "sheet", change: { paper: { name: "A5", width: mm(148), height: mm(210) } } },
    { do: "ticket", change: { first: "2027-01", months: MONTHS, photo: "none", style, cover: "none" } },
    ...edits,
  );

const ARABIC = "٠١٢٣٤٥٦٧٨٩";
const ARABIC_LETTERS = /[\u0621-\u064a]/;
const plain = (text: string) => text.replace(/[٠-٩]/g, (digit) => String(ARABIC.indexOf(digit)));

/** Marks of direction, which Poppler puts around figures in right-to-left lines. */
const DIRECTIONS = /[\u200e\u200f\u202a-\u202e\u2066-\u2069]/g;
const bare = (text: string) => text.replaceAll(DIRECTIONS, "").replaceAll(/\s/g, "").normalize("NFKC");

describe("months in a PDF", () => {
  it.each(LOCALES)("are text in the order of their days, in every month and style: %s", async (locale) => {
    for (const style of STYLES) {
      const calendar = calendarJob(locale, style);
      const path = file(`${locale}-${style}.pdf`);
      await paintPdf(arrange(calendar, {}), file, path);
      // Pages as Poppler reads them: in the order in which they were written, and as a person reads them.
      const pagesOf = (...way: string[]) =>
        measure("pdftotext", ...way, path, "-")
          .split("\f")
          .slice(0, MONTHS);
      const pages = pagesOf("-raw");
      const read = pagesOf();
      expect(pages).toHaveLength(MONTHS);
      pages.forEach((page, i) => {
        const month = i + 1;
        const count = new Date(Date.UTC(2027, month, 0)).getUTCDate();
        const words = plain(page.replaceAll(DIRECTIONS, "")).split(/\s+/);
        const name = calendar.calendar!.languages[0]!.months[i]!;
        // Letters of Arabic are told besides their shapes, in the order of reading; Poppler takes that for what is seen from the
        // left, and turns it round.
        const told = ARABIC_LETTERS.test(name) ? [...bare(name)].reverse().join("") : bare(name);
        expect(bare(read[i]!), `${style} ${month}`).toContain(told);
        let day = 1;
        for (const word of words) if (word === String(day)) day++;
        expect(day - 1, `${locale} ${style} ${month}`).toBe(count);
      });
    }
  });
});

/** How many pixels of a plan are not white and lie outside all of these boxes; a pixel beside an edge may be its own. */
async function inkOutside(plan: SheetPlan, boxes: readonly Rect[], name: string): Promise<number> {
  const { data, info } = await sharp(await png(plan, name))
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const may = new Uint8Array(info.width * info.height);
  for (const { x, y, width, height } of boxes)
    for (let row = px(y) - 1; row <= px(y + height); row++)
      may.fill(1, row * info.width + px(x) - 1, row * info.width + px(x + width) + 1);
  let outside = 0;
  for (let i = 0; i < may.length; i++) if (data[i * info.channels]! < 250 && may[i] === 0) outside++;
  return outside;
}

describe("the ink of a month", () => {
  const SIZES: [number, number][] = [
    [30, 30],
    [40, 90],
    [150, 40],
    [90, 60],
    [120, 120],
    [60, 160],
    [180, 90],
    [200, 25],
  ];

  it.each(STYLES)(
    "keeps every text in its day, at sizes from 30 × 30 mm and eight proportions: %s",
    async (style) => {
      const bare = job("free", [], {
        do: "sheet",
        change: { paper: { name: "x", width: mm(170), height: mm(210) }, lie: "landscape" },
      });
      const [plan] = arrange(bare, {});
      let drawn = 0;
      for (const [width, height] of LONG ? SIZES : SIZES.slice(0, 2)) {
        const at: Rect = { x: mm(5), y: mm(4), width: mm(width), height: mm(height) };
        const own = { texts: true, ink: "#000000", off: "#000000", quiet: "#000000", tint: null } as const;
        const { inks, days } = drawDays(
          { of: { span: "month", month: "2027-03" }, style, own, ...at },
          CALENDAR,
          () => null,
        );
        const texts = inks.filter((ink) => ink.kind === "text");
        // Every second day by itself: what leaves its day is then seen on bare paper.
        for (const half of [0, 1]) {
          const mine = days.filter((_, i) => i % 2 === half).map(({ box }) => box);
          const inside = texts.filter((ink) => mine.some((box) => holds(box, middleOf(ink))));
          const outside = await inkOutside({ ...plan!, over: inside }, mine, `${style}-${width}-${half}`);
          expect(outside, `${style} ${width} × ${height}`).toBe(0);
          drawn += inside.length;
        }
      }
      // Figures at least: 31 of each size.
      expect(drawn).toBeGreaterThanOrEqual(31 * 2);
    },
  );
});

const middleOf = (ink: Extract<Ink, { kind: "text" }>) => ({
  x: ink.text.box.x + ink.text.box.width / 2,
  y: ink.text.lines[0]!.y - 0.35 * ink.text.size,
});
const holds = (box: Rect, { x, y }: { x: number; y: number }) =>
  x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height;

describe("on sheets", () => {
  const red = (r: number, g: number) => r > 150 && g < 60;

  /** The box of red in a painted sheet, in pixels. */
  async function redIn(plan: SheetPlan) {
    const sheet = await paintSheet(plan, file);
    const box = { left: Infinity, top: Infinity, right: -1, bottom: -1 };
    const channels = sheet.data.length / (sheet.width * sheet.height);
    for (let y = 0; y < sheet.height; y++)
      for (let x = 0; x < sheet.width; x++) {
        const i = (y * sheet.width + x) * channels;
        if (!red(sheet.data[i]!, sheet.data[i + 1]!)) continue;
        box.left = Math.min(box.left, x);
        box.top = Math.min(box.top, y);
        box.right = Math.max(box.right, x + 1);
        box.bottom = Math.max(box.bottom, y + 1);
      }
    return box;
  }

  const photoAbove = (...edits: JobEdit[]) =>
    [
      {
        do: "add photos",
        photos: [
          { id: "a", name: "a.jpg" },
          { id: "b", name: "b.jpg" },
        ],
      },
      { do: "sheet", change: { paper: { name: "A5", width: mm(148), height: mm(210) } } },
      {
        do: "ticket",
        change: { months: 2, photo: "above", share: 0.5, gap: um(0), cover: "none", own: { off: "#000000" } },
      },
      ...edits,
    ] as JobEdit[];
  const facts = { a: { width: 600, height: 400 }, b: { width: 600, height: 400 } };

  it("a tent has the heads of both months at its fold: the photos lie above and below the middle", async () => {
    const paper = { name: "A4 and more", width: mm(160), height: mm(440) };
    const tent = job(
      "calendar",
      [],
      ...photoAbove({ do: "impose", change: { way: "tent", paper, marks: "none" } }),
    );
    const sheets = imposed(tent, arrange(tent, facts));
    expect(sheets).toHaveLength(1);
    // By hand: the fold at 220 mm, half a page of 210 mm to both sides of it, 6 mm from the left.
    expect(await redIn(sheets[0]!)).toEqual({
      left: px(6000),
      right: px(154_000),
      top: px(115_000),
      bottom: px(325_000),
    });
  });

  it("every second page is turned where the printer turns paper over the other edge", async () => {
    const turned = job("calendar", [], ...photoAbove({ do: "impose", change: { backs: "turned" } }));
    const [front, back] = imposed(turned, arrange(turned, facts));
    expect(await redIn(front!)).toMatchObject({ top: 0, bottom: px(105_000) });
    expect(await redIn(back!)).toMatchObject({ top: px(105_000), bottom: px(210_000) });
  });

  it("reads and paints the same from its file, whatever names the platform has by then", async () => {
    const made = calendarJob("pl-PL", "write");
    const read = readJob(JSON.parse(JSON.stringify(made)));
    expect(read.ok && arrange(read.job, {})).toEqual(arrange(made, {}));
    const names = arrange(made, {})[0]!.over.flatMap((ink) =>
      ink.kind === "text" ? ink.text.lines.map(({ text }) => text) : [],
    );
    // Taken from the job: another name there is another name on the page.
    const renamed = structuredClone(made);
    renamed.calendar!.languages[0]!.months[0] = "Stycznik";
    const other = arrange(renamed, {})[0]!.over.flatMap((ink) =>
      ink.kind === "text" ? ink.text.lines.map(({ text }) => text) : [],
    );
    expect(names[0]).toBe("styczeń 2027");
    expect(other[0]).toBe("Stycznik 2027");
    expect(PPI).toBe(300);
    expect(freshJob("calendar", "x", "pl-PL").calendar!.languages[0]!.tag).toBe("pl-PL");
  });
});
