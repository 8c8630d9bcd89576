import { freshCalendar, kindOf, type Block } from "@wide-quilt/core";
import { Plus, Trash2 } from "lucide-react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { newId } from "../../../app/ids.ts";
import { LOCALE } from "../../../app/preferences.ts";
import { thisMonth } from "../../../calendar/today.ts";
import { DaysFields } from "../../../calendar/DaysFields.tsx";
import { edit } from "../../../table/edits.ts";
import { selectJob, selectSheet } from "../../../table/sheets.ts";
import { Check } from "../../../ui/Check.tsx";
import { button } from "../../../ui/button.ts";
import { DAYS, freshDays, freshTable, TABLES } from "./freshBlock.ts";
import { TableFields } from "./TableFields.tsx";
import { freeName } from "./freeName.ts";
import type { EditorProps } from "./useFinish.ts";

/** Tables of words, and days: order forms, price lists, a month in a collage. */
export function BlocksEditor({ finish: { words } }: EditorProps) {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const sheet = useAppSelector(selectSheet);
  if (!job || !sheet) return null;
  const change = (name: string, block: Block | null, gesture?: string) =>
    dispatch(edit({ do: "blocks", blocks: { [name]: block } }, gesture));
  const addDays = (fresh: (typeof DAYS)[number]) => {
    const gesture = newId();
    // A job that never had days gets its names and weeks now, as this reader has them.
    if (!job.calendar) void dispatch(edit({ do: "calendar", calendar: freshCalendar(LOCALE) }, gesture));
    void change(freeName("b", job.blocks), freshDays(fresh, thisMonth(), job, sheet), gesture);
  };
  return (
    <>
      {Object.entries(job.blocks).map(([name, block], index) => {
        const laid = sheet.items.find((item) => item.name === name && item.laid)?.finished;
        return (
          <section
            key={name}
            aria-label={`${block.kind === "table" ? "Table" : "Days"} ${index + 1}`}
            className="flex flex-col gap-2.5 rounded-md border border-line bg-white p-2.5"
          >
            {block.kind === "table" ? (
              <TableFields
                block={block}
                words={words}
                laid={laid}
                makesRoom={kindOf(job).makesRoom === true}
                set={(next, gesture) => change(name, { ...block, ...next }, gesture)}
              />
            ) : (
              <DaysFields
                job={job}
                block={block}
                words={words}
                set={(next, gesture) => change(name, { ...block, ...next }, gesture)}
              />
            )}
            {sheet.of > 1 && !laid && (
              <Check
                label={`on page ${sheet.number} alone`}
                checked={block.sheet === sheet.id}
                onChange={(alone) => change(name, { ...block, sheet: alone ? sheet.id : null })}
              />
            )}
            <button type="button" className={`${button.plain} self-start`} onClick={() => change(name, null)}>
              <Trash2 size={14} aria-hidden /> Take {block.kind === "table" ? "the table" : "the days"} out
            </button>
          </section>
        );
      })}
      <div className="flex flex-wrap gap-1.5">
        {TABLES.map(({ name, about }) => (
          <button
            key={name}
            type="button"
            className={button.plain}
            onClick={() => change(freeName("b", job.blocks), freshTable(about, job, sheet))}
          >
            <Plus size={14} aria-hidden /> {name}
          </button>
        ))}
        {DAYS.map((fresh) => (
          <button key={fresh.name} type="button" className={button.plain} onClick={() => addDays(fresh)}>
            <Plus size={14} aria-hidden /> {fresh.name}
          </button>
        ))}
      </div>
    </>
  );
}
