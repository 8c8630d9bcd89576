import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { Fragment } from "react";
import { kindOf, type Job, type JobEdit } from "@wide-quilt/core";
import { useAppDispatch } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { useWords } from "../../../words/words.ts";
import { PANELS } from "./panels/index.ts";

/** The sentence that says the whole sheet. Every underlined part opens a small panel right there. */
export function Ticket({ job }: { job: Job }) {
  const words = useWords(job.sheet.ppi);
  const dispatch = useAppDispatch();
  const change = (next: JobEdit, gesture?: string) => void dispatch(edit(next, gesture));
  return (
    <p className="max-w-[1480px] text-[20px] leading-[1.62] tracking-[-0.005em] text-ink-2">
      {kindOf(job)
        .say(job, words)
        .map((part, i) => {
          if (!("control" in part)) return <Fragment key={i}>{part.text}</Fragment>;
          const panel = PANELS[part.control];
          if (!panel) throw new Error(`The ticket has a control “${part.control}” without a panel`);
          const { title, Panel, wide } = panel;
          return (
            <Popover key={part.control} as="span">
              <PopoverButton
                title={title}
                aria-label={`${title}: ${part.text}`}
                className={`inline rounded-[3px] px-px font-semibold text-accent underline decoration-[1.5px] underline-offset-[5px] hover:bg-accent-soft data-open:rounded-[5px] data-open:bg-accent-soft data-open:no-underline data-open:outline-[1.5px] data-open:outline-accent ${part.measure ? "measure" : ""}`}
              >
                {part.text}
              </PopoverButton>
              <PopoverPanel
                focus
                anchor={{ to: "bottom start", gap: 8, padding: 12 }}
                aria-label={title}
                className={`z-30 rounded-xl border border-line bg-white p-3.5 text-[14px] tracking-normal text-ink shadow-xl ${wide ? "w-[420px]" : "w-[320px]"}`}
              >
                <p className="mb-2.5 text-[13px] font-semibold">{title}</p>
                <Panel job={job} words={words} change={change} />
              </PopoverPanel>
            </Popover>
          );
        })}
    </p>
  );
}
