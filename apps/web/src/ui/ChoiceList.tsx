import { Radio, RadioGroup } from "@headlessui/react";
import { Check } from "lucide-react";
import type { ReactNode } from "react";

export interface Choice<T> {
  value: T;
  text: ReactNode;
  /** What it means, in a few quieter words below. */
  about?: ReactNode;
  /** A second, quieter word at the right: an inch name, a number of pieces. */
  aside?: ReactNode;
  picture?: ReactNode;
}

interface Props<T> {
  label: string;
  choices: readonly Choice<T>[];
  value: T | null;
  onChange(value: T): void;
  by?(a: T | null, b: T | null): boolean;
  className?: string;
}

/** A short list of which one thing is chosen. */
export function ChoiceList<T>({ label, choices, value, onChange, by, className = "" }: Props<T>) {
  return (
    <RadioGroup
      aria-label={label}
      value={value}
      onChange={(next) => next !== null && onChange(next)}
      by={by}
      className={`flex flex-col ${className}`}
    >
      {choices.map((choice, i) => (
        <Radio
          key={i}
          value={choice.value}
          className="group flex items-center gap-2 rounded-md px-2 py-1.5 text-[13.5px] hover:bg-chrome data-checked:bg-accent-soft data-checked:font-semibold data-checked:text-accent"
        >
          {choice.picture}
          <span className="grow">
            {choice.text}
            {choice.about !== undefined && (
              <span className="block text-[12px] font-normal text-ink-2">{choice.about}</span>
            )}
          </span>
          {choice.aside !== undefined && (
            <span className="measure text-[12px] font-normal text-ink-2 group-data-checked:text-accent">
              {choice.aside}
            </span>
          )}
          <Check size={15} aria-hidden className="invisible shrink-0 group-data-checked:visible" />
        </Radio>
      ))}
    </RadioGroup>
  );
}
