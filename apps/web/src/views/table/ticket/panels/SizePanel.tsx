import { kindOf, LIMITS, PRINT_SIZES, type Job, type Size } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import type { PanelProps } from "./panel.ts";
import { SizeFields } from "./SizeFields.tsx";

const GROUPS = [...new Set(PRINT_SIZES.map(({ group }) => group))];

const same = (a: Size | null, b: Size | null) =>
  a !== null && b !== null && a.width === b.width && a.height === b.height;

/** The finished size of a piece: typed, or one of those that are often asked for. */
export function SizePanel({ job, words, change }: PanelProps) {
  const { size } = job.ticket;
  const set = (next: Size, gesture?: string) => change({ do: "ticket", change: { size: next } }, gesture);
  return (
    <div className="flex flex-col gap-3">
      <SizeFields size={size} range={LIMITS.piece} words={words} onChange={set} />
      <div className="max-h-72 overflow-y-auto">
        {GROUPS.map((group) => (
          <section key={group}>
            <h3 className="mt-2 mb-1 px-2 text-[12px] text-ink-3">{group}</h3>
            <ChoiceList
              label={group}
              by={same}
              value={size}
              onChange={({ width, height }) => set({ width, height })}
              choices={PRINT_SIZES.filter((known) => known.group === group).map(
                ({ name, width, height }) => ({
                  value: { width, height } as Size,
                  text: <span className="measure">{name}</span>,
                  aside: `${pieces(job, { width, height })} a sheet`,
                }),
              )}
            />
          </section>
        ))}
      </div>
    </div>
  );
}

/** How many pieces of another size would stand on a sheet. */
const pieces = (job: Job, size: Size): number =>
  kindOf(job).sums({ ...job, ticket: { ...job.ticket, size } }).mostPerSheet;
