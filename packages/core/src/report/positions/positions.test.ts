import { describe, expect, it } from "vitest";
import { chance } from "../../base/chance.ts";
import { mm, um } from "../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import type { Job, Place } from "../../job/index.ts";
import { freshJob } from "../../kinds/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { CORNERS, fillPositions, positionsCsv, readPositions, type Counting } from "./index.ts";

const USUAL: Counting = { unit: "mm", ppi: 300, corner: "top left" };
const make = (edits: JobEdit[]): Job => edits.reduce(applyEdit, freshJob("free", "Layout"));
const at = (x: number, y: number, width: number, height: number, angle = 0): Place => ({
  ...{ sheet: "1", x: um(x), y: um(y), width: um(width), height: um(height), angle },
  ...{ order: 0, locked: false, proportion: false },
});
const adding = (...places: Place[]): JobEdit => ({
  do: "add cells",
  cells: places.map((place) => ({ place, photo: null })),
});
/** Two cells on a page of 100 × 150 mm, the second tilted. */
const two = make([
  { do: "sheet", change: { paper: { name: "card", width: mm(100), height: mm(150) }, lie: "portrait" } },
  adding(at(10_000, 20_000, 30_000, 40_000), at(50_000, 90_000, 35_000, 45_000, 12.5)),
]);
const read = (text: string, job = two, usual = USUAL) => readPositions(text, job, arrange(job, {}), usual);
const where = (job: Job) =>
  arrange(job, {}).flatMap(({ cells }) =>
    cells.map(({ number, finished: { x, y, width, height }, angle }) => [number, x, y, width, height, angle]),
  );

describe("a table of positions", () => {
  it("is written from any corner in any unit, by hand: the first cell ends 60 mm from the right, 90 mm from the foot", () => {
    const line = (counting: Partial<Counting>) =>
      positionsCsv(arrange(two, {}), { ...USUAL, ...counting })
        .split("\r\n")[1]!
        .split(",")
        .slice(3);
    expect(line({})).toEqual(["10", "20", "30", "40", "0", "mm", "", "top left"]);
    expect(line({ corner: "bottom right" })).toEqual(["60", "90", "30", "40", "0", "mm", "", "bottom right"]);
    // 10 mm are 0.393 701 in, and 118.1102 px at 300 ppi.
    expect(line({ unit: "in" }).slice(0, 2)).toEqual(["0.393701", "0.787402"]);
    expect(line({ unit: "px" })).toEqual([
      "118.1102",
      "236.2205",
      "354.3307",
      "472.4409",
      "0",
      "px",
      "300",
      "top left",
    ]);
  });

  it("changes nothing when it is read back: a thousand cells, every unit, every corner", () => {
    const random = chance(3);
    for (const unit of ["mm", "cm", "in", "pt", "px"] as const) {
      for (const corner of CORNERS) {
        const cells = Array.from({ length: 50 }, () => {
          const any = (least: number, most: number) => Math.round(least + random() * (most - least));
          return at(
            any(-5000, 90_000),
            any(-5000, 140_000),
            any(3000, 60_000),
            any(3000, 60_000),
            any(-180, 180),
          );
        });
        const job = make([{ do: "sheet", change: two.sheet }, adding(...cells)]);
        const counting = { unit, corner, ppi: 347 };
        const back = read(positionsCsv(arrange(job, {}), counting), job, USUAL);
        expect([back.edits, back.problems, back.lines]).toEqual([[], [], 50]);
      }
    }
  });

  it("brings cells where it has them, to the micrometre, and adds those that it has more", () => {
    const text = "page,cell,x,y,width,height,tilt\n1,1,12.345,20,30,40,-3\n1,3,5,5,20,20,0\n";
    const { edits, moved, added, problems } = read(text);
    expect([moved, added, problems]).toEqual([1, 1, []]);
    const done = edits.reduce(applyEdit, two);
    expect(where(done)).toEqual([
      [1, 12_345, 20_000, 30_000, 40_000, -3],
      [2, 50_000, 90_000, 35_000, 45_000, 12.5],
      [3, 5000, 5000, 20_000, 20_000, 0],
    ]);
  });

  it("is read as other programs write it: headings of their own, left and right, units in the heading, commas", () => {
    const wanted = [
      [1, 10_000, 20_000, 30_000, 40_000, 0],
      [2, 50_000, 90_000, 35_000, 45_000, 0],
    ];
    const straight = make([
      { do: "sheet", change: two.sheet },
      adding(at(0, 0, 9000, 9000), at(0, 0, 9000, 9000)),
    ]);
    for (const text of [
      "Slot;Links;Oben;Breite;Höhe\n1;10,0;20,0;30,0;40,0\n2;50;90;35;45\n",
      "left\ttop\tright\tbottom\n10\t20\t40\t60\n50\t90\t85\t135\n",
      "Photo,X (cm),Y (cm),W (cm),H (cm),Rotation\nwindow 1,1,2,3,4,0\nwindow 2,5,9,3.5,4.5,0\n",
      "id,x,y,w,h,units,dpi\n1,100,200,300,400,px,254\n2,500,900,350,450,px,254\n",
      "slot,x,y,width,height,origin\n1,10,90,30,40,bottom-left\n2,50,15,35,45,bottom left\n",
    ]) {
      const { edits, problems } = read(text, straight, { ...USUAL, ppi: 254 });
      expect(problems).toEqual([]);
      const found = where(edits.reduce(applyEdit, straight));
      expect(found).toEqual(wanted);
    }
  });
});

