import { sheetCalled, type Done, type SheetPlan } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { edit } from "../../table/edits.ts";
import { selectJob, selectPrinted } from "../../table/sheets.ts";
import { button } from "../../ui/button.ts";
import { Segments } from "../../ui/Segments.tsx";

const STEPS: { value: Done | "not yet"; text: string }[] = [
  { value: "not yet", text: "Not yet" },
  { value: "printed", text: "Printed" },
  { value: "cut", text: "Cut" },
  { value: "glued", text: "Glued" },
  { value: "wrong", text: "Went wrong" },
];

/** How far a sheet is, and which sheets are printed and written next: work that goes on over days. */
export function MakingFields({ sheet }: { sheet: SheetPlan }) {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const printed = useAppSelector(selectPrinted);
  if (!job) return null;
  const { only, done } = job.making;
  const own = sheetCalled(sheet);
  // A map is printed with them and neither cut nor glued.
  const isMap = (one: SheetPlan) => one.parts.every(({ scale }) => scale < 1);
  const all = printed.filter((one) => !isMap(one)).map(sheetCalled);
  const undone = all.filter((name) => done[name] === undefined || done[name] === "wrong");
  const wrong = all.filter((name) => done[name] === "wrong");
  const glued = all.filter((name) => done[name] === "glued").length;
  const choose = (names: string[] | null) => dispatch(edit({ do: "making", only: names }));
  return (
    <div className="mt-4 flex flex-col gap-3">
      <h3 className="flex justify-between gap-2 text-[12.5px] font-semibold">
        {isMap(sheet) ? "All sheets" : `How far ${own} is`}
        <span className="font-normal text-ink-3">
          {all.length - undone.length} of {all.length} printed, {glued} glued
        </span>
      </h3>
      {!isMap(sheet) && (
        <div className="[&>*]:flex-wrap">
          <Segments
            label={`How far ${own} is`}
            value={done[own] ?? "not yet"}
            choices={STEPS}
            onChange={(to) => dispatch(edit({ do: "making", done: { [own]: to === "not yet" ? null : to } }))}
          />
        </div>
      )}
      <h3 className="text-[12.5px] font-semibold">Sheets to be made</h3>
      <div className="flex flex-wrap gap-1.5">
        <button type="button" className={button.plain} aria-pressed={!only} onClick={() => choose(null)}>
          All {printed.length}
        </button>
        <button type="button" className={button.plain} onClick={() => choose([own])}>
          {own} alone
        </button>
        {undone.length > 0 && undone.length < all.length && (
          <button type="button" className={button.plain} onClick={() => choose(undone)}>
            The {undone.length} not printed yet
          </button>
        )}
        {wrong.length > 0 && (
          <button type="button" className={button.plain} onClick={() => choose(wrong)}>
            {wrong.length === 1 ? "The one" : `The ${wrong.length}`} that went wrong
          </button>
        )}
        {only && !only.includes(own) && (
          <button type="button" className={button.plain} onClick={() => choose([...only, own])}>
            {own} as well
          </button>
        )}
      </div>
      <p role="status" className="text-[12.5px] text-ink-2">
        {only
          ? `Only ${listed(only)} ${only.length === 1 ? "is" : "are"} printed and written.`
          : "All sheets are printed and written."}
      </p>
    </div>
  );
}

const MOST = 10;
const listed = (names: readonly string[]) =>
  names.length > MOST
    ? `${names.slice(0, MOST).join(", ")} and ${names.length - MOST} more`
    : names.join(", ");
