import { useId, useState, type KeyboardEvent } from "react";
import { newId } from "../app/ids.ts";

/** A figure that was understood, or a sentence that says why it was not; `instead` takes more than one in at once. */
export type Figure<T> = { ok: true; value: T; instead?: () => void } | { ok: false; why: string };

interface Props<T extends number> {
  /** Read out for the field; shown too unless it is hidden. */
  label: string;
  hideLabel?: boolean;
  value: T;
  /** The value as it stands in the field while nobody types. */
  shown: string;
  /** Stands behind the figure. */
  unit?: string;
  read(text: string): Figure<T>;
  /** What an arrow key makes of the value: `times` is 1 or −1, with Shift ten times that, with Alt a tenth. */
  step(times: number): T;
  /** Arrow keys send a gesture, so that a run of them is one step to undo. */
  onChange(value: T, gesture?: string): void;
  inputMode: "text" | "numeric" | "decimal";
  autoFocus?: boolean;
  className?: string;
}

/** A field for one figure: taken with Enter or when it is left, stepped with the arrow keys, Escape takes back. */
export function FigureField<T extends number>(props: Props<T>) {
  const {
    label,
    hideLabel,
    value,
    shown,
    unit,
    read,
    step,
    onChange,
    inputMode,
    autoFocus,
    className = "",
  } = props;
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const [gesture] = useState(() => newId());

  const forget = () => {
    setTyped(null);
    setWhy(null);
  };
  const take = (text: string) => {
    const figure = read(text);
    if (!figure.ok) return setWhy(figure.why);
    forget();
    if (figure.instead) figure.instead();
    else if (figure.value !== value) onChange(figure.value);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") {
      event.preventDefault();
      // What stands there is rounded; only what was typed says something.
      if (typed !== null && typed !== shown) take(typed);
      else forget();
    } else if (event.key === "Escape" && typed !== null) {
      event.stopPropagation();
      forget();
    } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      event.preventDefault();
      const next = step((event.shiftKey ? 10 : event.altKey ? 0.1 : 1) * (event.key === "ArrowUp" ? 1 : -1));
      forget();
      if (next !== value) onChange(next, gesture);
    }
  };
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-[12.5px] text-ink-2"}>
        {label}
      </label>
      <span className="relative">
        <input
          id={id}
          value={typed ?? shown}
          autoFocus={autoFocus}
          inputMode={inputMode}
          autoComplete="off"
          spellCheck={false}
          aria-invalid={why !== null}
          aria-describedby={why === null ? undefined : `${id}-why`}
          className={`measure w-full rounded-md border bg-white py-1.5 pl-1.5 text-right font-medium ${unit ? "pr-8" : "pr-2"} ${why === null ? "border-edge" : "border-wrong"}`}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => (typed !== null && typed !== shown ? take(typed) : forget())}
          onKeyDown={onKeyDown}
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