describe("a table with faults", () => {
  const HEAD = "page,cell,x,y,width,height,tilt,unit,ppi,from";
  // Each with a line that is right before and after it: that one is read.
  it.each([
    ["1,2,,90,35,45,0,mm,,", /Line 3: x is missing/],
    ["1,2,50,,35,45,0,mm,,", /Line 3: y is missing/],
    ["1,2,50,90,,45,0,mm,,", /Line 3: width is missing/],
    ["1,2,50,90,35,,0,mm,,", /Line 3: height is missing/],
    ["1,2,abc,90,35,45,0,mm,,", /“abc” is no figure for x/],
    ["1,2,50mm,90,35,45,0,mm,,", /“50mm” is no figure for x. Write it without its unit/],
    ["1,2,1e3,90,35,45,0,mm,,", /“1e3” is no figure for x/],
    ["1,2,50,90,0,45,0,mm,,", /a width of 0 mm is not from 3 to 3000 mm/],
    ["1,2,50,90,-35,45,0,mm,,", /a width of -35 mm is not from 3/],
    ["1,2,50,90,35,2,0,mm,,", /a height of 2 mm is not from 3/],
    ["1,2,50,90,35000,45,0,mm,,", /a width of 35000 mm is not from 3 to 3000 mm. Is the unit right/],
    ["1,2,50000,90,35,45,0,mm,,", /x lies 50000 mm from the page’s corner/],
    ["1,2,50,-90000,35,45,0,mm,,", /y lies -90000 mm from the page’s corner/],
    ["1,2,50,90,35,45,200,mm,,", /a tilt of 200° is not from/],
    ["1,2,50,90,35,45,up,mm,,", /“up” is no figure for tilt/],
    ["1,2,50,90,35,45,0,furlong,,", /“furlong” is no unit. It may be mm, cm, in, pt, px/],
    ["1,2,50,90,35,45,0,px,0,", /0 ppi is not from 36 to 2400/],
    ["1,2,50,90,35,45,0,px,99999,", /99999 ppi is not from/],
    ["1,2,50,90,35,45,0,mm,,middle", /“middle” is no corner. It may be top left/],
    ["2,2,50,90,35,45,0,mm,,", /there is no page 2: this job has 1/],
    ["0,2,50,90,35,45,0,mm,,", /“0” is no number of a page/],
    ["1.5,2,50,90,35,45,0,mm,,", /“1.5” is no number of a page/],
    ["-1,2,50,90,35,45,0,mm,,", /“-1” is no number of a page/],
    ["1,1,50,90,35,45,0,mm,,", /cell 1 of page 1 is in line 2 already/],
    ["1,2,50,90,35,45,0,mm,,,,,extra", /Line 3 has more cells than there are headings/],
    ['1,2,"50,90,35,45,0,mm,,', /Line 3 has a quotation mark/],
  ])("%s", (line, why) => {
    const { problems, lines } = read(`${HEAD}\n1,1,10,20,30,40,0,mm,,\n${line}\n1,4,1,1,9,9,0,mm,,\n`);
    expect(problems.join(" ")).toMatch(why);
    expect(lines).toBeGreaterThanOrEqual(2);
  });

  it.each([
    ["", /No columns for where cells are/],
    ["page,cell,name\n1,1,x\n", /No columns for where cells are/],
    ["x,y\n1,2\n", /No columns for where cells are/],
    ["x;y;width\n1;2;3\n", /No columns for where cells are/],
  ])("none at all: %j", (text, why) => {
    const { problems, edits } = read(text);
    expect(problems.join(" ")).toMatch(why);
    expect(edits).toEqual([]);
  });

  it("has so many lines at most, and says so", () => {
    const many = Array.from({ length: 2003 }, (_, i) => `${i + 1},1,1,9,9`).join("\n");
    const { problems, added } = read(`cell,x,y,width,height\n${many}\n`);
    expect(problems).toEqual(["The table has 2003 lines; the first 2000 were read."]);
    expect(added).toBe(1998);
  });
});

