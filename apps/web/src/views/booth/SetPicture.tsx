import { arrange, jobOfSet, type EventSet, type SheetPlan } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { useMemo } from "react";
import { address } from "../../api/client.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";

type Props = {
  view: Pick<EventView, "patterns" | "records" | "name">;
  set: EventSet;
  className?: string;
  /** Pixels of the longer side of a photo’s preview. */
  pixels?: number;
  label?: string;
  /** The photo that is worked on, which is framed. */
  marked?: string;
};

/** The page of a set as it is printed. */
export function usePlanOfSet({ patterns, records, name }: Props["view"], set: EventSet): SheetPlan | null {
  return useMemo(() => {
    const pattern = patterns[set.pattern];
    if (!pattern) return null;
    const at = clockOnTheWall(set.full ?? set.begun);
    return arrange(jobOfSet(pattern, name, set, at, records), records)[0] ?? null;
  }, [patterns, records, name, set]);
}

/** "2026-10-03T14:05:00", here. */
function clockOnTheWall(at: number): string {
  const date = new Date(at);
  return new Date(at - date.getTimezoneOffset() * 60_000).toISOString().slice(0, 19);
}

/** Which shot of its page a cell waits for, where its name says so. */
const placeOf = (key: string): string | undefined => /^\d+\.(\d+)$/.exec(key)?.[1];

/** A set, painted as it is printed; where a shot is missing its place is shown. */
export function SetPicture({ view, set, className = "", pixels = 320, label, marked }: Props) {
  const plan = usePlanOfSet(view, set);
  if (!plan) return null;
  return (
    <SheetPicture
      plan={plan}
      photo={(id) => address.previewFor(id, pixels)}
      className={`bg-white shadow-[0_1px_4px_rgb(0_0_0/.3)] ${className}`}
      label={label}
    >
      {plan.cells.map(({ key, finished, photo, angle }, i) => {
        const { x, y, width, height } = finished;
        if (photo !== null && photo !== marked) return null;
        const middle = [x + width / 2, y + height / 2] as const;
        if (photo !== null)
          return (
            <rect
              key={key}
              {...{ x, y, width, height }}
              fill="none"
              stroke="#34409c"
              strokeWidth={1000}
              transform={`rotate(${angle} ${middle.join(" ")})`}
            />
          );
        return (
          <g key={key} transform={`rotate(${angle} ${middle.join(" ")})`}>
            <rect
              {...{ x, y, width, height }}
              fill="#e6e8f7"
              stroke="#34409c"
              strokeWidth={400}
              strokeDasharray="1800 1200"
            />
            <text
              x={middle[0]}
              y={middle[1]}
              fontSize={Math.min(width, height) / 2.6}
              fontWeight={600}
              fill="#34409c"
              textAnchor="middle"
              dominantBaseline="central"
            >
              {placeOf(key) ?? i + 1}
            </text>
          </g>
        );
      })}
    </SheetPicture>
  );
}
