import { afterEach, describe, expect, it, vi } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { dayPhotos, freshCalendar, writeIcs } from "../../calendar/index.ts";
import { applyEdit, nextYear, oneMonth, type JobEdit } from "../../edit/index.ts";
import { readJob, type Job } from "../../job/index.ts";
import { AS_IT_IS } from "../../photo/look/index.ts";
import type { PhotoFacts } from "../../photo/record/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check } from "../../report/check/index.ts";
import { outputFiles } from "../../report/output/index.ts";
import { freshJob, kindOf, layOut, readDayList, CALENDAR_PRODUCTS } from "../index.ts";

const photos = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `p${i + 1}`, name: `p${i + 1}.jpg` }));
const factsOf = (count: number, takenAt?: (i: number) => string) =>
  Object.fromEntries(
    photos(count).map(({ id }, i): [string, PhotoFacts] => [
      id,
      { width: 6000, height: 4000, ...(takenAt && { exposure: { takenAt: takenAt(i + 1) } }) },
    ]),
  );

const make = (count: number, ...edits: JobEdit[]): Job =>
  [
    { do: "ticket", change: { first: "2027-01", gap: um(0) } } as JobEdit,
    ...(count > 0 ? [{ do: "add photos", photos: photos(count) } as JobEdit] : []),
    ...edits,
  ].reduce(applyEdit, freshJob("calendar", "Tides 2027", "en-GB", undefined, 2027));

const text = (sheet: string | null) => ({
  ...{ x: um(0), y: um(0), width: mm(50), height: mm(20), turn: 0 },
  sheet,
  text: "Low water",
  type: { font: "hanken", size: mm(5), least: mm(2), colour: "#20242c", align: "left" },
});

const shownOn = (job: Job, facts = factsOf(20)) =>
  Object.fromEntries(
    layOut(job, facts).sheets.map(({ name, cells }) => [name, cells.map(({ photo }) => photo).join(" ")]),
  );

const said = (job: Job) =>
  kindOf(job)
    .say(job, { unit: "mm", locale: "en-GB" }, layOut(job, factsOf(20)).sums)
    .map(({ text }) => text)
    .join("");

