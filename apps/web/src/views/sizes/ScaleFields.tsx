import { isTrue, LIMITS, mm, scaleError, type Printer, type Um } from "@wide-quilt/core";
import { useState } from "react";
import { LengthField } from "../../ui/LengthField.tsx";
import { button } from "../../ui/button.ts";
import type { Words } from "../../words/words.ts";

interface Props {
  scale: Printer["scale"];
  words: Words;
  onChange(scale: Printer["scale"]): void;
}

/** The two scales of a ruler sheet on upright A4; another paper has others, which its sheet says. */
const INTENDED = { across: mm(180), down: mm(260) };

/** What a printer makes of true sizes, from the two scales of a ruler sheet. */
export function ScaleFields({ scale, words, onChange }: Props) {
  const [intended, setIntended] = useState(INTENDED);
  const [measured, setMeasured] = useState<typeof INTENDED | null>(null);
  const own = measured ?? intended;
  const error = scaleError(
    { intended: intended.across, measured: own.across },
    { intended: intended.down, measured: own.down },
  );
  const field = (label: string, value: Um, onLength: (um: Um) => void) => (
    <LengthField label={label} value={value} range={LIMITS.paper} words={words} onChange={onLength} />
  );
  const percent = (share: number) => `${words.number(share * 100, 2, 2)}\u00a0%`;
  return (
    <div className="flex flex-col gap-2.5">
      <p className="text-[12.5px] text-ink-2">
        {isTrue(scale)
          ? "Taken to print at true size. Print a ruler sheet, hold a ruler to both scales, and type in what it says."
          : `Prints ${percent(scale.across)} across and ${percent(scale.down)} down. Sheets for it are written so that they come out true.`}
      </p>
      <div className="grid grid-cols-4 items-end gap-2 max-[800px]:grid-cols-2">
        {field("Across, on the sheet", intended.across, (across) => setIntended({ ...intended, across }))}
        {field("Across, measured", own.across, (across) => setMeasured({ ...own, across }))}
        {field("Down, on the sheet", intended.down, (down) => setIntended({ ...intended, down }))}
        {field("Down, measured", own.down, (down) => setMeasured({ ...own, down }))}
      </div>
      {!error.ok && (
        <p role="alert" className="text-[12.5px] text-wrong">
          {error.why}
        </p>
      )}
      <div className="flex gap-2">
        <button
          type="button"
          className={button.plain}
          disabled={!error.ok || measured === null}
          onClick={() => error.ok && onChange(error.scale)}
        >
          Correct by these measures
        </button>
        {!isTrue(scale) && (
          <button type="button" className={button.quiet} onClick={() => onChange({ across: 1, down: 1 })}>
            No correction
          </button>
        )}
      </div>
    </div>
  );
}
