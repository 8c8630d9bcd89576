import { CALENDAR_LIMITS, MARKS, type DayEntry, type DaySource } from "@wide-quilt/core";
import { ChevronDown, Eye, EyeOff, Plus, Trash2 } from "lucide-react";
import { Check } from "../ui/Check.tsx";
import { SelectField } from "../ui/SelectField.tsx";
import { TextField } from "../ui/TextField.tsx";
import { button } from "../ui/button.ts";
import { ColourField } from "../views/table/finish/ColourField.tsx";
import { DayPhoto } from "./DayPhoto.tsx";
import { DayField } from "./DayField.tsx";
import { thisMonth } from "./today.ts";

interface Props {
  source: DaySource;
  open: boolean;
  onOpen(): void;
  /** Null takes it out. */
  set(next: Partial<DaySource> | null, gesture?: string): void;
}

const MARK_NAMES: Record<(typeof MARKS)[number], string> = {
  none: "no mark",
  dot: "a dot",
  ring: "a ring",
  tint: "a tint",
  bar: "a bar over its days",
};

/** One kind of days: how it is shown, and its days where they were typed. */
export function SourceFields({ source, open, onOpen, set }: Props) {
  const { name, colour, shown, days } = source;
  return (
    <li className="rounded-md border border-line bg-white">
      <div className="flex items-center gap-2 px-2.5 py-1.5">
        <span aria-hidden className="size-3 shrink-0 rounded-full" style={{ backgroundColor: colour }} />
        <button
          type="button"
          aria-expanded={open}
          className="flex min-w-0 grow items-center gap-2 text-left text-[13.5px]"
          onClick={onOpen}
        >
          <span className="truncate">{name}</span>
          <span className="measure shrink-0 text-[12px] text-ink-2">
            {days.length} {days.length === 1 ? "day" : "days"}
          </span>
          <ChevronDown size={15} aria-hidden className={`ml-auto shrink-0 ${open ? "rotate-180" : ""}`} />
        </button>
        <button
          type="button"
          aria-label={shown ? `Leave ${name} out` : `Show ${name}`}
          className="rounded p-1 text-ink-2 hover:bg-chrome"
          onClick={() => set({ shown: !shown })}
        >
          {shown ? <Eye size={16} aria-hidden /> : <EyeOff size={16} aria-hidden />}
        </button>
        <button
          type="button"
          aria-label={`Take ${name} out`}
          className="rounded p-1 text-ink-2 hover:bg-chrome"
          onClick={() => set(null)}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
      {open && (
        <div className="flex flex-col gap-2.5 border-t border-line p-2.5">
          <div className="grid grid-cols-[2fr_1fr_2fr] items-end gap-2">
            <TextField
              label="Name"
              most={200}
              value={name}
              onChange={(next) => next.trim() !== "" && set({ name: next })}
            />
            <ColourField label="Colour" value={colour} onChange={(next, g) => set({ colour: next }, g)} />
            <SelectField
              label="Marked by"
              value={source.mark}
              choices={MARKS.map((value) => ({ value, text: MARK_NAMES[value] }))}
              onChange={(mark) => set({ mark })}
            />
          </div>
          <div className="flex gap-5">
            <Check
              label="written in their days"
              checked={source.words}
              onChange={(words) => set({ words })}
            />
            <Check label="days off" checked={source.off} onChange={(off) => set({ off })} />
          </div>
          {source.from.kind === "typed" && <TypedDays days={days} set={(next) => set({ days: next })} />}
        </div>
      )}
    </li>
  );
}

/** Days shown at a time: more of them are changed in the list they came from. */
const MOST = 60;

function TypedDays({ days, set }: { days: readonly DayEntry[]; set(days: DayEntry[]): void }) {
  const change = (at: number, next: Partial<DayEntry>) =>
    set(days.map((day, i) => (i === at ? clean({ ...day, ...next }) : day)));
  return (
    <div className="flex flex-col gap-1.5">
      {days.slice(0, MOST).map((entry, i) => (
        <div key={i} className="grid grid-cols-[128px_128px_1fr_auto] items-end gap-1.5">
          <DayField label="Day" value={entry.day} onChange={(day) => change(i, { day, last: undefined })} />
          <DayField
            label="Last, of several"
            value={entry.last ?? ""}
            onChange={(last) => change(i, { last: last > entry.day ? last : undefined })}
          />
          <TextField
            label="What it is"
            most={CALENDAR_LIMITS.text}
            value={entry.text}
            onChange={(text) => change(i, { text })}
          />
          <button
            type="button"
            aria-label={`Take ${entry.text || entry.day} out`}
            className="mb-1 rounded p-1 text-ink-2 hover:bg-chrome"
            onClick={() => set(days.filter((_, other) => other !== i))}
          >
            <Trash2 size={15} aria-hidden />
          </button>
          <div className="col-span-4 -mt-0.5 mb-1 flex flex-wrap items-center gap-x-5 gap-y-1">
            <Check
              label="every year"
              checked={entry.yearly === true}
              onChange={(on) => change(i, { yearly: on || undefined, counts: on ? entry.counts : undefined })}
            />
            {entry.yearly && (
              <Check
                label="with the years since"
                checked={entry.counts === true}
                onChange={(on) => change(i, { counts: on || undefined })}
              />
            )}
            <DayPhoto photo={entry.photo} set={(photo) => change(i, { photo })} />
          </div>
        </div>
      ))}
      {days.length > MOST && <p className="text-[12.5px] text-ink-2">… and {days.length - MOST} more.</p>}
      <button
        type="button"
        className={`${button.plain} self-start`}
        onClick={() => set([...days, { day: days.at(-1)?.day ?? `${thisMonth()}-01`, text: "" }])}
      >
        <Plus size={14} aria-hidden /> Another day
      </button>
    </div>
  );
}

/** Without what is not there. */
const clean = (entry: { [K in keyof DayEntry]: DayEntry[K] | undefined }): DayEntry =>
  Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) as unknown as DayEntry;
