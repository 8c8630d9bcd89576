import { designOf, type DayStyle, type Design, type Job } from "@wide-quilt/core";
import { RotateCcw } from "lucide-react";
import { Check } from "../ui/Check.tsx";
import { Slider } from "../ui/Slider.tsx";
import { button } from "../ui/button.ts";
import { ColourField } from "../views/table/finish/ColourField.tsx";
import { StylePictures } from "./StylePictures.tsx";
import { FontSelect } from "../views/table/finish/TypeFields.tsx";

interface Props {
  job: Job;
  /** The month that styles are shown with. */
  month: string;
  style: DayStyle;
  own: Partial<Design>;
  set(change: { style?: DayStyle; own?: Partial<Design> }, gesture?: string): void;
}

type Switch = { [K in keyof Design]: Design[K] extends boolean ? K : never }[keyof Design];

const SWITCHES: { part: Switch; label: string }[] = [
  { part: "heading", label: "month and year above" },
  { part: "near", label: "the months before and after, small" },
  { part: "weekNumbers", label: "numbers of weeks" },
  { part: "others", label: "days of other months" },
  { part: "texts", label: "what days mean, written in them" },
  { part: "marks", label: "dots, rings, bars and the moon" },
];

const COLOURS = [
  { part: "ink", label: "Figures" },
  { part: "off", label: "Days off" },
  { part: "quiet", label: "Weekdays" },
  { part: "line", label: "Lines" },
] as const;

const WHITE = "#ffffff";

/** How days are set: a style, and whatever a hand wants otherwise, which stays when another style is tried. */
export function DesignFields({ job, month, style, own, set }: Props) {
  const design = designOf({ style, own });
  const change = (next: Partial<Design>, gesture?: string) => set({ own: { ...own, ...next } }, gesture);
  return (
    <div className="flex flex-col gap-3">
      <StylePictures
        job={job}
        style={style}
        own={own}
        month={month}
        onChange={(next) => set({ style: next })}
      />
      <div className="grid grid-cols-1 gap-1.5">
        {SWITCHES.map(({ part, label }) => (
          <Check key={part} label={label} checked={design[part]} onChange={(on) => change({ [part]: on })} />
        ))}
        <Check
          label="weekends on a tint"
          checked={design.tint !== null}
          onChange={(on) => change({ tint: on ? "#f1efe9" : null })}
        />
        <Check
          label="all on a ground of its own"
          checked={design.ground !== null}
          onChange={(on) => change({ ground: on ? { colour: WHITE, opacity: 0.85 } : null })}
        />
      </div>
      {design.ground && (
        <div className="grid grid-cols-[1fr_2fr] items-end gap-2">
          <ColourField
            label="Ground"
            value={design.ground.colour}
            onChange={(colour, g) => change({ ground: { ...design.ground!, colour } }, g)}
          />
          <Slider
            label="Opacity"
            value={design.ground.opacity}
            least={0}
            most={1}
            step={0.05}
            shown={`${Math.round(design.ground.opacity * 100)} %`}
            onChange={(opacity, g) => change({ ground: { ...design.ground!, opacity } }, g)}
          />
        </div>
      )}
      <Slider
        label="Figures"
        value={design.size}
        least={0.4}
        most={1.5}
        step={0.05}
        shown={`${Math.round(design.size * 100)} %`}
        onChange={(size, g) => change({ size }, g)}
      />
      <div className="grid grid-cols-4 gap-2">
        {COLOURS.map(({ part, label }) => (
          <ColourField
            key={part}
            label={label}
            value={design[part]}
            onChange={(colour, g) => change({ [part]: colour }, g)}
          />
        ))}
      </div>
      <FontSelect label="Font of the heading" value={design.title} onChange={(title) => change({ title })} />
      <FontSelect
        label="Font of the figures"
        value={design.figures}
        onChange={(figures) => change({ figures })}
      />
      <FontSelect label="Font of the words" value={design.words} onChange={(words) => change({ words })} />
      {Object.keys(own).length > 0 && (
        <button type="button" className={`${button.plain} self-start`} onClick={() => set({ own: {} })}>
          <RotateCcw size={14} aria-hidden /> As the style has it
        </button>
      )}
    </div>
  );
}
