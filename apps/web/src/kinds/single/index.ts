import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { CellPanel } from "./CellPanel.tsx";

export const panels = {
  cell: { title: "The cell of each sheet", Panel: CellPanel, wide: true },
} satisfies Panels;

export const Picture = drawn([[28, 10, 40, 44]]);
