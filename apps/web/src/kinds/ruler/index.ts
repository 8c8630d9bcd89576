import { drawn } from "../picture.tsx";

export const Picture = drawn([
  [14, 20, 68, 1.5],
  [14, 15, 1.5, 10],
  [80.5, 15, 1.5, 10],
  [30, 9, 1.5, 46],
  [26, 9, 9, 1.5],
  [26, 53.5, 9, 1.5],
]);
