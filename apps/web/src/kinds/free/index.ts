import { drawn } from "../picture.tsx";

export const Picture = drawn([
  [14, 12, 28, 20],
  [36, 26, 30, 24],
  [70, 12, 14, 18],
]);
