export { cutMarks } from "./cutMarks.ts";
