import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bottom, right } from "../../base/geometry/index.ts";
import { mm } from "../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import type { Job } from "../../job/index.ts";
import { readPhotoList } from "../../job/stash/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { outputFiles } from "../../report/output/index.ts";
import { freshJob, kindOf, layOut } from "../index.ts";

const COUNT = 400;
const stash = Array.from({ length: COUNT }, (_, i) => ({ id: `p${i}`, name: `IMG_${i + 1}.jpg` }));
/** Landscape and portrait in turn; taken backwards, eight to a day. */
const photos = Object.fromEntries(
  stash.map(({ id }, i) => [
    id,
    {
      width: i % 2 === 0 ? 300 : 200,
      height: i % 2 === 0 ? 200 : 300,
      exposure: { takenAt: `2026-09-${String(30 - (Math.floor(i / 8) % 30)).padStart(2, "0")}T10:00:00` },
    },
  ]),
);
const make = (...edits: JobEdit[]): Job =>
  [{ do: "add photos", photos: stash } as JobEdit, ...edits].reduce(applyEdit, freshJob("contact", "Autumn"));

const linesOf = (job: Job, sheet = 0) =>
  arrange(job, photos)[sheet]!.over.flatMap((ink) =>
    ink.kind === "text" ? ink.text.lines.map(({ text }) => text) : [],
  );

