import { evenEdges, LIMITS, mm, um, type Border } from "@wide-quilt/core";
import { LengthField } from "../../../ui/LengthField.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import { ColourField } from "./ColourField.tsx";
import { SidesField } from "./SidesField.tsx";
import type { EditorProps } from "./useFinish.ts";

const USUAL: Border = {
  place: "inside",
  width: evenEdges(mm(5)),
  colour: "#ffffff",
  corner: um(0),
};

const PLACES: { value: Border["place"] | "none"; text: string }[] = [
  { value: "none", text: "None" },
  { value: "inside", text: "Inside" },
  { value: "centred", text: "On it" },
  { value: "outside", text: "Outside" },
];

/** A border inside, on or outside the finished edge. */
export function BorderEditor({ finish: { style, words, set } }: EditorProps) {
  const { border } = style;
  const change = (next: Partial<Border>, gesture?: string) =>
    set({ border: { ...(border ?? USUAL), ...next } }, gesture);
  return (
    <>
      <Segments
        label="Where the border is, against the finished edge"
        value={border?.place ?? "none"}
        onChange={(place) => (place === "none" ? set({ border: null }) : change({ place }))}
        choices={PLACES}
      />
      {border && (
        <>
          <SidesField
            label="Width"
            value={border.width}
            words={words}
            onChange={(width, gesture) => change({ width }, gesture)}
          />
          <NumberField
            label="Lower edge, times the upper one"
            value={
              border.width.top === 0 ? 1 : Math.round((border.width.bottom / border.width.top) * 100) / 100
            }
            least={0}
            most={20}
            onChange={(times, gesture) =>
              change(
                { width: { ...border.width, bottom: um(Math.round(border.width.top * times)) } },
                gesture,
              )
            }
          />
          <div className="grid grid-cols-2 gap-2">
            <ColourField
              label="Colour"
              value={border.colour}
              onChange={(colour, g) => change({ colour }, g)}
            />
            <LengthField
              label="Rounded by"
              value={border.corner}
              range={LIMITS.margin}
              words={words}
              onChange={(corner, g) => change({ corner }, g)}
            />
          </div>
        </>
      )}
    </>
  );
}
