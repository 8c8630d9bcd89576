import { ANCHORS, LIMITS, PHOTO_SHARE, type TicketOf } from "@wide-quilt/core";
import { LengthField } from "../../ui/LengthField.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { Slider } from "../../ui/Slider.tsx";
import { panelOf } from "../panel.tsx";

type Ticket = TicketOf<"calendar">;

const SIDES: { value: Ticket["photo"]; text: string }[] = [
  { value: "above", text: "Above the days" },
  { value: "below", text: "Below the days" },
  { value: "left", text: "At the left of the days" },
  { value: "right", text: "At the right of the days" },
  { value: "behind", text: "Behind the days" },
  { value: "facing", text: "On a facing page of its own" },
  { value: "none", text: "No photo" },
];

const CORNERS = ANCHORS.map((value) => ({ value, text: `${value[0]!.toUpperCase()}${value.slice(1)}` }));

/** Where photos stand, what they take of the page, and which of them come to which month. */
export const PhotoPanel = panelOf("calendar", ({ ticket, words, set }) => {
  const { photo, share } = ticket;
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Photos stand"
          value={photo}
          choices={SIDES}
          onChange={(next) =>
            set({ photo: next, ...(next === "behind" && photo !== "behind" && { share: 0.85 }) })
          }
        />
        {photo !== "none" && (
          <NumberField
            label="Photos of a page"
            value={ticket.photos}
            least={1}
            most={9}
            whole
            onChange={(photos, g) => set({ photos }, g)}
          />
        )}
      </div>
      {photo !== "none" && photo !== "facing" && (
        <Slider
          label={photo === "behind" ? "Photo free" : "Photo"}
          value={share}
          {...PHOTO_SHARE}
          step={0.01}
          shown={words.percent(share)}
          onChange={(next, g) => set({ share: next }, g)}
        />
      )}
      {photo === "behind" && (
        <SelectField
          label="The days stand"
          value={ticket.corner}
          choices={CORNERS}
          onChange={(corner) => set({ corner })}
        />
      )}
      <div className="grid grid-cols-3 gap-2">
        <LengthField
          label="Between them"
          value={ticket.gap}
          range={LIMITS.gap}
          words={words}
          onChange={(gap, g) => set({ gap }, g)}
        />
        <LengthField
          label="Around the days"
          value={ticket.inset}
          range={LIMITS.margin}
          words={words}
          onChange={(inset, g) => set({ inset }, g)}
        />
        <LengthField
          label="White border"
          value={ticket.border}
          range={LIMITS.margin}
          words={words}
          onChange={(border, g) => set({ border }, g)}
        />
      </div>
      {photo !== "none" && (
        <Segments
          label="Which photos come to which month"
          value={ticket.by}
          onChange={(by) => set({ by })}
          choices={[
            { value: "order", text: "In their order" },
            { value: "date", text: "By the month they were taken in" },
          ]}
        />
      )}
    </div>
  );
});
