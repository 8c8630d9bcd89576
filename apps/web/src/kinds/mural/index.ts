import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { JointsPanel, SeamsPanel } from "./JointsPanel.tsx";
import { DistancePanel } from "./DistancePanel.tsx";
import { PanelsPanel } from "./PanelsPanel.tsx";
import { SheetsPanel } from "./SheetsPanel.tsx";
import { SpreadPanel } from "./SpreadPanel.tsx";

export const panels = {
  sheets: { title: "Paper of the sheets", Panel: SheetsPanel, wide: true },
  spread: { title: "Size of the picture", Panel: SpreadPanel },
  panels: { title: "In one piece or in panels", Panel: PanelsPanel, wide: true },
  distance: { title: "Sharp enough?", Panel: DistancePanel },
  joints: { title: "Put together", Panel: JointsPanel },
  seams: { title: "Where seams fall", Panel: SeamsPanel },
} satisfies Panels;

export const Picture = drawn([
  [15, 14, 16, 17],
  ...[32, 49, 66].map((x) => [x, 14, 16, 17] as const),
  ...[15, 32, 49, 66].map((x) => [x, 32, 16, 17] as const),
]);
