import type { Medium } from "@wide-quilt/core";
import { SelectField } from "../ui/SelectField.tsx";

const MEDIA: { value: Medium; text: string }[] = [
  { value: "glossy", text: "Glossy or lustre paper" },
  { value: "matte", text: "Matte paper" },
  { value: "canvas", text: "Canvas" },
  { value: "none", text: "None: nothing is sharpened" },
];

interface Props {
  label: string;
  medium: Medium;
  onChange(medium: Medium): void;
}

/** What it is printed on, as far as it decides how photos are sharpened. */
export function MediumField({ label, medium, onChange }: Props) {
  return <SelectField<Medium> label={label} value={medium} onChange={onChange} choices={MEDIA} />;
}
