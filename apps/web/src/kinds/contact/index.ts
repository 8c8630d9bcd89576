import type { Panels } from "../panel.tsx";
import { drawn, type LittleCell } from "../picture.tsx";
import { BreaksPanel, GridPanel, HeadAndFootPanel } from "./ContactPanels.tsx";

export const panels = {
  grid: { title: "How the sheet is divided", Panel: GridPanel, wide: true },
  breaks: { title: "Sections", Panel: BreaksPanel },
  headAndFoot: { title: "Headline and foot line", Panel: HeadAndFootPanel, wide: true },
} satisfies Panels;

export const Picture = drawn(
  [12, 27, 42, 57, 72].flatMap((x) => [10, 25, 40].map((y): LittleCell => [x, y, 12, 9])),
);
