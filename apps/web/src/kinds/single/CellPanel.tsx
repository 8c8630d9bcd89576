import { arrange, LIMITS, type TicketOf } from "@wide-quilt/core";
import { useAppSelector } from "../../app/hooks.ts";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { BorderPanel } from "../../views/table/ticket/panels/BorderPanel.tsx";
import { SizeFields } from "../../views/table/ticket/panels/SizeFields.tsx";
import { panelOf } from "../panel.tsx";

const WAYS: { value: TicketOf<"single">["way"]; text: string; about: string }[] = [
  {
    value: "border",
    text: "Even white border",
    about: "the cell is the paper less the same border on all sides",
  },
  { value: "whole", text: "Whole photo", about: "nothing cropped, at least this border" },
  { value: "size", text: "One size", about: "in the middle of the sheet, lying as the photo does" },
];

/** The one cell of a sheet: by its border, by its photo, or by a size. */
export const CellPanel = panelOf("single", (props) => {
  const { job, ticket, words, set } = props;
  const photos = useAppSelector((state) => state.openJob.photos);
  const loss = (way: TicketOf<"single">["way"]) => {
    const tried = { ...job, ticket: { ...ticket, way } };
    const losses = arrange(tried, photos).flatMap(({ cells }) => cells[0]?.picture?.loss ?? []);
    return losses.length === 0 ? undefined : `crops ${words.percent(Math.max(...losses))} at most`;
  };
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="The cell of each sheet"
        value={ticket.way}
        onChange={(way) => set({ way })}
        choices={WAYS.map((choice) => ({ ...choice, aside: loss(choice.value) }))}
      />
      {ticket.way === "size" ? (
        <SizeFields
          size={ticket.size}
          range={LIMITS.piece}
          words={words}
          onChange={({ width, height }, gesture) => set({ size: { width, height } }, gesture)}
        />
      ) : (
        <BorderPanel {...props} />
      )}
    </div>
  );
});
