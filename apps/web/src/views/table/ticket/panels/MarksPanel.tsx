import { LIMITS, type Finish, type MarkKind } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { LengthField } from "../../../../ui/LengthField.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";

const DRAWN: Record<MarkKind, string> = {
  "corner ticks": "M2 9h4M26 9h4M2 19h4M26 19h4M9 2v4M23 2v4M9 22v4M23 22v4",
  crosses: "M3 9h5M9 3v5M24 9h5M23 3v5M3 19h5M9 20v5M24 19h5M23 20v5",
  "full lines": "M0 9h8M24 9h8M0 19h8M24 19h8M9 0v8M23 0v8M9 20v8M23 20v8",
  none: "",
};

export const MARK_KINDS: { value: MarkKind; text: string }[] = [
  { value: "corner ticks", text: "Corner ticks" },
  { value: "crosses", text: "Crosses" },
  { value: "full lines", text: "Full lines" },
  { value: "none", text: "None" },
];

/** The lines to cut by; never on a photo. */
export function MarksPanel({ job, words, change }: PanelProps) {
  const { marks } = job.finish;
  const set = (next: Partial<Finish["marks"]>, gesture?: string) =>
    change({ do: "finish", change: { marks: { ...marks, ...next } } }, gesture);
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="Marks to cut by"
        value={marks.kind}
        onChange={(kind) => set({ kind })}
        choices={MARK_KINDS.map((kind) => ({ ...kind, picture: <KindDrawing kind={kind.value} /> }))}
      />
      {marks.kind !== "none" && (
        <div className="grid grid-cols-2 gap-2">
          {marks.kind !== "full lines" && (
            <LengthField
              label="Length"
              value={marks.length}
              range={LIMITS.markLength}
              words={words}
              onChange={(length, g) => set({ length }, g)}
            />
          )}
          <LengthField
            label="Line width"
            value={marks.width}
            range={LIMITS.line}
            words={words}
            onChange={(width, g) => set({ width }, g)}
          />
        </div>
      )}
    </div>
  );
}

const KindDrawing = ({ kind }: { kind: MarkKind }) => (
  <svg viewBox="0 0 32 28" width={32} height={28} aria-hidden className="shrink-0">
    <rect x={9} y={9} width={14} height={10} fill="#d4d6da" />
    <path d={DRAWN[kind]} stroke="currentColor" strokeWidth={1.2} />
  </svg>
);
