import { describe, expect, it } from "vitest";
import { NO_EDGES } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { printerOfJob, PRINTERS } from "../../catalogue/printer/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import { withoutPhotos } from "../../edit/pattern/index.ts";
import type { CaptionStyle } from "../../finish/words/index.ts";
import type { Job } from "../../job/index.ts";
import { EVERY_PHOTO } from "../../job/stash/index.ts";
import { freshJob, type Kind } from "../../kinds/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check, toCheck } from "./index.ts";

const photos = {
  good: { width: 4200, height: 5400 },
  small: { width: 300, height: 380 },
  medium: { width: 350, height: 450 },
  lying: { width: 6000, height: 4000 },
};
const job = (photo?: keyof typeof photos): Job => {
  const fresh = freshJob("copies", "Check");
  return photo
    ? applyEdit(fresh, { do: "add photos", photos: [{ id: photo, name: `${photo}.jpg` }] })
    : fresh;
};
const findings = (of: Job) => toCheck(check(of, photos, arrange(of, photos)));
const rules = (of: Job) => findings(of).map(({ rule }) => rule);
const mended = (of: Job, rule: string) => {
  const mend = findings(of).find((finding) => finding.rule === rule)?.mend;
  if (!mend) throw new Error(`nothing mends ${rule}`);
  return rules(applyEdit(of, mend.edit));
};