describe("a calendar", () => {
  it("has a page a month, named after it, and a cover with the first photo", () => {
    const { sheets } = layOut(make(12), factsOf(12));
    expect(sheets.map(({ name }) => name)).toEqual([
      "cover",
      ...Array.from({ length: 12 }, (_, i) => `2027-${String(i + 1).padStart(2, "0")}`),
    ]);
    expect(sheets.map(({ title }) => title).slice(0, 4)).toEqual([
      "Cover",
      "2027-01 January",
      "2027-02 February",
      "2027-03 March",
    ]);
    expect(shownOn(make(12))).toMatchObject({
      cover: "p1",
      "2027-01": "p1",
      "2027-02": "p2",
      "2027-12": "p12",
    });
  });

  it("gives the photo its share above the days: 60 % of A3 is 252 mm", () => {
    const [, january] = layOut(make(12), factsOf(12)).sheets;
    expect(january!.cells[0]!.finished).toEqual({ x: 0, y: 0, width: mm(297), height: mm(252) });
    // 14 mm are kept free around the days.
    expect(january!.blocks![0]!.box).toEqual({ x: mm(14), y: mm(266), width: mm(269), height: mm(140) });
    const bound = make(12, { do: "ticket", change: { binding: { side: "top", zone: mm(20) } } });
    expect(layOut(bound, factsOf(12)).sheets[1]!.cells[0]!.finished).toEqual({
      x: 0,
      y: mm(20),
      width: mm(297),
      height: mm(240),
    });
  });

  it("is said in one sentence", () => {
    expect(said(make(12))).toMatch(
      /^Show January to December 2027, one month to a page of A3 paper, upright, with the photo above taking 60 %, days in large figures, weeks from Monday, in English, with no days marked and a cover, not bound inside no margins/,
    );
    expect(
      said(
        make(0, {
          do: "ticket",
          change: { first: "2027-07", months: 12, span: "quarter", photo: "none", cover: "none" },
        }),
      ),
    ).toMatch(/^Show July 2027 to June 2028, a quarter to a page of A3 paper, upright, with no photo,/);
  });

  it("says what is left over of 13 photos, and gives the cover one of its own", () => {
    const job = make(13);
    const leftOver = check(job, factsOf(13), arrange(job, factsOf(13))).find(
      ({ rule }) => rule === "photo-on-no-sheet",
    );
    expect(leftOver?.mend?.label).toBe("Give the cover a photo of its own");
    const mended = applyEdit(job, leftOver!.mend!.edit);
    expect(shownOn(mended)).toMatchObject({ cover: "p1", "2027-01": "p2", "2027-12": "p13" });
  });

  it("may begin in the years 1583 to 9990, and goes on as long as any does from there", () => {
    const far = make(0, {
      do: "ticket",
      change: { first: "9990-12", months: 60, last: true, own: { near: true } },
    });
    expect(readJob(JSON.parse(JSON.stringify(far))).ok).toBe(true);
    expect(arrange(far, {}).at(-1)!.title).toBe("9995-12 December to November");
    expect(
      arrange(make(0, { do: "ticket", change: { first: "1583-01", own: { near: true } } }), {}),
    ).toHaveLength(13);
    for (const first of ["1582-12", "9991-01"])
      expect(readJob({ ...far, ticket: { ...far.ticket, first } }).ok, first).toBe(false);
  });

  it("waits for photos where there are none", () => {
    const empty = shownOn(make(0));
    expect(empty).toMatchObject({ cover: "", "2027-01": "", "2027-12": "" });
  });

  it("gives photos to the months that they were taken in, whatever the year", () => {
    // Photo 1 in December, 2 in November …
    const facts = factsOf(12, (i) => `20${10 + i}-${String(13 - i).padStart(2, "0")}-05T10:00:00`);
    const job = make(12, { do: "ticket", change: { by: "date", cover: "none" } });
    expect(shownOn(job, facts)).toMatchObject({ "2027-01": "p12", "2027-02": "p11", "2027-12": "p1" });
  });

  it("keeps a photo that was put on a month by hand, and swaps two", () => {
    const swapped = make(
      12,
      { do: "shot", shot: "p3", change: { photo: "p5" } },
      { do: "shot", shot: "p5", change: { photo: "p3" } },
    );
    expect(shownOn(swapped)).toMatchObject({ "2027-03": "p5", "2027-05": "p3", "2027-04": "p4" });
    const put = applyEdit(make(12), { do: "put in one", cell: "2027-03.1", photo: "p9" });
    expect(shownOn(put)["2027-03"]).toBe("p9");
  });

  it("has a week, a quarter or a year to a page, photos on facing pages, the year at a glance and the year after", () => {
    const names = (change: Extract<JobEdit, { do: "ticket" }>["change"]) =>
      Object.keys(shownOn(make(12, { do: "ticket", change })));
    expect(names({ span: "quarter", cover: "none" })).toEqual(["2027-01", "2027-04", "2027-07", "2027-10"]);
    expect(names({ span: "year", cover: "none", photo: "none" })).toEqual(["2027-01"]);
    // 2027 begins on a Friday of ISO week 53 of 2026.
    const weeks = names({ span: "week", cover: "none", photo: "none" });
    expect([weeks[0], weeks[1], weeks.at(-1), weeks.length]).toEqual([
      "2026-W53",
      "2027-W01",
      "2027-W52",
      53,
    ]);
    expect(names({ photo: "facing", months: 2, cover: "own", year: true, last: true })).toEqual([
      ...["cover", "year", "2027-01p", "2027-01", "2027-02p", "2027-02", "last"],
    ]);
  });

  it("names files by month, year and quarter", () => {
    const job = make(12, { do: "ticket", change: { cover: "none" } });
    const files = outputFiles(job, factsOf(12), arrange(job, factsOf(12)), {
      pages: false,
      rule: "[year]-[month] [month name], Q[quarter]",
    });
    expect([files[0]!.name, files[8]!.name]).toEqual(["2027-01 January, Q1", "2027-09 September, Q3"]);
  });

  it("can be any of the calendars that are offered, and is then a job that is read again", () => {
    for (const { name, paper, ticket, impose } of CALENDAR_PRODUCTS) {
      const job = make(
        12,
        { do: "sheet", change: { paper, lie: "most" } },
        { do: "ticket", change: ticket as Extract<JobEdit, { do: "ticket" }>["change"] },
        { do: "impose", change: impose },
      );
      expect(arrange(job, factsOf(12)).length, name).toBeGreaterThan(0);
      expect(readJob(JSON.parse(JSON.stringify(job))), name).toMatchObject({ ok: true });
    }
  });
});

