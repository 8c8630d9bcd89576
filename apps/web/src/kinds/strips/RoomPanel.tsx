import { LIMITS, mm, type TicketOf } from "@wide-quilt/core";
import { LengthField } from "../../ui/LengthField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { TemplateField } from "../../views/table/finish/TemplateField.tsx";
import { TypeFields } from "../../views/table/finish/TypeFields.tsx";
import { LengthSlider } from "../../views/table/ticket/panels/LengthSlider.tsx";
import { panelOf } from "../panel.tsx";

const SIDES: { value: TicketOf<"strips">["roomAt"]; text: string }[] = [
  { value: "foot", text: "Foot" },
  { value: "head", text: "Head" },
  { value: "left", text: "Left" },
  { value: "right", text: "Right" },
];

/** Room for words beside the shots, and what stands there. */
export const RoomPanel = panelOf("strips", ({ ticket, words, set }) => (
  <div className="flex flex-col gap-3">
    <Segments
      label="Where the words stand"
      value={ticket.roomAt}
      onChange={(roomAt) => set({ roomAt })}
      choices={SIDES}
    />
    <LengthField
      label="Room"
      value={ticket.room}
      range={LIMITS.margin}
      words={words}
      onChange={(room, gesture) => set({ room }, gesture)}
    />
    <LengthSlider
      label="Room, by sliding"
      value={ticket.room}
      most={mm(60)}
      step={mm(0.5)}
      onChange={(room, gesture) => set({ room }, gesture)}
    />
    {ticket.room > 0 && (
      <div className="flex flex-col gap-2.5 border-t border-line pt-3">
        <TemplateField
          label="Words"
          value={ticket.words.text}
          placeholder="[event], [date]"
          onChange={(text, gesture) => set({ words: { ...ticket.words, text } }, gesture)}
        />
        <TypeFields
          type={ticket.words.type}
          words={words}
          onChange={(change, gesture) =>
            set({ words: { ...ticket.words, type: { ...ticket.words.type, ...change } } }, gesture)
          }
        />
      </div>
    )}
  </div>
));
