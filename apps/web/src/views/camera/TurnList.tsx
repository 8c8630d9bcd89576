import type { PersonReport } from "@wide-quilt/core";
import { Plus } from "lucide-react";
import { useEffect, useRef } from "react";
import { StateBadge } from "../../portraits/StateBadge.tsx";

interface Props {
  reports: readonly PersonReport[];
  /** Whose turn it is. */
  shot: number | null;
  onTurn(shot: number): void;
  onAdd(): void;
}

/** Everybody who is to be photographed, and whose turn it is. */
export function TurnList({ reports, shot, onTurn, onAdd }: Props) {
  const taken = reports.filter(({ photo }) => photo !== null).length;
  const current = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    // In braces: newer browsers give a promise back, which is no way to end an effect.
    void current.current?.scrollIntoView({ block: "nearest" });
  }, [shot]);
  return (
    <section aria-label="Whose turn it is">
      <h2 className="mb-1.5 flex items-baseline justify-between text-[13px] font-semibold">
        Whose turn it is
        <span className="text-[11.5px] font-normal text-ink-2">
          {taken} of {reports.length} have a photo
        </span>
      </h2>
      <ul className="max-h-52 overflow-y-auto rounded-md border border-line">
        {reports.map(({ person, name, rule, state }) => (
          <li key={person.shot} className="border-b border-line last:border-b-0">
            <button
              ref={person.shot === shot ? current : undefined}
              type="button"
              aria-current={person.shot === shot ? "true" : undefined}
              title={`${name}: ${rule.place}, ${rule.name}`}
              className={`flex w-full items-center justify-between gap-2 px-2.5 py-1.5 text-left text-[13px] ${
                person.shot === shot ? "bg-accent-soft font-semibold" : "hover:bg-chrome"
              }`}
              onClick={() => onTurn(person.shot)}
            >
              <span className="truncate">{name}</span>
              <StateBadge state={state} />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="mt-1.5 inline-flex items-center gap-1 text-[12.5px] font-semibold text-accent"
        onClick={onAdd}
      >
        <Plus size={14} aria-hidden /> Somebody new
      </button>
    </section>
  );
}
