import { ANCHORS, LIMITS, type Anchor, type Graphic } from "@wide-quilt/core";
import { useAppSelector } from "../../../app/hooks.ts";
import { selectSheet } from "../../../table/sheets.ts";
import { Check } from "../../../ui/Check.tsx";
import { LengthField } from "../../../ui/LengthField.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import { Slider } from "../../../ui/Slider.tsx";
import type { Words } from "../../../words/words.ts";
import { ColourField } from "./ColourField.tsx";
import { TemplateField } from "./TemplateField.tsx";
import { FontSelect } from "./TypeFields.tsx";

interface Props {
  graphic: Graphic;
  words: Words;
  onChange(change: Partial<Graphic>, gesture?: string): void;
}

/** The measures of one graphic: those that its use has. */
export function GraphicFields({ graphic, words, onChange }: Props) {
  const { role, of } = graphic;
  const placed = role === "stamp" || role === "watermark";
  return (
    <>
      {of.kind === "words" && (
        <>
          <TemplateField
            label="Words"
            rows={1}
            value={of.text}
            onChange={(text, g) => onChange({ of: { ...of, text } }, g)}
          />
          <FontSelect value={of.font} onChange={(font) => onChange({ of: { ...of, font } })} />
          <ColourField
            label="Colour of the words"
            value={of.colour}
            onChange={(colour, g) => onChange({ of: { ...of, colour } }, g)}
          />
        </>
      )}
      {placed ? (
        <>
          {role === "watermark" && (
            <Check
              label="repeated all over the photo"
              checked={graphic.tiled}
              onChange={(tiled) => onChange({ tiled })}
            />
          )}
          <div className="grid grid-cols-2 items-end gap-2">
            <LengthField
              label="Width on paper"
              value={graphic.width}
              range={LIMITS.graphic}
              words={words}
              onChange={(width, g) => onChange({ width }, g)}
            />
            <NumberField
              label="Turned"
              value={graphic.turn}
              least={-180}
              most={180}
              unit="°"
              onChange={(turn, g) => onChange({ turn }, g)}
            />
          </div>
          {role === "watermark" && graphic.tiled ? (
            <LengthField
              label="Apart"
              value={graphic.apart}
              range={LIMITS.margin}
              words={words}
              onChange={(apart, g) => onChange({ apart }, g)}
            />
          ) : (
            <div className="grid grid-cols-2 items-end gap-2">
              <AnchorSelect value={graphic.at} onChange={(at) => onChange({ at })} />
              <LengthField
                label="From the edges"
                value={graphic.away}
                range={LIMITS.margin}
                words={words}
                onChange={(away, g) => onChange({ away }, g)}
              />
            </div>
          )}
        </>
      ) : (
        <Segments
          label="How it takes the size"
          value={graphic.fit}
          onChange={(fit) => onChange({ fit })}
          choices={[
            { value: "stretch", text: "Stretched" },
            { value: "fill", text: "Filling" },
            { value: "whole", text: "Whole" },
          ]}
        />
      )}
      <Slider
        label="Opacity"
        value={graphic.opacity}
        least={0}
        most={1}
        step={0.05}
        shown={words.percent(graphic.opacity)}
        onChange={(opacity, g) => onChange({ opacity }, g)}
      />
      {of.kind !== "words" && (
        <Segments
          label="How it is laid over"
          value={graphic.blend}
          onChange={(blend) => onChange({ blend })}
          choices={[
            { value: "normal", text: "Normal" },
            { value: "multiply", text: "Multiply" },
          ]}
        />
      )}
      {(role === "stamp" || role === "backing") && <OnSheet graphic={graphic} onChange={onChange} />}
    </>
  );
}

function AnchorSelect({ value, onChange }: { value: Anchor; onChange(at: Anchor): void }) {
  return (
    <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
      Placed
      <select
        className="w-full rounded-md border border-edge bg-white px-2 py-1.5 text-ink"
        value={value}
        onChange={({ target }) => onChange(target.value as Anchor)}
      >
        {ANCHORS.map((at) => (
          <option key={at} value={at}>
            {at}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Whether it is on every sheet or on the one that is shown. */
function OnSheet({ graphic, onChange }: Pick<Props, "graphic" | "onChange">) {
  const sheet = useAppSelector(selectSheet);
  if (!sheet || sheet.of === 1) return null;
  return (
    <Check
      label={`on sheet ${sheet.number} alone`}
      checked={graphic.sheet === sheet.id}
      onChange={(alone) => onChange({ sheet: alone ? sheet.id : null })}
    />
  );
}
