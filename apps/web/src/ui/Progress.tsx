interface Props {
  label: string;
  done: number;
  of: number;
}

/** How far long work is, as a bar and as a count. */
export function Progress({ label, done, of }: Props) {
  return (
    <div className="flex flex-col gap-1.5">
      <div className="flex justify-between gap-3 text-[12.5px] text-ink-2">
        <span>{label}</span>
        {of > 0 && (
          <span className="measure">
            {done} of {of}
          </span>
        )}
      </div>
      <progress
        aria-label={label}
        max={of > 0 ? of : undefined}
        value={of > 0 ? done : undefined}
        className="h-1.5 w-full overflow-hidden rounded-full bg-line accent-accent [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-accent"
      />
    </div>
  );
}
