import { evenEdges, LIMITS, mm, raisedReveal, type Edges, type Mat } from "@wide-quilt/core";
import { Check } from "../../../ui/Check.tsx";
import { LengthField } from "../../../ui/LengthField.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import type { Words } from "../../../words/words.ts";
import { ColourField } from "./ColourField.tsx";
import { SidesField } from "./SidesField.tsx";
import type { EditorProps } from "./useFinish.ts";

const UPPER: Mat["layers"][number] = { reveal: evenEdges(mm(18)), colour: "#f3efe6" };
const LOWER: Mat["layers"][number] = { reveal: evenEdges(mm(4)), colour: "#4a4a46" };
const BEVEL: NonNullable<Mat["bevel"]> = { width: mm(0.8), colour: "#ffffff" };

/** A mat of one or two boards around the photo. */
export function MatEditor({ finish: { style, words, set } }: EditorProps) {
  const { mat } = style;
  const change = (next: Partial<Mat>, gesture?: string) => mat && set({ mat: { ...mat, ...next } }, gesture);
  const layers = (count: "0" | "1" | "2") => {
    if (count === "0") return set({ mat: null });
    const [upper = UPPER, lower = LOWER] = mat?.layers ?? [];
    const all = count === "1" ? [upper] : [upper, lower];
    set({ mat: { bevel: BEVEL, optical: false, ...mat, layers: all } });
  };
  return (
    <>
      <Segments
        label="Boards of the mat"
        value={String(mat?.layers.length ?? 0) as "0" | "1" | "2"}
        onChange={layers}
        choices={[
          { value: "0", text: "None" },
          { value: "1", text: "Single" },
          { value: "2", text: "Double" },
        ]}
      />
      {mat?.layers.map((layer, i) => {
        const name = mat.layers.length === 1 ? "Board" : i === 0 ? "Upper board" : "Lower board";
        const setLayer = (own: Partial<typeof layer>, gesture?: string) =>
          change({ layers: mat.layers.map((one, j) => (j === i ? { ...one, ...own } : one)) }, gesture);
        return (
          <fieldset key={i} className="flex flex-col gap-2 border-t border-line pt-2">
            <legend className="text-[12.5px] font-semibold">{name}</legend>
            <SidesField
              label="Seen"
              value={layer.reveal}
              words={words}
              onChange={(reveal, g) => setLayer({ reveal }, g)}
            />
            <ColourField
              label={`${name}, colour`}
              value={layer.colour}
              onChange={(colour, g) => setLayer({ colour }, g)}
            />
          </fieldset>
        );
      })}
      {mat && (
        <>
          <Check
            label="the cut edge is seen"
            checked={mat.bevel !== null}
            onChange={(on) => change({ bevel: on ? BEVEL : null })}
          />
          {mat.bevel && (
            <div className="grid grid-cols-2 gap-2">
              <LengthField
                label="Edge, width"
                value={mat.bevel.width}
                range={LIMITS.line}
                words={words}
                onChange={(width, g) => change({ bevel: { ...mat.bevel!, width } }, g)}
              />
              <ColourField
                label="Edge, colour"
                value={mat.bevel.colour}
                onChange={(colour, g) => change({ bevel: { ...mat.bevel!, colour } }, g)}
              />
            </div>
          )}
          <Check
            label="a little deeper below, as the eye likes it"
            checked={mat.optical}
            onChange={(optical) => change({ optical })}
          />
          {mat.optical && <Raised reveal={mat.layers[0]!.reveal} words={words} />}
        </>
      )}
    </>
  );
}

/** What becomes of the upper and lower width that were typed, when the opening sits higher. */
function Raised({ reveal, words }: { reveal: Edges; words: Words }) {
  const { top, bottom } = raisedReveal(reveal);
  return (
    <p className="text-[12.5px] text-ink-2">
      Printed <b className="measure font-medium text-ink">{words.measure(top)}</b> above and{" "}
      <b className="measure font-medium text-ink">{words.measure(bottom)}</b> below.
    </p>
  );
}
