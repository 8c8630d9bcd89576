import { MOST_MONTHS, readDay, writeDay, type DaysBlock, type Job } from "@wide-quilt/core";
import { BoxFields } from "../ui/BoxFields.tsx";
import { NumberField } from "../ui/NumberField.tsx";
import type { Words } from "../words/words.ts";
import { DayField } from "./DayField.tsx";
import { DesignFields } from "./DesignFields.tsx";
import { MonthFields } from "./MonthFields.tsx";

interface Props {
  job: Job;
  block: DaysBlock;
  words: Words;
  set(next: Partial<DaysBlock>, gesture?: string): void;
}

const monthOf = (of: DaysBlock["of"]): string => (of.span === "month" ? of.month : of.first.slice(0, 7));

/** What a block of days shows, where it stands and how it is set. */
export function DaysFields({ job, block, words, set }: Props) {
  const { of } = block;
  return (
    <>
      {of.span === "month" && (
        <MonthFields
          label="Month"
          value={of.month}
          onChange={(month, g) => set({ of: { ...of, month } }, g)}
        />
      )}
      {of.span === "months" && (
        <>
          <MonthFields
            label="First month"
            value={of.first}
            onChange={(first, g) => set({ of: { ...of, first } }, g)}
          />
          <NumberField
            label="Months"
            value={of.count}
            least={2}
            most={MOST_MONTHS}
            whole
            onChange={(count, g) => set({ of: { ...of, count } }, g)}
          />
        </>
      )}
      {of.span === "week" && (
        <DayField
          label="First day"
          value={of.first}
          onChange={(first) => set({ of: { ...of, first: writeDay(readDay(first)!) } })}
        />
      )}
      <div className="grid grid-cols-2 items-end gap-2">
        <BoxFields box={block} words={words} onChange={set} />
      </div>
      <DesignFields job={job} month={monthOf(of)} style={block.style} own={block.own} set={set} />
    </>
  );
}
