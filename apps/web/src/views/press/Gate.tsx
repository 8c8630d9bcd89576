import { CircleCheck } from "lucide-react";
import { useAppSelector } from "../../app/hooks.ts";
import { selectToCheck } from "../../table/sheets.ts";
import { CheckList } from "../table/CheckList.tsx";

/** What should be looked at before anything is written; it can be passed knowingly. */
export function Gate() {
  const found = useAppSelector(selectToCheck).length;
  if (found === 0) {
    return (
      <p className="flex items-start gap-2 rounded-lg bg-good-soft px-3 py-2.5 text-[13px] text-good">
        <CircleCheck size={16} className="mt-0.5 shrink-0" aria-hidden />
        Nothing on these sheets would spoil the print.
      </p>
    );
  }
  return <CheckList />;
}
