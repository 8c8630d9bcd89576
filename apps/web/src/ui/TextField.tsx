import { useState } from "react";

interface Props {
  label: string;
  value: string;
  placeholder?: string;
  most: number;
  onChange(value: string): void;
}

/** A line of words, taken over when one leaves it or presses Enter. */
export function TextField({ label, value, placeholder, most, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const done = () => {
    if (typed !== null && typed.trim() !== value) onChange(typed.trim());
    setTyped(null);
  };
  return (
    <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
      {label}
      <input
        value={typed ?? value}
        maxLength={most}
        placeholder={placeholder}
        className="w-full rounded-md border border-edge bg-white px-2 py-1.5 text-[13px] text-ink placeholder:text-ink-3"
        onChange={({ target }) => setTyped(target.value)}
        onBlur={done}
        onKeyDown={({ key }) => key === "Enter" && done()}
      />
    </label>
  );
}
