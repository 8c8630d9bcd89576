export { sums, type Sums } from "./sums.ts";
