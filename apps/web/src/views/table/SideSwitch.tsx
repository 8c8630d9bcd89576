import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { sideTurned, type Side } from "../../table/view.ts";
import { Segments } from "../../ui/Segments.tsx";

const SIDES: { value: Side; text: string }[] = [
  { value: "cell", text: "Cell" },
  { value: "finish", text: "Finish" },
];

/** What the column at the right shows: the measures of a cell, or what cells and sheets are finished with. */
export function SideSwitch() {
  const dispatch = useAppDispatch();
  const side = useAppSelector((state) => state.view.side);
  return (
    <div className="mb-3">
      <Segments
        label="What the column shows"
        value={side}
        onChange={(next) => dispatch(sideTurned(next))}
        choices={SIDES}
      />
    </div>
  );
}
