import { arrange, evenBorder, onItsSide, type Job, type TicketOf } from "@wide-quilt/core";
import { useAppSelector } from "../../../../app/hooks.ts";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { button } from "../../../../ui/button.ts";
import { panelOf, type PanelProps } from "../../../../kinds/panel.tsx";

const PLACES: { value: TicketOf<"copies">["place"]; text: string }[] = [
  { value: "centred", text: "Centred" },
  { value: "top", text: "At the top, in the middle" },
  { value: "top left", text: "In the top left corner" },
];

/** Where the block of pieces lies between the margins. */
export function PlacePanel(props: PanelProps) {
  const { job, change } = props;
  const { ticket } = job;
  if (!("place" in ticket)) return null;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="Place on the sheet"
        value={ticket.place}
        onChange={(place) => change({ do: "ticket", change: { place } })}
        choices={PLACES}
      />
      <EvenBorder {...props} />
    </div>
  );
}

/** For one piece on a sheet: the size that makes its white border even, and what that crops. */
const EvenBorder = panelOf("copies", ({ job, ticket, words, change }) => {
  const photos = useAppSelector((state) => state.openJob.photos);
  const sheet = arrange(job, photos)[0];
  const cell = sheet?.cells[0];
  if (!cell || sheet.cells.length !== 1) return null;
  const even = evenBorder(sheet.trim, cell.finished);
  if (!even) return null;
  const size = cell.turn === 0 ? even.size : onItsSide(even.size);
  const tried: Job = { ...job, ticket: { ...ticket, size, place: "centred" } };
  const loss = arrange(tried, photos)[0]?.cells[0]?.picture?.loss;
  return (
    <div className="flex flex-col gap-2 border-t border-line pt-3 text-[12.5px] text-ink-2">
      <p>
        The white border is uneven. A piece of <b className="measure text-ink">{words.size(size)}</b> has{" "}
        <b className="measure text-ink">{words.measure(even.border)}</b> on all sides
        {loss !== undefined && (
          <>
            {" "}
            and crops <b className="measure text-ink">{words.percent(loss)}</b> of the photo
          </>
        )}
        .
      </p>
      <button
        type="button"
        className={button.plain}
        onClick={() => change({ do: "ticket", change: { size, place: "centred" } })}
      >
        Even the border
      </button>
    </div>
  );
});
