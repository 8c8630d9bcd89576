import { Search } from "lucide-react";

interface Props {
  label: string;
  placeholder: string;
  value: string;
  onChange(value: string): void;
  className?: string;
}

/** A field that narrows a list. */
export function SearchField({ label, placeholder, value, onChange, className = "" }: Props) {
  return (
    <label className={`relative block ${className}`}>
      <span className="sr-only">{label}</span>
      <Search size={14} aria-hidden className="absolute top-1/2 left-2 -translate-y-1/2 text-ink-3" />
      <input
        type="search"
        value={value}
        placeholder={placeholder}
        className="w-full rounded-md border border-edge bg-white py-1.5 pr-2 pl-7 text-[12.5px] placeholder:text-ink-3"
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