describe("a table of one’s own that is filled in", () => {
  const fill = (text: string) => fillPositions(text, arrange(two, {}), USUAL);

  it("keeps its headings, their order, its own columns and what parts them; figures are in its own unit", () => {
    const table = [
      '"Frame colour";"Nr";"Links (cm)";"Oben (cm)";"Breite (cm)";"Höhe (cm)";"Winkel";"Note"',
      'red;2;1,5;2;3;4;0;"by the door; left"',
      "blue;1;0;0;1;1;0;",
    ].join("\n");
    // Cell 2 is at 50 and 90 mm, 35 × 45 mm, tilted by 12.5°; cell 1 at 10 and 20 mm, 30 × 40 mm.
    expect(fill(table)).toEqual({
      csv: [
        "Frame colour;Nr;Links (cm);Oben (cm);Breite (cm);Höhe (cm);Winkel;Note",
        'red;2;5;9;3,5;4,5;12,5;"by the door; left"',
        "blue;1;1;2;3;4;0;",
        "",
      ].join("\r\n"),
      filled: 2,
      more: 0,
      problems: [],
    });
  });

  it("counts as each line says, and gets a line for every cell that it has none for", () => {
    const table = "id,left,top,right,bottom,unit,ppi,origin,who\nwindow 2,,,,,px,254,bottom right,Ida\n";
    // At 254 ppi a pixel is 0.1 mm: from the right 100 − 85 = 15 mm, from the foot 150 − 135 = 15 mm.
    const { csv, filled, more } = fill(table);
    expect([csv.split("\r\n").slice(1), filled, more]).toEqual([
      ["window 2,150,150,500,600,px,254,bottom right,Ida", "1,600,900,900,1300,px,254,bottom right,", ""],
      1,
      1,
    ]);
  });

  it("comes back the same, and leaves lines as they are that are of no cell, told by their number", () => {
    const table = "no,x,y,width,height,label\n1,0,0,5,5,a\n7,1,2,3,4,b\n2,0,0,5,5,c\n";
    const { csv, problems } = fill(table);
    expect(csv.split("\r\n")[2]).toBe("7,1,2,3,4,b");
    expect(problems).toEqual(["Line 3: there is no cell 7 on page 1, so it is left as it is."]);
    expect(read(csv.replace(/7,.*\r\n/, ""))).toMatchObject({ moved: 0, added: 0, lines: 2 });
    expect(fill("who,what\n1,2\n")).toMatchObject({ filled: 0, csv: "who,what\n1,2\n" });
  });
});
