import type { Job } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import type { PanelProps } from "./panel.ts";

const PLACES: { value: Job["ticket"]["place"]; text: string }[] = [
  { value: "centred", text: "Centred" },
  { value: "top", text: "At the top, in the middle" },
  { value: "top left", text: "In the top left corner" },
];

/** Where the block of pieces lies between the margins. */
export function PlacePanel({ job, change }: PanelProps) {
  return (
    <ChoiceList
      label="Place on the sheet"
      value={job.ticket.place}
      onChange={(place) => change({ do: "ticket", change: { place } })}
      choices={PLACES}
    />
  );
}
