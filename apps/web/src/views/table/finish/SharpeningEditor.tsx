import { STRENGTHS, type Strength } from "@wide-quilt/core";
import { useAppSelector } from "../../../app/hooks.ts";
import { selectJob } from "../../../table/sheets.ts";
import { ChoiceList } from "../../../ui/ChoiceList.tsx";
import type { EditorProps } from "./useFinish.ts";

const TEXTS: Record<Strength, string> = { low: "Low", normal: "Normal", high: "High" };

/** How strongly photos are sharpened for paper. It is seen in the written pixels, not on the table. */
export function SharpeningEditor({ finish: { style, set } }: EditorProps) {
  const medium = useAppSelector((state) => selectJob(state)?.target.medium);
  return (
    <>
      <ChoiceList<Strength | null>
        label="Strength"
        value={style.sharpening}
        onChange={(sharpening) => set({ sharpening })}
        choices={[
          { value: null, text: "None", about: "photos as they are" },
          ...STRENGTHS.map((value) => ({ value, text: TEXTS[value] })),
        ]}
      />
      <p className="text-[12.5px] text-ink-2">
        On lightness alone, as wide as an eye just resolves at the print’s size. How much ink spreads is set
        by the medium on Press{medium === "none" && ", which is “none” now: nothing is sharpened"}.
      </p>
    </>
  );
}