describe("a contact sheet", () => {
  it("shows 400 photos thirty to a sheet, numbered through, with headline and foot line", () => {
    const sheets = arrange(make(), photos);
    expect(sheets.map(({ cells }) => cells.length)).toEqual([...Array.from({ length: 13 }, () => 30), 10]);
    expect(linesOf(make(), 13)).toEqual(["Autumn", "Sheet 14 of 14"]);
    const [ink] = sheets[13]!.cells[9]!.over;
    expect(ink?.kind === "text" && ink.text.lines[0]!.text).toBe("400 · IMG_400");
  });

  it("is said in one sentence", () => {
    const job = make();
    const said = kindOf(job).say(job, { unit: "mm" }, layOut(job, photos).sums);
    expect(
      said
        .map(({ text }) => text)
        .join("")
        .replaceAll("\u00a0", " "),
    ).toBe(
      "Show 400 photos, in their order, in 5 columns and 6 rows on A4 paper, lying as it holds the most, without sections and two lines of text on each sheet, 2 mm apart inside 10 mm margins, with no marks to cut by, no outline and no slack, finished with words, for Lab, lustre at 300 ppi, a page to a sheet.",
    );
  });

  it("shows photos whole, inside the margins, over no other and over no words", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom("none" as const, "day" as const),
        (columns, rows, breaks) => {
          for (const { cells, paper, trim } of arrange(
            make({ do: "ticket", change: { columns, rows, breaks } }),
            photos,
          )) {
            for (const { finished, picture } of cells) {
              expect(picture!.loss).toBeLessThan(0.001);
              expect(finished.x).toBeGreaterThanOrEqual(trim.x + mm(10));
              expect(right(finished)).toBeLessThanOrEqual(paper.width - mm(10));
              expect(bottom(finished)).toBeLessThanOrEqual(paper.height - mm(10));
            }
            const words = cells.flatMap(({ over }) =>
              over.flatMap((ink) => (ink.kind === "text" ? [ink.text.box] : [])),
            );
            for (const box of words)
              for (const { finished } of cells) {
                const apart =
                  finished.x >= right(box) ||
                  right(finished) <= box.x ||
                  finished.y >= bottom(box) ||
                  bottom(finished) <= box.y;
                expect(apart).toBe(true);
              }
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  it("takes thumbnails of a size, as many as fit", () => {
    const { sums } = layOut(
      make({ do: "ticket", change: { by: "size", size: { width: mm(60), height: mm(40) } } }),
      photos,
    );
    // Upright: 190 mm take 3 of 60 and gaps of 2; lying: 277 mm take 4. Words take 0.8 + 2 · 1.25 · 2.2 = 6.3 mm; head and
    // foot 7.25 and 5.5 mm. Upright 264.25 / 48.3 → 5 rows; lying 177.25 / 48.3 → 3 rows. 15 beat 12.
    expect([sums.columns, sums.rows, sums.perSheet]).toEqual([3, 5, 15]);
  });

  it("is sorted and narrowed as the stash is", () => {
    const names = (job: Job) =>
      arrange(job, photos)
        .flatMap(({ cells }) => cells)
        .map(({ photo }) => stash.find(({ id }) => id === photo)!.name);
    expect(names(make({ do: "pick", change: { by: "name" } })).slice(0, 3)).toEqual([
      "IMG_1.jpg",
      "IMG_2.jpg",
      "IMG_3.jpg",
    ]);
    expect(names(make({ do: "pick", change: { by: "taken", down: false } }))[0]).toBe("IMG_233.jpg");
    const best = make(
      { do: "mark photos", photos: ["p4", "p9"], change: { stars: 5 } },
      { do: "tag photos", photos: ["p9"], tag: "album", on: true },
      { do: "pick", change: { stars: 3 } },
    );
    expect(names(best)).toEqual(["IMG_5.jpg", "IMG_10.jpg"]);
    expect(names(applyEdit(best, { do: "pick", change: { tag: "album" } }))).toEqual(["IMG_10.jpg"]);
  });

  it("begins a section for each day, numbered through, its heading never alone at a foot", () => {
    const job = make({ do: "pick", change: { by: "taken" } }, { do: "ticket", change: { breaks: "day" } });
    expect(linesOf(job)).toContain("1 September 2026");
    for (const sheet of arrange(job, photos)) {
      const lowest = Math.max(...sheet.cells.map(({ finished }) => bottom(finished)));
      const headings = sheet.over.flatMap((ink) =>
        ink.kind === "text" && / 2026$/.test(ink.text.lines[0]!.text) ? [ink.text.box.y] : [],
      );
      for (const y of headings) expect(y).toBeLessThan(lowest);
    }
  });

  it("keeps a crop with its photo when the order changes", () => {
    const cropped = make({ do: "shot", shot: "p5", change: { scale: 2 } });
    const sorted = applyEdit(cropped, { do: "pick", change: { by: "name", down: true } });
    const cell = arrange(sorted, photos)
      .flatMap(({ cells }) => cells)
      .find(({ shot }) => shot === "p5")!;
    expect([cell.photo, cell.sits.scale]).toEqual(["p4", 2]);
  });
});

describe("names of files", () => {
  const proofs = (...edits: JobEdit[]) =>
    [{ do: "add photos", photos: stash.slice(0, 3) } as JobEdit, ...edits].reduce(
      applyEdit,
      freshJob("single", "Proofs"),
    );
  const named = (naming: Partial<Parameters<typeof outputFiles>[3]>, job = proofs()) =>
    outputFiles(job, photos, arrange(job, photos), { pages: false, ...naming }).map(({ name }) => name);

  it("follow a rule, from a first number on", () => {
    expect(named({ rule: "[name]-[sheet, 3 digits]", start: 7 })).toEqual([
      "IMG_1-007",
      "IMG_2-008",
      "IMG_3-009",
    ]);
    expect(named({})).toEqual(["Proofs 01", "Proofs 02", "Proofs 03"]);
    expect(named({ rule: "[camera]" })).toEqual(["Proofs 01", "Proofs 02", "Proofs 03"]);
  });

  it("are one for all pages, or one each", () => {
    expect(named({ pages: true })).toEqual(["Proofs"]);
    expect(named({ pages: true, each: true, rule: "[name]" })).toEqual(["IMG_1", "IMG_2", "IMG_3"]);
  });
});

describe("a list of photos", () => {
  it("gives each photo named in it words of its own, whatever separates its columns", () => {
    const { list, columns, problems } = readPhotoList(
      "\ufeffPhoto;Title;Place\nimg_1.JPG;Herring gull;North hide\nIMG_2;Tern\nimg_999.jpg;None;x\n",
      stash,
    );
    expect(columns).toEqual(["Title", "Place"]);
    expect(list).toEqual({
      p0: { Title: "Herring gull", Place: "North hide" },
      p1: { Title: "Tern", Place: "" },
    });
    expect(problems).toEqual(["Line 4 was left out: there is no photo “img_999.jpg” in this job."]);
  });

  it("without a photo column goes by the order of the photos", () =>
    expect(readPhotoList("title\nOne\nTwo", stash).list).toEqual({
      p0: { title: "One" },
      p1: { title: "Two" },
    }));

  it("that is empty says what to write", () =>
    expect(readPhotoList("", stash).problems[0]).toContain("photo,title"));
});
