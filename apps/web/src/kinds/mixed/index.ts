import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { AimPanel, CutsPanel } from "./AimPanel.tsx";
import { PapersPanel } from "./PapersPanel.tsx";
import { PiecesPanel } from "./PiecesPanel.tsx";

export const panels = {
  pieces: { title: "Sizes and numbers", Panel: PiecesPanel, wide: true },
  papers: { title: "Papers", Panel: PapersPanel, wide: true },
  aim: { title: "What comes first", Panel: AimPanel },
  cuts: { title: "How it is cut", Panel: CutsPanel },
} satisfies Panels;

export const Picture = drawn([
  [12, 9, 30, 46],
  [44, 9, 20, 28],
  [66, 9, 18, 28],
  [44, 39, 13, 16],
  [59, 39, 13, 16],
  [74, 39, 10, 16],
]);
