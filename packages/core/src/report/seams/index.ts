export { headsBetween, seamsOf, type Seams, type SeamsAlong } from "./seams.ts";
