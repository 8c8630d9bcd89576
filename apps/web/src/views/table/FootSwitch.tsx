import { Radio, RadioGroup } from "@headlessui/react";

interface Props<T extends string> {
  label: string;
  value: T;
  choices: readonly { value: T; text: string }[];
  onChange(value: T): void;
}

/** One of two ways, side by side in the foot of the table. */
export function FootSwitch<T extends string>({ label, value, choices, onChange }: Props<T>) {
  return (
    <RadioGroup
      aria-label={label}
      value={value}
      onChange={onChange}
      className="flex shrink-0 rounded-md border border-line"
    >
      {choices.map((choice) => (
        <Radio
          key={choice.value}
          value={choice.value}
          className="cursor-pointer rounded-[5px] px-2 py-px whitespace-nowrap data-checked:bg-accent-soft data-checked:font-semibold data-checked:text-accent"
        >
          {choice.text}
        </Radio>
      ))}
    </RadioGroup>
  );
}
