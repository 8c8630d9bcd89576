import {
  AS_IT_IS,
  isAsItIs,
  KEPT_WITH_PROGRAM,
  LOOK_RANGES,
  type Look,
  type LookFigure,
} from "@wide-quilt/core";
import { Slider } from "../../../ui/Slider.tsx";
import { button } from "../../../ui/button.ts";
import { CurveField } from "./CurveField.tsx";
import { KeepStyle, KeptStyles } from "./KeptStyles.tsx";
import type { EditorProps } from "./useFinish.ts";

const NAMES: Record<LookFigure, string> = {
  exposure: "Exposure",
  contrast: "Contrast",
  saturation: "Saturation",
  warmth: "Warmth",
  fade: "Fade",
  mono: "Mono",
  pale: "Pale",
};

const LOOKS = KEPT_WITH_PROGRAM.filter(({ style }) => Object.keys(style).join() === "look");

/** How tones and colours are changed where they are painted; the photo stays as it is. */
export function LookEditor({ finish: { style, words, set } }: EditorProps) {
  const look = style.look ?? AS_IT_IS;
  const change = (next: Partial<Look>, gesture?: string) => {
    const changed = { ...look, ...next };
    set({ look: isAsItIs(changed) ? null : changed }, gesture);
  };
  const shown = (figure: LookFigure) => {
    const value = look[figure];
    const sign = value > 0 && LOOK_RANGES[figure].least < 0 ? "+" : "";
    return figure === "exposure"
      ? `${sign}${words.number(value, 1, 1)}`
      : `${sign}${words.number(value * 100)}`;
  };
  return (
    <>
      <div className="flex flex-col gap-1.5">
        {(Object.keys(NAMES) as LookFigure[]).map((figure) => (
          <Slider
            key={figure}
            label={NAMES[figure]}
            value={look[figure]}
            {...LOOK_RANGES[figure]}
            shown={shown(figure)}
            onChange={(value, gesture) => change({ [figure]: value }, gesture)}
          />
        ))}
      </div>
      {!isAsItIs(style.look) && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className={button.plain} onClick={() => set({ look: null })}>
            As the photo is
          </button>
          <KeepStyle style={{ look: style.look }} label="Keep this look" />
        </div>
      )}
      <KeptStyles
        title="Kept looks"
        shipped={LOOKS}
        only={({ style: kept }) => Object.keys(kept).join() === "look"}
        onChoose={({ style: kept }) => set({ look: kept.look ?? null })}
      />
      <CurveField points={look.curve} onChange={(curve, gesture) => change({ curve }, gesture)} />
    </>
  );
}
