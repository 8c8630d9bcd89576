import type { Control } from "@wide-quilt/core";
import { KIND_PANELS } from "../../../../kinds/index.ts";
import type { TicketPanel, TicketSide } from "../../../../kinds/panel.tsx";
import { BorderPanel } from "./BorderPanel.tsx";
import { GapPanel } from "./GapPanel.tsx";
import { ImposePanel } from "./ImposePanel.tsx";
import { MarginsPanel } from "./MarginsPanel.tsx";
import { MarksPanel } from "./MarksPanel.tsx";
import { OutlinePanel } from "./OutlinePanel.tsx";
import { PaperLiePanel } from "./PaperLiePanel.tsx";
import { PaperPanel } from "./PaperPanel.tsx";
import { PickPanel } from "./PickPanel.tsx";
import { PlacePanel } from "./PlacePanel.tsx";
import { PpiPanel } from "./PpiPanel.tsx";
import { PrinterPanel } from "./PrinterPanel.tsx";
import { SlackPanel } from "./SlackPanel.tsx";
import { TrimPanel } from "./TrimPanel.tsx";

/** The panels by the names that the core's tickets give their controls: those that many kinds have, and each kind’s own. */
export const PANELS: Readonly<Record<Control, TicketPanel | TicketSide>> = {
  ...KIND_PANELS,
  finish: { title: "Finish", opensSide: "finish" },
  pick: { title: "Which photos, and their order", Panel: PickPanel },
  border: { title: "Border", Panel: BorderPanel },
  paper: { title: "Paper", Panel: PaperPanel, wide: true },
  trim: { title: "Finished sheet", Panel: TrimPanel },
  paperLie: { title: "How the paper lies", Panel: PaperLiePanel },
  gap: { title: "Gap between pieces", Panel: GapPanel },
  place: { title: "Place on the sheet", Panel: PlacePanel },
  margins: { title: "Margins", Panel: MarginsPanel },
  marks: { title: "Marks to cut by", Panel: MarksPanel },
  outline: { title: "Outline", Panel: OutlinePanel },
  slack: { title: "Slack, bleed and safe zone", Panel: SlackPanel },
  printer: { title: "Where it is made", Panel: PrinterPanel, wide: true },
  impose: { title: "Pages to a sheet", Panel: ImposePanel, wide: true },
  ppi: { title: "Pixels per inch", Panel: PpiPanel },
};
