/**
 * The computation of Wide Quilt: lengths, papers, layouts, crops, marks, checks and prices. Pure functions of plain
 * data; no DOM, no Node.js, no clock. The browser, the server and the shell all run this same code.
 */
export * from "./length/index.ts";
export * from "./geometry/index.ts";
export * from "./paper/index.ts";
export * from "./printer/index.ts";
export * from "./press/index.ts";
export * from "./job/index.ts";
export * from "./fit/index.ts";
export * from "./pack/index.ts";
export * from "./collage/index.ts";
export * from "./cut/index.ts";
export * from "./cuts/index.ts";
export * from "./slots/index.ts";
export * from "./crop/index.ts";
export * from "./photo/index.ts";
export * from "./rules/index.ts";
export * from "./portrait/index.ts";
export * from "./backdrop/index.ts";
export * from "./cutout/index.ts";
export * from "./words/index.ts";
export * from "./look/index.ts";
export * from "./style/index.ts";
export * from "./graphics/index.ts";
export * from "./blocks/index.ts";
export * from "./stash/index.ts";
export * from "./kinds/index.ts";
export * from "./edit/index.ts";
export * from "./plan/index.ts";
export * from "./people/index.ts";
export * from "./output/index.ts";
export { arrange } from "./plan/arrange.ts";
export * from "./marks/index.ts";
export * from "./impose/index.ts";
export * from "./check/index.ts";
export * from "./price/index.ts";
export * from "./sums/index.ts";
export * from "./pattern/index.ts";
export * from "./placing/index.ts";
export { chance } from "./chance.ts";
