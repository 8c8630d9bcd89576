import { Radio, RadioGroup } from "@headlessui/react";

interface Props<T> {
  label: string;
  choices: readonly { value: T; text: string }[];
  value: T | null;
  onChange(value: T): void;
  /** How they look: buttons, or one low switch for the foot of the table. */
  look?: keyof typeof LOOKS;
}

const LOOKS = {
  buttons: {
    group: "flex gap-1.5",
    choice:
      "flex-auto rounded-md px-1.5 border border-line bg-white py-1.5 text-center text-[12.5px] text-ink-2 hover:border-edge data-checked:border-accent data-checked:bg-accent-soft data-checked:font-semibold data-checked:text-accent",
  },
  switch: {
    group: "flex shrink-0 rounded-md border border-line",
    choice:
      "cursor-pointer rounded-[5px] px-2 py-px whitespace-nowrap data-checked:bg-accent-soft data-checked:font-semibold data-checked:text-accent",
  },
} as const;

/** Two to four choices side by side. */
export function Segments<T extends string>({ label, choices, value, onChange, look = "buttons" }: Props<T>) {
  return (
    <RadioGroup
      aria-label={label}
      value={value}
      onChange={(next) => next !== null && onChange(next)}
      className={LOOKS[look].group}
    >
      {choices.map((choice) => (
        <Radio key={choice.value} value={choice.value} className={LOOKS[look].choice}>
          {choice.text}
        </Radio>
      ))}
    </RadioGroup>
  );
}
