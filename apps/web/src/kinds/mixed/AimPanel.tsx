import type { TicketOf } from "@wide-quilt/core";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { panelOf, type PanelProps } from "../panel.tsx";

const AIMS: { value: TicketOf<"mixed">["aim"]; text: string }[] = [
  { value: "sheets", text: "As few sheets as possible" },
  { value: "price", text: "The lowest price" },
];

const CUTS: { value: TicketOf<"mixed">["cuts"]; text: string; about: string }[] = [
  { value: "straight", text: "Straight cuts", about: "a trimmer frees every piece edge to edge" },
  { value: "any", text: "Cuts of any kind", about: "scissors or a knife; sometimes a sheet less" },
];

/** What comes first where not both can be had. */
export const AimPanel = panelOf("mixed", ({ ticket, set }) => (
  <ChoiceList label="What comes first" value={ticket.aim} onChange={(aim) => set({ aim })} choices={AIMS} />
));

/** How the pieces will be cut. */
export function CutsPanel({ job: { ticket }, change }: PanelProps) {
  if (!("cuts" in ticket)) return null;
  return (
    <ChoiceList
      label="How it is cut"
      value={ticket.cuts}
      onChange={(cuts) => change({ do: "ticket", change: { cuts } })}
      choices={CUTS}
    />
  );
}
