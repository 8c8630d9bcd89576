/**
 * The computation of Wide Quilt: lengths, papers, layouts, crops, marks, checks and prices. Pure functions of plain
 * data; no DOM, no Node.js, no clock. The browser, the server and the shell all run this same code.
 *
 * Fourteen rooms, one above the other; a room imports from those below it alone, and the lint says so.
 */

// camera: what somebody before it should do next, and when it takes the picture
export * from "./camera/index.ts";

// event: an event that runs by itself, as what happened at it
export * from "./event/index.ts";

// report: findings, sums, prices, people, cut plans and names of files
export * from "./report/check/index.ts";
export * from "./report/cuts/index.ts";
export * from "./report/output/index.ts";
export * from "./report/people/index.ts";
export * from "./report/positions/index.ts";
export * from "./report/papers/index.ts";
export * from "./report/price/index.ts";
export * from "./report/seams/index.ts";
export * from "./report/sums/index.ts";

// edit: changes as plain data, undo, patterns
export * from "./edit/index.ts";
export * from "./edit/pattern/index.ts";

// impose: pages onto the sheets that the printer takes, true to its scale
export * from "./impose/index.ts";

// plan: pages with everything decided, ready to be painted
export * from "./plan/index.ts";
export { arrange } from "./plan/arrange.ts";

// kinds: a folder a kind of job, its ticket, its layout and its words
export * from "./kinds/index.ts";

// job: the job file, made of everyone’s parts
export * from "./job/index.ts";
export * from "./job/stash/index.ts";

// finish: words, graphics, style, blocks, marks
export * from "./finish/blocks/index.ts";
export * from "./finish/graphics/index.ts";
export * from "./finish/marks/index.ts";
export * from "./finish/shapes/index.ts";
export * from "./finish/style/index.ts";
export * from "./finish/words/index.ts";

// photo: crop, look, portrait, cut-out
export * from "./photo/backdrop/index.ts";
export * from "./photo/crop/index.ts";
export * from "./photo/cutout/index.ts";
export * from "./photo/heads/index.ts";
export * from "./photo/light/index.ts";
export * from "./photo/look/index.ts";
export * from "./photo/portrait/index.ts";
export * from "./photo/record/index.ts";

// solve: fitting, packing, collages, cuts, snapping: plain data in, plain data out
export * from "./solve/collage/index.ts";
export * from "./solve/cut/index.ts";
export * from "./solve/fit/index.ts";
export * from "./solve/pack/index.ts";
export * from "./solve/panels/index.ts";
export * from "./solve/placing/index.ts";
export * from "./solve/slots/index.ts";
export * from "./solve/tiles/index.ts";
export * from "./solve/windows/index.ts";

// calendar: names, weeks and days that mean something
export * from "./calendar/index.ts";

// catalogue: papers, printers, document rules, what files and inks there are
export * from "./catalogue/paper/index.ts";
export * from "./catalogue/press/index.ts";
export * from "./catalogue/printer/index.ts";
export * from "./catalogue/rules/index.ts";

// schema: names, limits and the small parts that every schema is made of
export * from "./schema/index.ts";

// base: lengths, geometry, days, chance
export * from "./base/day/index.ts";
export * from "./base/length/index.ts";
export * from "./base/geometry/index.ts";
export { ppiSeenFrom, sharpFrom, writeAway } from "./base/sight.ts";
export { listed } from "./base/listed.ts";
export { chance } from "./base/chance.ts";
