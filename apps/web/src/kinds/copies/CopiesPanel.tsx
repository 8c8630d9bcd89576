import { layOut, LIMITS } from "@wide-quilt/core";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { panelOf } from "../panel.tsx";

/** As many as fit, or the number that was asked for. */
export const CopiesPanel = panelOf("copies", ({ job, ticket: { copies, of }, set }) => {
  const { mostPerSheet } = layOut(job, {}).sums;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList<typeof of>
        label="Of which photos"
        value={of}
        onChange={(next) => set({ of: next })}
        choices={[
          { value: "one", text: "Of one photo" },
          { value: "each", text: "Of each photo of the job", aside: job.stash.length || undefined },
        ]}
      />
      <ChoiceList
        label="How many"
        value={copies === "fit" ? "fit" : "number"}
        onChange={(choice) => set({ copies: choice === "fit" ? "fit" : Math.max(1, mostPerSheet) })}
        choices={[
          { value: "fit", text: "As many as fit on a sheet", aside: mostPerSheet },
          { value: "number", text: "Just this many, on as many sheets as it takes" },
        ]}
      />
      {copies !== "fit" && (
        <NumberField
          label="Copies"
          value={copies}
          least={LIMITS.copies.least}
          most={LIMITS.copies.most}
          whole
          onChange={(next) => set({ copies: next })}
        />
      )}
    </div>
  );
});
