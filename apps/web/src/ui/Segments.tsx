import { Radio, RadioGroup } from "@headlessui/react";

interface Props<T> {
  label: string;
  choices: readonly { value: T; text: string }[];
  value: T | null;
  onChange(value: T): void;
}

/** Two to four choices side by side. */
export function Segments<T extends string>({ label, choices, value, onChange }: Props<T>) {
  return (
    <RadioGroup
      aria-label={label}
      value={value}
      onChange={(next) => next !== null && onChange(next)}
      className="flex gap-1.5"
    >
      {choices.map((choice) => (
        <Radio
          key={choice.value}
          value={choice.value}
          className="flex-auto rounded-md px-1.5 border border-line bg-white py-1.5 text-center text-[12.5px] text-ink-2 hover:border-edge data-checked:border-accent data-checked:bg-accent-soft data-checked:font-semibold data-checked:text-accent"
        >
          {choice.text}
        </Radio>
      ))}
    </RadioGroup>
  );
}
