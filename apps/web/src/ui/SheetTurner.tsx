import { ChevronLeft, ChevronRight } from "lucide-react";

interface Props {
  number: number;
  of: number;
  /** What is turned: sheets of paper, or pages of which several share one. */
  what?: "Sheet" | "Page";
  onTurn(number: number): void;
}

/** Which sheet of how many is shown, with the way to its neighbours where there are any. */
export function SheetTurner({ number, of, what = "Sheet", onTurn }: Props) {
  const way = (label: string, to: number, Icon: typeof ChevronLeft) =>
    of > 1 && (
      <button
        type="button"
        aria-label={label}
        className="rounded px-1.5 py-0.5 hover:bg-chrome disabled:opacity-40 disabled:hover:bg-transparent"
        disabled={to < 1 || to > of}
        onClick={() => onTurn(to)}
      >
        <Icon size={15} aria-hidden />
      </button>
    );
  return (
    <span className="flex shrink-0 items-center gap-1">
      {way(`${what} before`, number - 1, ChevronLeft)}
      <span>
        {what} <span className="measure">{number}</span> of <span className="measure">{of}</span>
      </span>
      {way(`Next ${what.toLowerCase()}`, number + 1, ChevronRight)}
    </span>
  );
}
