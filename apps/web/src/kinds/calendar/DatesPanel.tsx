import { calendarOf, toWorkOut } from "@wide-quilt/core";
import { RefreshCw } from "lucide-react";
import { useState } from "react";
import { bringDayFiles, bringDays, renewDays } from "../../calendar/bringDays.ts";
import { AddDays } from "../../calendar/AddDays.tsx";
import { SourceFields } from "../../calendar/SourceFields.tsx";
import { useSources } from "../../calendar/useSources.ts";
import { button } from "../../ui/button.ts";
import { panelOf } from "../panel.tsx";

/** Where days come from that mean something, and how they are shown. */
export const DatesPanel = panelOf("calendar", ({ job }) => {
  const { busy, said, put, bring } = useSources();
  const [open, setOpen] = useState<string | null>(null);
  const sources = Object.entries(calendarOf(job).sources);
  return (
    <div className="flex flex-col gap-3">
      {sources.length > 0 && (
        <ul className="flex flex-col gap-1.5" aria-label="Kinds of days">
          {sources.map(([name, source]) => (
            <SourceFields
              key={name}
              source={source}
              open={open === name}
              onOpen={() => setOpen(open === name ? null : name)}
              set={(next, gesture) => put(name, next && { ...source, ...next }, gesture)}
            />
          ))}
        </ul>
      )}
      {toWorkOut(job).length > 0 && (
        <button
          type="button"
          disabled={busy}
          className={`${button.look} self-start`}
          onClick={() => void bring(renewDays)}
        >
          <RefreshCw size={14} aria-hidden /> Work them out again for the months that are shown
        </button>
      )}
      <AddDays
        count={sources.length}
        busy={busy}
        bring={(find) => bring(() => bringDays(find))}
        bringFiles={(files) => bring(() => bringDayFiles(files))}
      />
      {said.length > 0 && (
        <ul
          role="status"
          className="flex max-h-40 flex-col gap-1 overflow-y-auto rounded-md bg-look-soft px-2.5 py-2 text-[12.5px] text-look"
        >
          {said.map((sentence, i) => (
            <li key={i}>{sentence}</li>
          ))}
        </ul>
      )}
    </div>
  );
});