describe("a calendar on another platform", () => {
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  it("is planned alike whatever names and weeks that knows: all of them are in the job", () => {
    const plans = ["en-GB", "de-DE", "ar-EG", "ja-JP"].map((locale) => {
      const job = make(2, { do: "calendar", calendar: freshCalendar(locale) });
      return { job, plan: JSON.stringify(arrange(job, factsOf(2))) };
    });
    // A platform that knows other names, or none.
    const none = () => {
      throw new Error("The platform is asked.");
    };
    vi.stubGlobal("Intl", {
      ...Intl,
      DateTimeFormat: none,
      DisplayNames: none,
      Locale: none,
      ListFormat: none,
    });
    for (const { job, plan } of plans) {
      // Drawn anew: what was drawn is kept as long as the calendar is the same object.
      const again = { ...job, calendar: structuredClone(job.calendar) };
      expect(JSON.stringify(arrange(again, factsOf(2)))).toBe(plan);
    }
  });
});

describe("photos of months", () => {
  it("change places with each other, and the cover shows what January shows", () => {
    const job = applyEdit(make(12), { do: "put in one", cell: "2027-01.1", photo: "p7" });
    expect(shownOn(job)).toMatchObject({ cover: "p7", "2027-01": "p7", "2027-07": "p1", "2027-12": "p12" });
    const own = applyEdit(job, { do: "put in one", cell: "cover.1", photo: "p3" });
    expect(shownOn(own)).toMatchObject({ "2027-01": "p7", "2027-03": "p3" });
    expect(arrange(own, factsOf(12))[0]!.cells[0]!.photo).toBe("p3");
  });

  it("take what the border between them and the days leaves: 60 % of 420 mm are 252 mm", () => {
    const [, january] = layOut(make(12), factsOf(12)).sheets;
    expect(january!.split).toMatchObject({ beside: false, photosFirst: true, share: 0.6 });
    expect(january!.cells[0]!.finished.height).toBe(mm(252));
    const below = layOut(make(12, { do: "ticket", change: { photo: "below" } }), factsOf(12)).sheets[1]!;
    expect(below.split).toMatchObject({ photosFirst: false });
    const behind = layOut(make(12, { do: "ticket", change: { photo: "behind" } }), factsOf(12)).sheets[1]!;
    expect(behind.split).toBeUndefined();
  });

  it("are small in single days, and leave those with the photo", () => {
    const small = { day: "2027-03-05", text: "Linnea", photo: "p13" };
    const job = make(13, {
      do: "days",
      sources: {
        own: {
          name: "Own",
          from: { kind: "typed" },
          colour: "#1f6f54",
          words: true,
          mark: "none",
          off: false,
          shown: true,
          days: [small],
        },
      },
    });
    const rules = (one: Job) => check(one, factsOf(13), arrange(one, factsOf(13))).map(({ rule }) => rule);
    const inks = (one: Job) =>
      arrange(one, factsOf(13)).flatMap(({ over }) => over.filter(({ kind }) => kind === "picture"));
    expect(inks(job)).toHaveLength(1);
    // The thirteenth is on no month of its own, and is seen all the same.
    expect(rules(job)).not.toContain("photo-on-no-sheet");
    const without = applyEdit(job, { do: "remove photo", photo: "p13" });
    expect(without.calendar!.sources.own!.days).toEqual([{ day: "2027-03-05", text: "Linnea" }]);
    const other = applyEdit(job, { do: "relink photo", photo: "p13", to: { id: "q", name: "q.jpg" } });
    expect(other.calendar!.sources.own!.days[0]!.photo).toBe("q");
    expect(dayPhotos(nextYear(job)!.calendar)).toEqual([]);
  });
});

