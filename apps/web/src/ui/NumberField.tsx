import { useId, useState } from "react";

interface Props {
  label: string;
  hideLabel?: boolean;
  value: number;
  least: number;
  most: number;
  /** Whether only whole numbers will do. */
  whole?: boolean;
  unit?: string;
  autoFocus?: boolean;
  onChange(value: number): void;
  className?: string;
}

/** A field for a plain number; says in a sentence what it cannot take. */
export function NumberField({
  label,
  hideLabel,
  value,
  least,
  most,
  whole,
  unit,
  autoFocus,
  onChange,
  className = "",
}: Props) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const take = (text: string) => {
    const number = Number(text.trim().replace(",", "."));
    const bad = text.trim() === "" || !Number.isFinite(number) || (whole && !Number.isInteger(number));
    if (bad) return setWhy(whole ? "A whole number is wanted here." : "A number is wanted here.");
    if (number < least) return setWhy(`At least ${least}.`);
    if (number > most) return setWhy(`At most ${most}.`);
    setWhy(null);
    setTyped(null);
    if (number !== value) onChange(number);
  };
  const step = (by: number) => onChange(Math.min(Math.max(Math.round(value) + by, least), most));
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-[12.5px] text-ink-2"}>
        {label}
      </label>
      <span className="relative">
        <input
          id={id}
          value={typed ?? String(value)}
          autoFocus={autoFocus}
          inputMode={whole ? "numeric" : "decimal"}
          autoComplete="off"
          aria-invalid={why !== null}
          aria-describedby={why === null ? undefined : `${id}-why`}
          className={`measure w-full rounded-md border bg-white py-1.5 pl-2 text-right font-medium ${unit ? "pr-9" : "pr-2"} ${why === null ? "border-edge" : "border-wrong"}`}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => typed !== null && take(typed)}
          onKeyDown={(event) => {
            if (event.key === "Enter") {
              event.preventDefault();
              take(typed ?? String(value));
            } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
              event.preventDefault();
              setTyped(null);
              step((event.key === "ArrowUp" ? 1 : -1) * (event.shiftKey ? 10 : 1));
            }
          }}
        />
        {unit && (
          <span
            aria-hidden
            className="measure pointer-events-none absolute top-1/2 right-2 -translate-y-1/2 text-[11px] text-ink-3"
          >
            {unit}
          </span>
        )}
      </span>
      {why !== null && (
        <p id={`${id}-why`} role="alert" className="text-[12px] text-wrong">
          {why}
        </p>
      )}
    </div>
  );
}
