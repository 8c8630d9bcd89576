import { EVENT_LIMITS, type EventEntry, type EventSet } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { useState } from "react";
import { button } from "../../ui/button.ts";
import { NumberField } from "../../ui/NumberField.tsx";
import { OverPage } from "../../ui/OverPage.tsx";
import { SetPicture } from "./SetPicture.tsx";

interface Props {
  view: EventView;
  /** Null while none is looked at. */
  set: EventSet | null;
  tell(entry: EventEntry): Promise<void>;
  onClose(): void;
}

/** A set by itself: as it is printed, and to be printed again. */
export function SetPanel({ view, set, tell, onClose }: Props) {
  const [copies, setCopies] = useState(1);
  const prints = view.state.prints.filter((print) => print.set === set?.number);
  const out = prints.filter(({ state }) => state === "printed").length;
  return (
    <OverPage title={set ? `Set ${set.number}` : ""} open={set !== null} onClose={onClose}>
      {set && (
        <div className="grid grid-cols-[auto_1fr] gap-6">
          <div className="rounded-lg bg-table p-5">
            <SetPicture
              view={view}
              set={set}
              pixels={800}
              className="h-[420px] max-w-[240px]"
              label={`Set ${set.number} as it is printed`}
            />
          </div>
          <div className="flex flex-col gap-4 text-[13.5px]">
            <p>
              {out === 0
                ? "No print of it came out yet."
                : `${out} ${out === 1 ? "print" : "prints"} came out.`}
              {prints.length > out && ` ${prints.length - out} more are asked for.`}
            </p>
            <ol className="list-inside list-decimal text-ink-2">
              {set.shots.map((shot, i) => (
                <li key={i} className="truncate">
                  {shot?.name ?? "no shot"}
                </li>
              ))}
            </ol>
            {set.full !== null && (
              <div className="flex items-end gap-2">
                <NumberField
                  label="Prints"
                  value={copies}
                  least={1}
                  most={EVENT_LIMITS.most.most}
                  whole
                  onChange={setCopies}
                />
                <button
                  type="button"
                  className={button.main}
                  onClick={() => {
                    void tell({ do: "again", set: set.number, copies });
                    onClose();
                  }}
                >
                  Print it again
                </button>
              </div>
            )}
          </div>
        </div>
      )}
    </OverPage>
  );
}