describe("one month alone", () => {
  it("shows the photo that it shows now as that sits, and nothing of the other months", () => {
    const job = [
      { do: "put in one", cell: "2027-03.1", photo: "p9" },
      { do: "shot", shot: "p3", change: { scale: 2, centre: { x: 0.4, y: 0.5 } } },
      { do: "texts", texts: { t1: text("2027-03"), t2: text("2027-04"), t3: text(null) } },
    ].reduce(
      (one, edit) => applyEdit(one, edit as JobEdit),
      make(12, { do: "ticket", change: { year: true } }),
    );
    const march = oneMonth(job, "2027-03", factsOf(12))!;
    expect(march.name).toBe("Tides 2027, March");
    expect(march.stash).toEqual([{ id: "p9", name: "p9.jpg", number: 1 }]);
    const planned = (one: Job) =>
      arrange(one, factsOf(12)).map(({ id, title, cells, over }) => ({
        id,
        title,
        over,
        cells: cells.map(({ photo, picture, finished }) => ({ photo, picture, finished })),
      }));
    expect(planned(march)).toEqual(planned(job).filter(({ id }) => id === "2027-03"));
    expect(Object.keys(march.texts)).toEqual(["t1", "t3"]);
    expect(readJob(JSON.parse(JSON.stringify(march)))).toMatchObject({ ok: true });
  });

  it("is a quarter with its photos, or a page that faces its photo", () => {
    const quarters = make(8, { do: "ticket", change: { span: "quarter", photos: 2 } });
    const second = oneMonth(quarters, "2027-04", factsOf(8))!;
    expect(second.ticket).toMatchObject({ first: "2027-04", months: 3 });
    expect(shownOn(second)).toEqual({ "2027-04": "p3 p4" });
    const facing = oneMonth(make(12, { do: "ticket", change: { photo: "facing" } }), "2027-05", factsOf(12))!;
    expect(shownOn(facing)).toEqual({ "2027-05p": "p5", "2027-05": "" });
  });

  it("is not had of a cover, of a week, or of a job without months", () => {
    expect(oneMonth(make(12), "cover", factsOf(12))).toBeNull();
    expect(oneMonth(make(12), "2028-01", factsOf(12))).toBeNull();
    expect(oneMonth(make(1, { do: "ticket", change: { span: "week" } }), "2027-W02", factsOf(1))).toBeNull();
    expect(oneMonth(freshJob("contact", "Proofs"), "1", {})).toBeNull();
  });
});