describe("check", () => {
  it("finds nothing wrong with a good photo, and says how exact the sizes are", () => {
    expect(rules(job("good"))).toEqual([]);
    const right = check(job("good"), photos, arrange(job("good"), photos));
    // 35 mm are 413.39 px at 300 ppi: 413 is off by 0.39 px or 0.033 mm, 414 by 0.052 mm
    expect(right[0]).toMatchObject({
      level: "right",
      sentence: expect.stringContaining("All 8 sizes are exact to the pixel"),
    });
    expect(right[0]!.sentence).toMatch(/0\.0[3-6]/);
  });

  it("finds empty cells, and mends them with the first photo", () => {
    expect(findings(job())).toMatchObject([
      { rule: "empty-cell", cells: ["1", "2", "3", "4", "5", "6", "7", "8"] },
    ]);
    // Shot 9 would show the ninth photo, and there is one.
    const cells = ["1", "2", "3", "4", "5", "6", "7", "8"];
    const emptied = applyEdit(job("good"), { do: "share shot", cells, shot: "9" });
    expect(mended(emptied, "empty-cell")).toEqual([]);
  });

  it("finds a photo whose file is gone", () => {
    expect(rules(applyEdit(job("good"), { do: "shot", shot: "1", change: { photo: "gone" } }))).toEqual([
      "missing-photo",
      // The one that was in all cells is in none of them any more.
      "photo-on-no-sheet",
    ]);
  });

  it("tells every photo that is on no sheet, once, with a way to get it there", () => {
    const three = ["good", "medium", "lying"].map((id) => ({
      id,
      name: `${id}.jpg`,
      stars: id === "good" ? 5 : 0,
    }));
    const of = (kind: Kind, ...edits: JobEdit[]) =>
      [{ do: "add photos", photos: three } as JobEdit, ...edits].reduce(applyEdit, freshJob(kind, "Check"));
    const told = (one: Job) =>
      findings(one)
        .filter(({ rule }) => rule.endsWith("-photo") || rule.startsWith("photo-"))
        .map(({ rule, level, sentence }) => [rule, level, sentence.split(".jpg").length - 1, sentence]);
    // One photo is printed, two are not.
    expect(told(of("copies"))).toEqual([
      [
        "photo-on-no-sheet",
        "look",
        2,
        expect.stringMatching(/^medium\.jpg and lying\.jpg are on no sheet\. This/),
      ],
    ]);
    expect(told(of("contact"))).toEqual([]);
    const best = of("contact", { do: "pick", change: { stars: 4 } });
    expect(told(best)).toEqual([
      [
        "filtered-photo",
        "look",
        2,
        "medium.jpg and lying.jpg are on no sheet, because the job shows photos with at least 4 stars alone.",
      ],
    ]);
    expect(mended(best, "filtered-photo")).not.toContain("filtered-photo");
    // Nothing is left: that is no want of room on the paper.
    const none = of("contact", { do: "pick", change: { tag: "album", folder: "" } });
    expect(rules(none)).toContain("filtered-photo");
    expect(rules(none)).not.toContain("nothing-fits");
    expect(told(none)[0]!.slice(0, 3)).toEqual(["filtered-photo", "wrong", 3]);
    const grid = of("collage", {
      do: "ticket",
      change: { way: "grid", columns: 1, rows: 2, sheets: "one" },
    });
    expect(told(grid)).toEqual([
      ["photo-on-no-sheet", "look", 1, expect.stringMatching(/^lying\.jpg is on no sheet\. Every cell/)],
    ]);
    expect(mended(grid, "photo-on-no-sheet")).not.toContain("photo-on-no-sheet");
    // Three are named, the others counted, as one counts.
    for (const [count, others] of [
      [5, "1 more photo"],
      [25, "21 more photos"],
    ] as const) {
      const photos = Array.from({ length: count }, (_, i) => ({ id: `p${i}`, name: `p${i}.jpg` }));
      const many = applyEdit(freshJob("copies", "Check"), { do: "add photos", photos });
      const finding = findings(many).find(({ rule }) => rule === "photo-on-no-sheet");
      expect(finding?.sentence).toContain(`p1.jpg, p2.jpg, p3.jpg and ${others} are on no sheet.`);
    }
    // The next client's photos have other stars.
    expect(withoutPhotos(best).pick).toEqual(EVERY_PHOTO);
  });

  it("says of a list of nobody nothing about paper", () => {
    expect(rules(freshJob("portraits", "Check"))).not.toContain("nothing-fits");
  });

  it("finds photos under 200 ppi and those that are enlarged", () => {
    // 300 px on 35 mm are 217.7 ppi; 380 px on 45 mm are 214.5: enlarged. At twice the size 109 ppi: soft.
    expect(rules(job("small"))).toEqual(["upscaled"]);
    const twice = applyEdit(job("small"), { do: "shot", shot: "1", change: { scale: 2 } });
    expect(rules(twice)).toEqual(["low-ppi", "crop-loss"]);
    expect(mended(twice, "low-ppi")).toEqual(["upscaled"]);
    // 350 px on 35 mm are 254 ppi; the mend writes at 250
    expect(mended(job("medium"), "upscaled")).toEqual([]);
  });

  it("finds crops of more than 15 %, and turns the photo where that helps", () => {
    expect(rules(job("lying"))).toEqual(["crop-loss"]); // 48 % lost, 14 % when turned
    expect(mended(job("lying"), "crop-loss")).toEqual([]);
  });

  it("never turns a head, nor what lies in a strip", () => {
    const label = (of: Job) => findings(of).find(({ rule }) => rule === "crop-loss")?.mend?.label;
    expect(label(job("lying"))).toBe("Turn the photo");
    const eye = (x: number) => ({ x, y: 0.5 });
    const face = {
      crown: eye(0.5),
      skull: null,
      chin: { x: 0.5, y: 0.8 },
      leftEye: eye(0.4),
      rightEye: eye(0.6),
      ears: null,
      sure: true,
      pose: null,
    };
    const head = { ...job("lying"), heads: { lying: [face] } };
    expect(label(head)).toBe("Show the whole photo");
    const turned = arrange(applyEdit(head, { do: "turn to suit" }), photos);
    expect(turned[0]!.cells[0]!.picture!.turn).toBe(0);
    // 20 × 60 mm: a strip in which the lying photo loses much, and would lose less if it were turned.
    const strip = applyEdit(job("lying"), {
      do: "ticket",
      change: { size: { width: mm(20), height: mm(60) } },
    });
    expect(label(strip)).toBe("Show the whole photo");
  });

  it("finds cells outside the printable area, with the paper turned and its edges with it", () => {
    const inkjet = PRINTERS.find(({ id }) => id === "inkjet-glossy")!;
    const on = applyEdit(job("good"), { do: "target", change: { printer: printerOfJob(inkjet) } });
    // Upright 3 / 3.4 / 12.5 / 3.4 mm; on its side the 12.5 mm are at the left, where cells begin at 3.2 mm.
    expect(findings(on)[0]).toMatchObject({ rule: "outside-printable", level: "wrong", cells: ["1", "5"] });
    expect(findings(on)[0]!.sentence).toContain("9.3\u00a0mm");
    expect(mended(on, "outside-printable")).toEqual([]);
  });

  it("finds cells nearer to the edge than a lab may cut", () => {
    const close = applyEdit(job("good"), { do: "ticket", change: { place: "top left" } });
    expect(rules(close)).toEqual(["may-be-lost"]);
    expect(mended(close, "may-be-lost")).toEqual([]);
  });

  it("finds pieces larger than the paper and names the smallest paper that takes them", () => {
    const large = applyEdit(job("good"), {
      do: "ticket",
      change: { size: { width: mm(200), height: mm(280) } },
    });
    expect(arrange(large, photos)).toEqual([]);
    expect(findings(large)[0]).toMatchObject({
      rule: "nothing-fits",
      mend: { label: "Take 20 × 30 cm paper" },
    });
    expect(mended(large, "nothing-fits")).not.toContain("nothing-fits");
    const wall = applyEdit(large, { do: "ticket", change: { size: { width: mm(2000), height: mm(2800) } } });
    expect(findings(wall)[0]!.mend).toBeUndefined();
  });

  it("finds slack that runs into the neighbour", () => {
    const slack = applyEdit(job("good"), { do: "finish", change: { slack: mm(1.5) } });
    expect(rules(slack)).toContain("slack-in-gap");
    expect(mended(slack, "slack-in-gap")).not.toContain("slack-in-gap");
  });

  it("finds files with more pixels than can be written", () => {
    const paper = { name: "Wall", width: mm(3000), height: mm(2000) };
    const wide = applyEdit(job("good"), { do: "sheet", change: { paper, margins: NO_EDGES } });
    const huge = applyEdit(wide, { do: "target", change: { ppi: 600 } });
    expect(rules(huge)).toContain("too-many-pixels");
    expect(mended(huge, "too-many-pixels")).not.toContain("too-many-pixels");
  });

  const all = ["good", "small", "medium", "lying"] as const;
  const everything = (kind: Kind): Job =>
    applyEdit(freshJob(kind, "Check"), {
      do: "add photos",
      photos: all.map((id) => ({ id, name: `${id}.jpg` })),
    });

  it("says once what is the matter with many photos, and turns those that it helps", () => {
    const more = { ...photos, l2: photos.lying, l3: photos.lying, l4: photos.lying };
    const ids = ["lying", "l2", "l3", "l4"];
    let proofs = freshJob("collage", "Check");
    proofs = applyEdit(proofs, { do: "ticket", change: { way: "grid", columns: 2, rows: 2 } });
    proofs = applyEdit(proofs, { do: "sheet", change: { lie: "portrait" } });
    proofs = applyEdit(proofs, { do: "add photos", photos: ids.map((id) => ({ id, name: `${id}.jpg` })) });
    const found = (of: Job) =>
      toCheck(check(of, more, arrange(of, more))).filter(({ rule }) => rule === "crop-loss");
    expect(found(proofs)).toHaveLength(1);
    expect(found(proofs)[0]).toMatchObject({
      cells: ["1.1", "1.2", "1.3", "1.4"],
      mend: { label: "Turn photos where it helps" },
    });
    expect(found(applyEdit(proofs, found(proofs)[0]!.mend!.edit))).toEqual([]);
  });

  it("finds pieces that lie on none of the papers", () => {
    const pieces = [
      { shot: 1, width: mm(400), height: mm(20), quantity: 3, mayTurn: true, photo: null, order: 1 },
    ];
    const mixed = applyEdit(everything("mixed"), { do: "ticket", change: { pieces } });
    expect(findings(mixed)[0]).toMatchObject({ rule: "nothing-fits" });
    const some = [
      ...pieces,
      { shot: 2, width: mm(40), height: mm(50), quantity: 1, mayTurn: true, photo: null, order: 1 },
    ];
    const rest = applyEdit(mixed, { do: "ticket", change: { pieces: some } });
    expect(findings(rest)[0]!.sentence).toMatch(/^3 pieces fit on none of the papers/);
  });

  it("finds a collage that crops what was not to be cropped, and looks for another arrangement", () => {
    // Three photos, one of them twice as wide as high, in one row on upright paper: far from what they are.
    const held = applyEdit(everything("collage"), { do: "ticket", change: { arrangement: "x 0 x 1 x 2 3" } });
    const crop = findings(held).find(({ rule }) => rule === "collage-crop")!;
    expect(crop.sentence).toMatch(/crops \d+\.\d % of every photo/);
    expect(applyEdit(held, crop.mend!.edit).ticket).toMatchObject({ arrangement: null });
  });

  it("finds cells that hang over the paper's edge", () => {
    const place = {
      sheet: "1",
      x: mm(-4),
      y: mm(20),
      width: mm(30),
      height: mm(30),
      angle: 0,
      order: 0,
      locked: false,
      proportion: false,
    };
    const over = applyEdit(everything("free"), { do: "add cells", cells: [{ place, photo: "good" }] });
    expect(findings(over)[0]).toMatchObject({ rule: "outside-printable", cells: ["o1"] });
    expect(findings(over)[0]!.sentence).toMatch(/^One cell reaches up to 4.mm over the paper’s edge/);
    expect(findings(over)[0]!.mend).toBeUndefined();
  });

  it("counts what a printer loses by enlarging the page by 4 %", () => {
    const enlarged = applyEdit(job("good"), { do: "target", change: { enlarged: 4 } });
    // (1 − 1/1.04)/2 = 1.923 %: 2.93 mm of 152.4 and 1.95 of 101.6, where the lab's own 2 mm are more
    expect(arrange(enlarged, photos)[0]!.mayLose).toEqual({
      top: 2000,
      right: 2931,
      bottom: 2000,
      left: 2931,
    });
  });
});

