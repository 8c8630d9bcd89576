import { LIMITS } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { NumberField } from "../../../../ui/NumberField.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";

const USUAL: { value: number; text: string }[] = [
  { value: 150, text: "Large prints seen from afar" },
  { value: 240, text: "Fair" },
  { value: 300, text: "Labs and event printers" },
  { value: 360, text: "Many inkjets" },
  { value: 600, text: "Fine lines and small print" },
];

/** How finely the file is written. */
export function PpiPanel({ job, change }: PanelProps) {
  const { ppi } = job.target;
  const set = (next: number) => change({ do: "target", change: { ppi: next } });
  return (
    <div className="flex flex-col gap-3">
      <NumberField
        label="Pixels per inch"
        value={ppi}
        least={LIMITS.ppi.least}
        most={LIMITS.ppi.most}
        unit="ppi"
        onChange={set}
      />
      <ChoiceList
        label="Usual resolutions"
        value={ppi}
        onChange={set}
        choices={USUAL.map(({ value, text }) => ({ value, text, aside: `${value} ppi` }))}
      />
    </div>
  );
}
