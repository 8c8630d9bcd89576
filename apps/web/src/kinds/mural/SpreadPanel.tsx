import { LIMITS, sharpFrom, writeAway, type TicketOf } from "@wide-quilt/core";
import { useAppSelector } from "../../app/hooks.ts";
import { selectLayout, selectSheets } from "../../table/sheets.ts";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { LengthField } from "../../ui/LengthField.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { SizeFields } from "../../views/table/ticket/panels/SizeFields.tsx";
import { panelOf } from "../panel.tsx";

const WAYS: { value: TicketOf<"mural">["by"]; text: string; about: string }[] = [
  { value: "width", text: "By its width", about: "its height follows from the photo" },
  { value: "height", text: "By its height", about: "its width follows from the photo" },
  { value: "size", text: "By both sides", about: "the photo fills it and is cropped where it has to be" },
  { value: "sheets", text: "By how many sheets", about: "as large as full sheets make it" },
];

/** How large the picture is once it is put together. */
export const SpreadPanel = panelOf("mural", ({ ticket, words, set }) => {
  const size = useAppSelector((state) => selectLayout(state)?.sums.size);
  const cell = useAppSelector((state) => selectSheets(state)[0]?.cells[0]);
  const ppi = cell?.picture?.ppi;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="What its size comes from"
        value={ticket.by}
        // Whatever it came from before, it begins where the picture is.
        onChange={(by) => set(by === "sheets" ? { by } : { by, ...size })}
        choices={WAYS}
      />
      {ticket.by === "width" && (
        <LengthField
          label="Width"
          value={ticket.width}
          range={LIMITS.mural}
          words={words}
          onChange={(width, g) => set({ width }, g)}
        />
      )}
      {ticket.by === "height" && (
        <LengthField
          label="Height"
          value={ticket.height}
          range={LIMITS.mural}
          words={words}
          onChange={(height, g) => set({ height }, g)}
        />
      )}
      {ticket.by === "size" && (
        <SizeFields
          size={ticket}
          range={LIMITS.mural}
          words={words}
          onChange={({ width, height }, g) => set({ width, height }, g)}
        />
      )}
      {ticket.by === "sheets" && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label="Sheets across"
            value={ticket.columns}
            {...LIMITS.strips}
            whole
            onChange={(columns, g) => set({ columns }, g)}
          />
          <NumberField
            label="Sheets down"
            value={ticket.rows}
            {...LIMITS.strips}
            whole
            onChange={(rows, g) => set({ rows }, g)}
          />
        </div>
      )}
      <p role="status" className="text-[12.5px] text-ink-2">
        {size && `Together ${words.size(size)}. `}
        {ppi !== undefined &&
          `The photo has ${words.number(ppi)} ppi at that size, sharp from ${writeAway(sharpFrom(ppi), words)} away.`}
      </p>
    </div>
  );
});
