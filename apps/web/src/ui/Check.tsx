/** A box to tick, with what it means beside it. */
export function Check({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange(on: boolean): void;
}) {
  return (
    <label className="flex items-center gap-2 text-[12.5px] text-ink-2">
      <input
        type="checkbox"
        className="size-4 shrink-0 accent-accent"
        checked={checked}
        onChange={({ target }) => onChange(target.checked)}
      />
      {label}
    </label>
  );
}
