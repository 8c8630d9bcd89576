import { useState } from "react";

interface Props {
  name: string;
  /** What it is the name of, for those who do not see it. */
  label?: string;
  /** The new name, or null when it was left as it is. */
  onDone(name: string | null): void;
  className?: string;
}

/** A name being changed: Enter or leaving takes it, Escape leaves it. */
export function NameField({ name, label = "Name of the job", onDone, className = "" }: Props) {
  const [typed, setTyped] = useState(name);
  const take = () => {
    const next = typed.trim();
    onDone(next === "" || next === name ? null : next);
  };
  return (
    <input
      aria-label={label}
      value={typed}
      maxLength={200}
      autoFocus
      className={`w-full rounded-md border border-accent bg-white px-2 py-1 font-semibold ${className}`}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === "Enter") take();
        if (event.key === "Escape") onDone(null);
      }}
    />
  );
}
