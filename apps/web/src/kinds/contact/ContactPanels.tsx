import { LIMITS, type TicketOf } from "@wide-quilt/core";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { TemplateField } from "../../views/table/finish/TemplateField.tsx";
import { SizeFields } from "../../views/table/ticket/panels/SizeFields.tsx";
import { panelOf } from "../panel.tsx";

/** Columns and rows, or the size of a thumbnail. */
export const GridPanel = panelOf("contact", ({ ticket, words, set }) => (
  <div className="flex flex-col gap-3">
    <Segments
      label="How the sheet is divided"
      value={ticket.by}
      onChange={(by) => set({ by })}
      choices={[
        { value: "grid", text: "Columns and rows" },
        { value: "size", text: "Thumbnails of a size" },
      ]}
    />
    {ticket.by === "grid" ? (
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Columns"
          value={ticket.columns}
          {...LIMITS.strips}
          whole
          onChange={(columns, gesture) => set({ columns }, gesture)}
        />
        <NumberField
          label="Rows"
          value={ticket.rows}
          {...LIMITS.strips}
          whole
          onChange={(rows, gesture) => set({ rows }, gesture)}
        />
      </div>
    ) : (
      <SizeFields
        size={ticket.size}
        range={LIMITS.piece}
        words={words}
        onChange={({ width, height }, gesture) => set({ size: { width, height } }, gesture)}
      />
    )}
    <p className="text-[12.5px] text-ink-2">
      Photos are shown whole inside this room; words under them come on top of it.
    </p>
  </div>
));

const BREAKS: { value: TicketOf<"contact">["breaks"]; text: string }[] = [
  { value: "none", text: "No sections" },
  { value: "day", text: "A section for each day" },
  { value: "folder", text: "A section for each folder" },
];

export const BreaksPanel = panelOf("contact", ({ ticket, set }) => (
  <ChoiceList
    label="Sections"
    value={ticket.breaks}
    onChange={(breaks) => set({ breaks })}
    choices={BREAKS}
  />
));

export const HeadAndFootPanel = panelOf("contact", ({ ticket, set }) => (
  <div className="flex flex-col gap-3">
    <TemplateField
      label="Headline of every sheet"
      rows={1}
      placeholder="none"
      value={ticket.head}
      onChange={(head, gesture) => set({ head }, gesture)}
    />
    <TemplateField
      label="Foot line of every sheet"
      rows={1}
      placeholder="none"
      value={ticket.foot}
      onChange={(foot, gesture) => set({ foot }, gesture)}
    />
  </div>
));
