import { kindOf, type Job } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import type { PanelProps } from "./panel.ts";

type Lie = Job["sheet"]["lie"];

const LIES: { value: Lie; text: string }[] = [
  { value: "most", text: "Turned to fit the most" },
  { value: "portrait", text: "Upright" },
  { value: "landscape", text: "On its side" },
];

/** Whether the paper stands or lies, and whether pieces may be turned on it. */
export function LiePanel({ job, change }: PanelProps) {
  const fits = (lie: Lie) => kindOf(job).sums({ ...job, sheet: { ...job.sheet, lie } }).mostPerSheet;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="How the paper lies"
        value={job.sheet.lie}
        onChange={(lie) => change({ do: "sheet", change: { lie } })}
        choices={LIES.map((choice) => ({ ...choice, aside: `fits ${fits(choice.value)}` }))}
      />
      <label className="flex items-center gap-2 px-2 text-[13.5px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={job.ticket.turnPieces}
          onChange={(event) => change({ do: "ticket", change: { turnPieces: event.target.checked } })}
        />
        Turn the pieces too where more fit so
      </label>
    </div>
  );
}
