import { mm, UNITS } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { preferred } from "../../app/preferences.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";

/** A bank card (ISO/IEC 7810 ID-1), in millimetres, and the corners it has. */
const CARD = { width: 85.6, height: 53.98, corner: 3.18 };
/** The card’s width on screen, in CSS millimetres, between which the slider goes. */
const RANGE = { least: 45, most: 150 };
/** What a ruler may say of the frame. */
const RULER = { least: mm(20), most: mm(400) };

/** True size on this screen, by a bank card held to it; and the unit of new jobs. */
export function ScreenCard() {
  const dispatch = useAppDispatch();
  const scale = useAppSelector((state) => state.preferences.screenScale);
  const unit = useAppSelector((state) => state.preferences.unit);
  const words = useWords();
  // In CSS millimetres, of which the browser believes that they are true ones.
  const shown = CARD.width / scale;
  return (
    <>
      <section aria-labelledby="screen">
        <h2 id="screen" className="mb-2 text-[15px] font-semibold">
          True size on this screen
        </h2>
        <p className="mb-3 text-[12.5px] text-ink-2">
          Hold a bank card to the frame and draw it until both are alike, or lay a ruler to it and type in how
          wide it is. “True size” on the table is then as large as the print.
        </p>
        <div className="overflow-auto rounded-lg bg-table p-5">
          <div
            aria-hidden
            className="border-2 border-accent bg-white/60"
            style={{
              width: `${shown}mm`,
              height: `${(shown * CARD.height) / CARD.width}mm`,
              borderRadius: `${(shown * CARD.corner) / CARD.width}mm`,
            }}
          />
        </div>
        <label className="mt-2 flex flex-col gap-1 text-[12.5px] text-ink-2">
          Width of the frame
          <input
            type="range"
            className="accent-accent"
            min={RANGE.least}
            max={RANGE.most}
            step={0.1}
            value={shown}
            aria-valuetext={`${shown.toFixed(1)} mm by the screen’s own measure`}
            onChange={({ target }) => dispatch(preferred({ screenScale: CARD.width / Number(target.value) }))}
          />
        </label>
        <div className="mt-2">
          <LengthField
            label="Its width by a ruler"
            value={mm(CARD.width)}
            range={RULER}
            words={words}
            onChange={(measured) => dispatch(preferred({ screenScale: measured / 1000 / shown }))}
          />
        </div>
        {scale !== 1 && (
          <button
            type="button"
            className={`${button.quiet} -ml-3`}
            onClick={() => dispatch(preferred({ screenScale: 1 }))}
          >
            As the screen says
          </button>
        )}
      </section>
      <section aria-labelledby="unit">
        <h2 id="unit" className="mb-2 text-[15px] font-semibold">
          Units
        </h2>
        <SelectField
          label="New jobs begin in"
          value={unit}
          choices={UNITS.map((value) => ({ value, text: value }))}
          onChange={(next) => dispatch(preferred({ unit: next }))}
        />
      </section>
    </>
  );
}
