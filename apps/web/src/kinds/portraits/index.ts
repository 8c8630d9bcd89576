import type { Panels } from "../panel.tsx";
import { drawn } from "../picture.tsx";
import { NamesPanel, PeoplePanel, PerPersonPanel, PersonSheetsPanel } from "./PeoplePanels.tsx";
import { RulePanel } from "./RulePanel.tsx";

export const panels = {
  perPerson: { title: "How many of each person", Panel: PerPersonPanel },
  people: { title: "People", Panel: PeoplePanel, wide: true },
  rule: { title: "Document-photo rule", Panel: RulePanel, wide: true },
  personSheets: { title: "Whose sheets", Panel: PersonSheetsPanel },
  names: { title: "Names", Panel: NamesPanel },
} satisfies Panels;

export const Picture = drawn([
  [13, 12, 16, 20],
  [31, 12, 16, 20],
  [49, 12, 16, 20],
  [67, 12, 16, 20],
  [13, 35, 12, 16],
  [27, 35, 12, 16],
  [41, 35, 12, 16],
  [55, 35, 12, 16],
]);
