import { CopiesPanel } from "./CopiesPanel.tsx";
import { GapPanel } from "./GapPanel.tsx";
import { LiePanel } from "./LiePanel.tsx";
import { MarginsPanel } from "./MarginsPanel.tsx";
import { MarksPanel } from "./MarksPanel.tsx";
import { OutlinePanel } from "./OutlinePanel.tsx";
import type { TicketPanel } from "./panel.ts";
import { PaperPanel } from "./PaperPanel.tsx";
import { PlacePanel } from "./PlacePanel.tsx";
import { PpiPanel } from "./PpiPanel.tsx";
import { PrinterPanel } from "./PrinterPanel.tsx";
import { SizePanel } from "./SizePanel.tsx";
import { SlackPanel } from "./SlackPanel.tsx";

/** The panels by the names that the core's tickets give their controls. */
export const PANELS: Readonly<Record<string, TicketPanel>> = {
  copies: { title: "How many", Panel: CopiesPanel },
  size: { title: "Finished size", Panel: SizePanel, wide: true },
  paper: { title: "Paper", Panel: PaperPanel, wide: true },
  lie: { title: "How the paper lies", Panel: LiePanel },
  gap: { title: "Gap between pieces", Panel: GapPanel },
  place: { title: "Place on the sheet", Panel: PlacePanel },
  margins: { title: "Margins", Panel: MarginsPanel },
  marks: { title: "Marks to cut by", Panel: MarksPanel },
  outline: { title: "Outline", Panel: OutlinePanel },
  slack: { title: "Slack", Panel: SlackPanel },
  printer: { title: "Where it is made", Panel: PrinterPanel, wide: true },
  ppi: { title: "Pixels per inch", Panel: PpiPanel },
};
