import { CALENDAR_LIMITS, inYear, monthOf, readMonth, writeMonth } from "@wide-quilt/core";
import { NumberField } from "../ui/NumberField.tsx";
import { SelectField } from "../ui/SelectField.tsx";
import { MONTH_NAMES } from "./today.ts";

interface Props {
  label: string;
  /** “2027-03” */
  value: string;
  onChange(month: string, gesture?: string): void;
}

/** A month and its year. */
export function MonthFields({ label, value, onChange }: Props) {
  const { year, month } = inYear(readMonth(value)!);
  return (
    <div className="grid grid-cols-2 gap-2">
      <SelectField
        label={label}
        value={String(month)}
        choices={MONTH_NAMES.map((text, i) => ({ value: String(i + 1), text }))}
        onChange={(next) => onChange(writeMonth(monthOf(year, Number(next))))}
      />
      <NumberField
        label="Year"
        value={year}
        {...CALENDAR_LIMITS.years}
        whole
        onChange={(next, gesture) => onChange(writeMonth(monthOf(next, month)), gesture)}
      />
    </div>
  );
}