describe("days that are hard to read", () => {
  const typed = (colour: string): JobEdit => ({
    do: "days",
    sources: {
      tides: {
        name: "Tides",
        from: { kind: "typed" },
        colour,
        words: true,
        mark: "none",
        off: false,
        shown: true,
        days: [{ day: "2027-03-05", text: "Spring tide" }],
      },
    },
  });
  const found = (job: Job) =>
    check(job, factsOf(12), arrange(job, factsOf(12))).find(({ rule }) => rule === "days-contrast");

  it("are told over photos, and stand on a ground of their own by one act", () => {
    const behind = make(12, { do: "ticket", change: { photo: "behind", share: 0.85, style: "quiet" } });
    // White on white is 1 : 1, the worst that a photo can be.
    expect(found(behind)!.sentence).toMatch(/stand out by 1\.0 : 1/);
    const mended = applyEdit(behind, found(behind)!.mend!.edit);
    expect(found(mended)).toBeUndefined();
  });

  it("are not told over a photo that is dark where they lie, and are told where it is light", () => {
    // White on #404040 is 10.4 : 1, on #a0a0a0 2.6 : 1.
    const lit = (grey: string) => ({ columns: 1, rows: 1, parts: "404040" + grey.repeat(3) });
    const over = make(12, { do: "ticket", change: { photo: "behind", share: 0.85, style: "quiet" } });
    const seen = (job: Job, grey: string, of = 12) => {
      const facts = Object.fromEntries(
        Object.entries(factsOf(12)).map(([id, fact], i) => [
          id,
          { ...fact, light: lit(i < of ? grey : "40") },
        ]),
      );
      return check(job, facts, arrange(job, facts)).find(({ rule }) => rule === "days-contrast");
    };
    expect(seen(over, "40")).toBeUndefined();
    expect(seen(over, "a0")!.sentence).toMatch(
      /on 12 pages stand out from the photo behind them by no more than 2\.6 : 1/,
    );
    expect(seen(over, "a0", 1)!.sentence).toMatch(/on 2027-01 January stand out/);
    expect(seen(applyEdit(over, seen(over, "a0")!.mend!.edit), "a0")).toBeUndefined();
    // Twice as much light, and nothing is dark any more: with a look it is what is printed that counts.
    const lighter = applyEdit(over, { do: "style", change: { look: { ...AS_IT_IS, exposure: 2 } } });
    expect(seen(lighter, "40")).toBeDefined();
    // A page whose photo is not there is paper, which white does not stand out from.
    const bare = make(0, { do: "ticket", change: { photo: "behind", share: 0.85, style: "quiet" } });
    expect(seen(bare, "40")!.sentence).toMatch(/stand out by no more than 1\.0 : 1 from what they lie on/);
  });

  it("are told of dates in a pale colour, which is darkened by as little as is needed", () => {
    const pale = make(12, { do: "ticket", change: { style: "write" } }, typed("#e0b000"));
    expect(found(pale)!.mend!.label).toBe("Darken the colour of “Tides”");
    const mended = applyEdit(pale, found(pale)!.mend!.edit);
    expect(found(mended)).toBeUndefined();
    expect(mended.calendar!.sources.tides!.colour).not.toBe("#e0b000");
    expect(found(make(12, { do: "ticket", change: { style: "write" } }, typed("#1f6f54")))).toBeUndefined();
  });

  it("are told on paper: #767676 on white is 4.54 : 1, #787878 is 4.42 : 1", () => {
    const inked = (quiet: string) => make(12, { do: "ticket", change: { style: "large", own: { quiet } } });
    expect(found(inked("#767676"))).toBeUndefined();
    expect(found(inked("#787878"))!.sentence).toMatch(/4\.4 : 1/);
    expect(found(applyEdit(inked("#787878"), found(inked("#787878"))!.mend!.edit))).toBeUndefined();
  });

  it("are not made by any style as it comes", () => {
    for (const style of ["large", "write", "column", "line", "quiet", "people", "small"] as const)
      expect(found(make(12, { do: "ticket", change: { style, year: true } })), style).toBeUndefined();
  });
});

