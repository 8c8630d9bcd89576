import type { PatternTarget } from "@wide-quilt/core";
import type { PatternView } from "@wide-quilt/server/contract";
import { Check, Hand, TriangleAlert } from "lucide-react";
import { useWords } from "../../words/words.ts";
import { useMade } from "./usePattern.ts";

interface Props {
  pattern: PatternView;
  /** A target’s name in addresses; null for the pattern’s own. */
  chosen: string | null;
  /** Whether one is being made that is not in the list yet. */
  isNew: boolean;
  onChoose(id: string | null): void;
}

/** The printers that a pattern is made for, its own first. */
export function TargetList({ pattern, chosen, isNew, onChoose }: Props) {
  const { target, sheet } = pattern.job;
  return (
    <nav aria-label="Made for" className="min-h-0 overflow-y-auto border-r border-line bg-white p-3">
      <h2 className="mb-2 px-2 text-[12px] text-ink-3">Made for</h2>
      <ul className="flex flex-col gap-1">
        <li>
          <Line isChosen={chosen === null && !isNew} onClick={() => onChoose(null)}>
            <span className="block truncate font-semibold">{target.printer.name}</span>
            <Under name={sheet.paper.name} ppi={target.ppi} />
            <span className="text-[12px] text-ink-3">the pattern itself</span>
          </Line>
        </li>
        {pattern.targets.map((one) => (
          <li key={one.id}>
            <Line isChosen={chosen === one.id} onClick={() => onChoose(one.id)}>
              <span className="block truncate font-semibold" title={one.for.name}>
                {one.for.name}
              </span>
              <Under name={one.for.page.paper.name} ppi={one.for.printer.ppi} />
              <State pattern={pattern} target={one} />
            </Line>
          </li>
        ))}
        {isNew && (
          <li>
            <Line isChosen onClick={() => undefined}>
              <span className="font-semibold">Another printer …</span>
            </Line>
          </li>
        )}
      </ul>
      {pattern.targets.length === 0 && !isNew && (
        <p className="mt-4 px-2 text-[12.5px] text-ink-2">
          “Make it for …” brings everything on it to another printer, paper and page at once.
        </p>
      )}
    </nav>
  );
}

function Line({
  isChosen,
  onClick,
  children,
}: {
  isChosen: boolean;
  onClick(): void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-current={isChosen || undefined}
      className={`w-full min-w-0 rounded-md px-2 py-2 text-left text-[13px] ${isChosen ? "bg-accent-soft text-accent" : "hover:bg-chrome"}`}
      onClick={onClick}
    >
      {children}
    </button>
  );
}

function Under({ name, ppi }: { name: string; ppi: number }) {
  const words = useWords();
  return (
    <span className="measure block truncate text-[12px] text-ink-2">
      {name}, {words.number(ppi, 0, 2)} ppi
    </span>
  );
}

/** Whether all is right with a target, and whether something was set by hand for it. */
function State({ pattern, target }: { pattern: PatternView; target: PatternTarget }) {
  const words = useWords(target.for.printer.ppi);
  const { said, lost } = useMade(pattern, target.for, target.corrections, words);
  const looks = said.filter(({ level }) => level !== "right").length;
  const byHand = target.corrections.length - lost.length;
  return (
    <span className="flex flex-wrap items-center gap-x-2 text-[12px]">
      {looks > 0 ? (
        <span className="flex items-center gap-1 text-look">
          <TriangleAlert size={12} aria-hidden /> {looks} to look at
        </span>
      ) : (
        <span className="flex items-center gap-1 text-good">
          <Check size={12} aria-hidden /> all on the page
        </span>
      )}
      {byHand > 0 && (
        <span className="flex items-center gap-1 text-accent">
          <Hand size={12} aria-hidden /> {byHand} by hand
        </span>
      )}
    </span>
  );
}