describe("words", () => {
  const wearing = (text: string, change: Partial<CaptionStyle> = {}): Job =>
    applyEdit(job("good"), {
      do: "style",
      change: {
        caption: {
          text,
          type: { font: "hanken", size: mm(3), least: mm(2), colour: "#000000", align: "middle" },
          place: "foot",
          lines: 1,
          ...change,
        },
      },
    });

  it("that a font has no shape for are found, with a font that has them", () => {
    expect(rules(wearing("Strandläufer"))).toEqual([]);
    const cyrillic = wearing("Чайка", {
      type: { font: "josefin", size: mm(3), least: mm(2), colour: "#000000", align: "middle" },
    });
    expect(findings(cyrillic)[0]!.sentence).toMatch(/^Josefin Sans has no shape for Ч а й к/);
    expect(mended(cyrillic, "missing-signs")).toEqual([]);
    expect(mended(wearing("שלום"), "missing-signs")).toEqual([]);
    // Nothing that ships has Thai.
    const thai = findings(wearing("มีนาคม"))[0]!;
    expect([thai.level, thai.mend]).toEqual(["wrong", undefined]);
  });

  it("that do not fit, and fields that do not exist, are found", () => {
    expect(rules(wearing("word ".repeat(40)))).toEqual(["words-cut"]);
    expect(rules(wearing("[nmae]"))).toEqual(["unknown-field"]);
  });

  it("whose letters are hard to read on paper, or have no pixels to be letters of, are found", () => {
    const type = (size: number) => ({
      type: {
        font: "hanken" as const,
        size: um(size),
        least: um(size),
        colour: "#000000",
        align: "middle" as const,
      },
    });
    expect(rules(wearing("Gull", type(1400)))).toEqual([]);
    const small = findings(wearing("Gull", type(1200)))[0]!;
    expect([small.rule, small.level, small.cells.length > 0]).toEqual(["words-small", "look", true]);
    expect(small.sentence).toMatch(/^Letters are down to 1\.2\u00a0mm high and hard to read on paper/);
    // 2 mm at 100 ppi are 7.9 pixels; at 150 they are 11.8.
    const coarse = (ppi: number) => applyEdit(wearing("Gull", type(2000)), { do: "target", change: { ppi } });
    expect(findings(coarse(100)).find(({ rule }) => rule === "words-small")?.sentence).toMatch(/of 7 pixels/);
    expect(rules(coarse(150))).not.toContain("words-small");
  });

  it("under cells that lie over the next piece are found, and room is made for them", () => {
    const close = applyEdit(wearing("[name]", { place: "under" }), { do: "ticket", change: { gap: mm(1) } });
    expect(rules(close)).toContain("words-over-neighbour");
    // 0.6 mm away and 1.25 · 3 mm high: 4.35 mm, to the next half millimetre.
    expect(findings(close).find(({ rule }) => rule === "words-over-neighbour")!.mend!.label).toContain("4.5");
    expect(mended(close, "words-over-neighbour")).not.toContain("words-over-neighbour");
  });
});

