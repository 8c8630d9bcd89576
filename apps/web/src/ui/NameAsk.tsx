import { useState } from "react";
import { button } from "./button.ts";

interface Props {
  /** On the button that asks. */
  label: string;
  placeholder: string;
  onName(name: string): void;
}

/** A button that asks for a name before it does anything; Escape takes it back. */
export function NameAsk({ label, placeholder, onName }: Props) {
  const [asks, setAsks] = useState(false);
  const [name, setName] = useState("");
  if (!asks) {
    return (
      <button type="button" className={`${button.quiet} !px-2`} onClick={() => setAsks(true)}>
        {label}
      </button>
    );
  }
  const take = () => {
    if (name.trim() !== "") onName(name.trim());
    setAsks(false);
    setName("");
  };
  return (
    <input
      autoFocus
      aria-label={placeholder}
      placeholder={placeholder}
      value={name}
      maxLength={100}
      className="w-44 rounded-md border border-accent bg-white px-2 py-1.5"
      onChange={({ target }) => setName(target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key !== "Enter" && event.key !== "Escape") return;
        event.preventDefault();
        event.stopPropagation();
        if (event.key === "Enter") take();
        else setAsks(false);
      }}
    />
  );
}
