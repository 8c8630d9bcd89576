import type { Pick } from "@wide-quilt/core";
import { Check } from "../../../../ui/Check.tsx";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { PickFilters } from "../../stash/PickFilters.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";

const ORDERS: { value: Pick["by"]; text: string }[] = [
  { value: "order", text: "As they lie in the stash" },
  { value: "name", text: "By name" },
  { value: "taken", text: "By the time they were taken" },
  { value: "stars", text: "The best first" },
];

/** Which photos of the stash are shown, and in which order; the stash at the left shows the same. */
export function PickPanel({ job, change }: PanelProps) {
  const { pick } = job;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="Order of the photos"
        value={pick.by}
        onChange={(by) => change({ do: "pick", change: { by } })}
        choices={ORDERS}
      />
      <Check
        label="backwards"
        checked={pick.down}
        onChange={(down) => change({ do: "pick", change: { down } })}
      />
      <PickFilters />
    </div>
  );
}
