import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { WayPanel } from "./WayPanel.tsx";

export const panels = {
  way: { title: "How the sheet is divided", Panel: WayPanel, wide: true },
} satisfies Panels;

export const Picture = drawn([
  [12, 9, 34, 22],
  [48, 9, 14, 22],
  [64, 9, 20, 22],
  [12, 33, 20, 22],
  [34, 33, 50, 22],
]);
