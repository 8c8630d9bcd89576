import { kindOf, type Lie } from "@wide-quilt/core";
import type { PanelProps } from "../../../../kinds/panel.tsx";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";

export const LIES: { value: Lie; text: string }[] = [
  { value: "most", text: "Turned to fit the most" },
  { value: "portrait", text: "Upright" },
  { value: "landscape", text: "On its side" },
];

/** Whether the paper stands or lies, where that is all there is to say. */
export function PaperLiePanel({ job, change }: PanelProps) {
  const best = kindOf(job).liesBest;
  const choices = LIES.flatMap((choice) => {
    if (choice.value !== "most") return choice;
    return best === undefined ? [] : { ...choice, text: best };
  });
  return (
    <ChoiceList
      label="How the paper lies"
      value={best === undefined && job.sheet.lie === "most" ? "portrait" : job.sheet.lie}
      onChange={(lie) => change({ do: "sheet", change: { lie } })}
      choices={choices}
    />
  );
}
