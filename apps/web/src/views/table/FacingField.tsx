import type { Job } from "@wide-quilt/core";
import { useAppDispatch } from "../../app/hooks.ts";
import { edit } from "../../table/edits.ts";
import { SelectField } from "../../ui/SelectField.tsx";

type Facing = NonNullable<Job["sheet"]["facing"]>;

const SIDES: { value: Facing; text: string }[] = [
  { value: "right", text: "alone at the right" },
  { value: "left", text: "at the left, beside the second" },
];

/** Where the first of pages that face each other lies. */
export function FacingField({ facing }: { facing: Facing }) {
  const dispatch = useAppDispatch();
  return (
    <SelectField
      label="The first page lies"
      value={facing}
      choices={SIDES}
      onChange={(next) => dispatch(edit({ do: "sheet", change: { facing: next } }))}
    />
  );
}