describe("the way out", () => {
  const ruleOf = (of: Job, rule: string) => findings(of).find((finding) => finding.rule === rule);

  it("finds outlines and marks that are too thin to print, and thickens them", () => {
    // A quarter of a point is 25.4 / 72 / 4 = 0.088 mm.
    const thin = applyEdit(job("good"), {
      do: "finish",
      change: { outline: { width: um(60), colour: "#9a9a9a" } },
    });
    expect(ruleOf(thin, "hairline")!.sentence).toMatch(/^The outline is 0\.06\u00a0mm wide/);
    expect(mended(thin, "hairline")).not.toContain("hairline");
    const fine = applyEdit(thin, {
      do: "finish",
      change: { outline: { width: um(100), colour: "#9a9a9a" } },
    });
    expect(rules(fine)).not.toContain("hairline");
  });

  it("finds pages that a printer of one page size would scale, and mends it where a ppi does", () => {
    const event = { ...printerOfJob(PRINTERS[0]!), name: "Booth", pixels: { width: 1240, height: 1860 } };
    const on = applyEdit(job("good"), { do: "target", change: { printer: event } });
    // 4 in at 310 ppi are 1240 px, 6 in are 1860; the sheet lies, so the page does too.
    expect(ruleOf(on, "page-pixels")!.sentence).toContain("takes pages of 1860 × 1240 px");
    expect(ruleOf(on, "page-pixels")!.mend!.label).toBe("Write at 310 ppi");
    expect(mended(on, "page-pixels")).not.toContain("page-pixels");
    const odd = { ...event, pixels: { width: 1240, height: 1844 } };
    const other = applyEdit(job("good"), { do: "target", change: { printer: odd } });
    expect(ruleOf(other, "page-pixels")!.mend).toBeUndefined();
  });

  it("finds a poor JPEG, and sharpening for no medium", () => {
    const { file } = job("good").target;
    const poor = applyEdit(job("good"), { do: "target", change: { file: { ...file, quality: 40 } } });
    expect(mended(poor, "poor-jpeg")).not.toContain("poor-jpeg");
    const sharp = applyEdit(job("good"), { do: "style", change: { sharpening: "normal" } });
    expect(rules(sharp)).toEqual([]);
    const none = applyEdit(sharp, { do: "target", change: { medium: "none" } });
    expect(mended(none, "unsharpened")).not.toContain("unsharpened");
  });

  it("says that sizes are corrected for a printer that was measured", () => {
    const short = { ...printerOfJob(PRINTERS[0]!), scale: { across: 0.99, down: 1.015 } };
    const on = applyEdit(job("good"), { do: "target", change: { printer: short } });
    const said = check(on, photos, arrange(on, photos)).find(({ rule }) => rule === "true-size");
    expect(said).toMatchObject({ level: "right", sentence: expect.stringContaining("99.00") });
  });
});
