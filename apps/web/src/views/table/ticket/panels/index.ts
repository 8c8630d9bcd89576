import type { Control } from "@wide-quilt/core";
import { AimPanel, CutsPanel } from "./AimPanel.tsx";
import { BorderPanel } from "./BorderPanel.tsx";
import { CellPanel } from "./CellPanel.tsx";
import { BreaksPanel, GridPanel, HeadAndFootPanel } from "./ContactPanels.tsx";
import { CopiesPanel } from "./CopiesPanel.tsx";
import { GapPanel } from "./GapPanel.tsx";
import { ImposePanel } from "./ImposePanel.tsx";
import { LiePanel, PaperLiePanel } from "./LiePanel.tsx";
import { MarginsPanel } from "./MarginsPanel.tsx";
import { MarksPanel } from "./MarksPanel.tsx";
import { OutlinePanel } from "./OutlinePanel.tsx";
import { PaperPanel } from "./PaperPanel.tsx";
import { PapersPanel } from "./PapersPanel.tsx";
import { NamesPanel, PeoplePanel, PerPersonPanel, PersonSheetsPanel } from "./PeoplePanels.tsx";
import { PickPanel } from "./PickPanel.tsx";
import { PiecesPanel } from "./PiecesPanel.tsx";
import { PlacePanel } from "./PlacePanel.tsx";
import { PpiPanel } from "./PpiPanel.tsx";
import { PrinterPanel } from "./PrinterPanel.tsx";
import { RulePanel } from "./RulePanel.tsx";
import { SizePanel } from "./SizePanel.tsx";
import { SlackPanel } from "./SlackPanel.tsx";
import { TrimPanel } from "./TrimPanel.tsx";
import { WayPanel } from "./WayPanel.tsx";
import type { TicketPanel, TicketSide } from "./panel.tsx";

/** The panels by the names that the core's tickets give their controls. */
export const PANELS: Readonly<Record<Control, TicketPanel | TicketSide>> = {
  finish: { title: "Finish", opensSide: "finish" },
  pick: { title: "Which photos, and their order", Panel: PickPanel },
  grid: { title: "How the sheet is divided", Panel: GridPanel, wide: true },
  breaks: { title: "Sections", Panel: BreaksPanel },
  headAndFoot: { title: "Headline and foot line", Panel: HeadAndFootPanel, wide: true },
  perPerson: { title: "How many of each person", Panel: PerPersonPanel },
  people: { title: "People", Panel: PeoplePanel, wide: true },
  rule: { title: "Document-photo rule", Panel: RulePanel, wide: true },
  personSheets: { title: "Whose sheets", Panel: PersonSheetsPanel },
  names: { title: "Names", Panel: NamesPanel },
  copies: { title: "How many", Panel: CopiesPanel },
  size: { title: "Finished size", Panel: SizePanel, wide: true },
  pieces: { title: "Sizes and numbers", Panel: PiecesPanel, wide: true },
  papers: { title: "Papers", Panel: PapersPanel, wide: true },
  aim: { title: "What comes first", Panel: AimPanel },
  cuts: { title: "How it is cut", Panel: CutsPanel },
  cell: { title: "The cell of each sheet", Panel: CellPanel, wide: true },
  way: { title: "How the sheet is divided", Panel: WayPanel, wide: true },
  border: { title: "Border", Panel: BorderPanel },
  paper: { title: "Paper", Panel: PaperPanel, wide: true },
  trim: { title: "Finished sheet", Panel: TrimPanel },
  lie: { title: "How the paper lies", Panel: LiePanel, wide: true },
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
