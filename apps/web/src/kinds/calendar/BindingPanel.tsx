import { LIMITS, mm } from "@wide-quilt/core";
import { LengthField } from "../../ui/LengthField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { panelOf } from "../panel.tsx";

/** Wire, rings or a nail: where sheets hang, and what is kept free for the holes. */
export const BindingPanel = panelOf("calendar", ({ ticket, words, set }) => {
  const { binding } = ticket;
  return (
    <div className="flex flex-col gap-3">
      <Segments
        label="Bound or hung at"
        value={binding?.side ?? "none"}
        onChange={(side) =>
          set({ binding: side === "none" ? null : { zone: binding?.zone ?? mm(12), side } })
        }
        choices={[
          { value: "none", text: "Nowhere" },
          { value: "top", text: "The top" },
          { value: "left", text: "The left" },
        ]}
      />
      {binding && (
        <LengthField
          label="Kept free for the holes"
          value={binding.zone}
          range={LIMITS.margin}
          words={words}
          onChange={(zone, g) => set({ binding: { ...binding, zone } }, g)}
        />
      )}
      {binding?.side === "top" && (
        <p className="text-[12.5px] text-ink-2">
          Printed on both sides and leafed over the top, the back of a sheet hangs upright where the printer
          turns paper over its upper edge. Where it turns it over the side, “Pages to a sheet” turns every
          second page.
        </p>
      )}
    </div>
  );
});
