import type { TicketOf } from "@wide-quilt/core";
import { Check } from "../../ui/Check.tsx";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { TemplateField } from "../../views/table/finish/TemplateField.tsx";
import { panelOf } from "../panel.tsx";

const COVERS: { value: TicketOf<"calendar">["cover"]; text: string; about?: string }[] = [
  { value: "none", text: "No cover" },
  { value: "again", text: "With the first photo", about: "which is that of the first month too" },
  { value: "own", text: "With a photo of its own", about: "the first one; the months have those after it" },
  { value: "all", text: "With all photos, small" },
];

/** What stands before and after the months. */
export const CoverPanel = panelOf("calendar", ({ ticket, set }) => (
  <div className="flex flex-col gap-3">
    <ChoiceList label="Cover" value={ticket.cover} onChange={(cover) => set({ cover })} choices={COVERS} />
    {ticket.cover !== "none" && (
      <TemplateField
        label="On the cover"
        value={ticket.title}
        placeholder="[year]"
        onChange={(title, g) => set({ title }, g)}
      />
    )}
    <Check
      label="a page with all its months small"
      checked={ticket.year}
      onChange={(year) => set({ year })}
    />
    <Check
      label="a last page with the twelve months after"
      checked={ticket.last}
      onChange={(last) => set({ last })}
    />
  </div>
));
