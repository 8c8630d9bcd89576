import { TRIMMER_RANGES, type Trimmer } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { preferred } from "../../app/preferences.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { useWords } from "../../words/words.ts";

const FIELDS: { part: keyof Trimmer; label: string }[] = [
  { part: "holds", label: "Trimmer takes, of paper" },
  { part: "paper", label: "Thickness of a sheet" },
];

/** What goes under the reader's knife at once. */
export function TrimmerFields() {
  const dispatch = useAppDispatch();
  const trimmer = useAppSelector((state) => state.preferences.trimmer);
  const words = useWords();
  return FIELDS.map(({ part, label }) => (
    <div key={part} className="w-44">
      <LengthField
        label={label}
        value={trimmer[part]}
        range={TRIMMER_RANGES[part]}
        words={words}
        onChange={(um) => dispatch(preferred({ trimmer: { ...trimmer, [part]: um } }))}
      />
    </div>
  ));
}
