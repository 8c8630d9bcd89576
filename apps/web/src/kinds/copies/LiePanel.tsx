import { layOut, type Job, type TicketOf } from "@wide-quilt/core";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { LIES } from "../../views/table/ticket/panels/PaperLiePanel.tsx";
import { panelOf } from "../panel.tsx";

type Turns = TicketOf<"copies">["turnPieces"];

const TURNS: { value: Turns; text: string }[] = [
  { value: "never", text: "No piece is turned" },
  { value: "all", text: "All alike, turned where more fit so" },
  { value: "each", text: "Each by itself, in blocks" },
];

/** Whether the paper stands or lies, and whether pieces may be turned on it. */
export const LiePanel = panelOf("copies", ({ job, ticket, set, change }) => {
  const fits = (sheet: Partial<Job["sheet"]>, own: Partial<TicketOf<"copies">>) => {
    const tried = { ...job, sheet: { ...job.sheet, ...sheet }, ticket: { ...ticket, ...own } };
    return `fits ${layOut(tried, {}).sums.mostPerSheet}`;
  };
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="How the paper lies"
        value={job.sheet.lie}
        onChange={(lie) => change({ do: "sheet", change: { lie } })}
        choices={LIES.map((choice) => ({ ...choice, aside: fits({ lie: choice.value }, {}) }))}
      />
      <div className="border-t border-line pt-2">
        <ChoiceList
          label="How the pieces lie"
          value={ticket.turnPieces}
          onChange={(turnPieces) => set({ turnPieces })}
          choices={TURNS.map((choice) => ({ ...choice, aside: fits({}, { turnPieces: choice.value }) }))}
        />
      </div>
      {ticket.turnPieces === "each" && (
        <label className="flex items-center gap-2 px-2 text-[13.5px]">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={ticket.cuts === "straight"}
            onChange={(event) => set({ cuts: event.target.checked ? "straight" : "any" })}
          />
          Only layouts that a trimmer can cut edge to edge
        </label>
      )}
    </div>
  );
});
