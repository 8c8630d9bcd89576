import type { PersonReport } from "@wide-quilt/core";
import { useAppSelector } from "../../app/hooks.ts";
import { Checks } from "../../portraits/Checks.tsx";
import { StateBadge } from "../../portraits/StateBadge.tsx";
import { PieceThumb } from "../people/PieceThumb.tsx";

/** The picture that was kept, as it will be cut, and how it stands to the rule. */
export function Taken({ report }: { report: PersonReport }) {
  const { photo, cell, state } = report;
  const record = useAppSelector(({ openJob }) => (photo === null ? undefined : openJob.photos[photo]));
  return (
    <div className="absolute inset-0 flex items-center justify-center gap-8 overflow-auto bg-chrome p-6">
      {cell && photo !== null && <PieceThumb cell={cell} height={360} />}
      <div className="flex max-h-full w-72 flex-col gap-3 overflow-y-auto" role="status">
        {record?.seen ? (
          <>
            <div>
              <StateBadge state={state} />
            </div>
            <Checks report={report} record={record} />
          </>
        ) : (
          <p className="text-[13px] text-ink-2">Looking at it …</p>
        )}
      </div>
    </div>
  );
}
