import type { Panels } from "../panel.tsx";
import { CopiesPanel } from "./CopiesPanel.tsx";
import { LiePanel } from "./LiePanel.tsx";
import { SizePanel } from "./SizePanel.tsx";

export const panels = {
  copies: { title: "How many", Panel: CopiesPanel },
  size: { title: "Finished size", Panel: SizePanel, wide: true },
  lie: { title: "How the paper lies", Panel: LiePanel, wide: true },
} satisfies Panels;

export { Picture } from "./Picture.tsx";
