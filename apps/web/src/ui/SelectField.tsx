interface Props<T extends string> {
  label: string;
  value: T;
  choices: readonly { value: T; text: string }[];
  onChange(value: T): void;
}

/** One of many, where a list of them all would take too much room. */
export function SelectField<T extends string>({ label, value, choices, onChange }: Props<T>) {
  return (
    <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
      {label}
      <select
        value={value}
        className="w-full truncate rounded-md border border-edge bg-white px-2 py-1.5 text-[13px] text-ink"
        onChange={({ target }) => onChange(target.value as T)}
      >
        {choices.map((choice) => (
          <option key={choice.value} value={choice.value}>
            {choice.text}
          </option>
        ))}
      </select>
    </label>
  );
}