describe("next year", () => {
  it("renews months and keeps what was set by hand for them; photos are asked for", () => {
    const job = make(
      12,
      { do: "ticket", change: { style: "write" } },
      { do: "style cells", cells: ["2027-03.1"], change: { border: null } },
      {
        do: "texts",
        texts: {
          t1: {
            text: "Ringing season",
            type: { font: "hanken", size: mm(5), least: mm(3), colour: "#000000", align: "left" },
            ...{ x: mm(10), y: mm(10), width: mm(50), height: mm(10), turn: 0, sheet: "2027-04" },
          },
        },
      },
    );
    const next = nextYear(job)!;
    expect(next).toMatchObject({
      name: "Tides 2028",
      stash: [],
      ticket: { first: "2028-01", style: "write" },
    });
    expect(Object.keys(next.cells)).toEqual(["2028-03.1"]);
    expect(next.texts.t1!.sheet).toBe("2028-04");
    expect(readJob(JSON.parse(JSON.stringify(next))).ok).toBe(true);
    expect(Object.keys(shownOn(next))[1]).toBe("2028-01");
  });
});

describe("lists of days", () => {
  it("are read with dates as people write them, birthdays counted, days without a year every year", () => {
    const read = readDayList(
      "Date;Name;Kind\n2027-03-14;Work party;\n2.6.1990;Wren;birthday\n24.12.;Eve;\n29/2/1996;Finn;Geburtstag\n31.2.2027;Nothing;\n",
      false,
    );
    expect(read.days).toEqual([
      { day: "2027-03-14", text: "Work party" },
      { day: "1990-06-02", text: "Wren", yearly: true, counts: true },
      { day: "2000-12-24", text: "Eve", yearly: true },
      { day: "1996-02-29", text: "Finn", yearly: true, counts: true },
    ]);
    expect(read.problems).toEqual(["Line 6 was left out: “31.2.2027” is no day."]);
  });

  it("know which is the month where a date alone does not say, by the others and by the country", () => {
    const first = (text: string, monthFirst: boolean) =>
      readDayList(`date,text\n${text}`, monthFirst).days[0]!.day;
    expect(first("03/04/2027,A", true)).toBe("2027-03-04");
    expect(first("03/04/2027,A", false)).toBe("2027-04-03");
    expect(first("03/04/2027,A\n25/04/2027,B", true)).toBe("2027-04-03");
    expect(readDayList("day,month,text\n5,11,Bonfire", false).days).toEqual([
      { day: "2000-11-05", text: "Bonfire", yearly: true },
    ]);
  });

  it("ask for headings where there are none", () => {
    expect(readDayList("2027-03-14,Work party\n", false)).toMatchObject({ days: [] });
    expect(readDayList("2027-03-14,Work party\n", false).problems.at(-1)).toMatch(/headings/);
  });
});

describe("an .ics file", () => {
  it("has whole days, yearly ones by a rule, its lines folded at 75 bytes", () => {
    const calendar = freshCalendar("en-GB");
    calendar.sources.s1 = {
      ...{
        name: "Spit, days",
        from: { kind: "typed" },
        colour: "#34409c",
        words: true,
        mark: "dot",
        off: false,
        shown: true,
      },
      days: [
        { day: "2027-03-13", last: "2027-03-15", text: "Ringing; bring boots, please" },
        { day: "1990-06-02", text: "Wren", yearly: true, counts: true },
        { day: "2027-05-01", text: "ä".repeat(80) },
      ],
    };
    const lines = writeIcs(calendar, { id: "j", name: "Tides", changedAt: "2026-12-01T12:00:00.000Z" }).split(
      "\r\n",
    );
    expect(lines).toEqual(
      expect.arrayContaining([
        "DTSTART;VALUE=DATE:20270313",
        "DTEND;VALUE=DATE:20270316",
        "SUMMARY:Ringing\\; bring boots\\, please",
      ]),
    );
    expect(lines).toEqual(
      expect.arrayContaining([
        "SUMMARY:Wren (1990)",
        "RRULE:FREQ=YEARLY",
        "DTSTAMP:20261201T120000Z",
        "CATEGORIES:Spit\\, days",
      ]),
    );
    for (const line of lines) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
  });
});
