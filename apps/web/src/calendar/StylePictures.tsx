import {
  calendarOf,
  DAY_STYLES,
  drawDays,
  mm,
  STYLE_NAMES,
  um,
  type DayStyle,
  type Design,
  type Job,
  type Rect,
} from "@wide-quilt/core";
import { Radio, RadioGroup } from "@headlessui/react";
import { useMemo } from "react";
import { address } from "../api/client.ts";
import { Inks } from "../sheet/Inks.tsx";

interface Props {
  job: Job;
  style: DayStyle;
  own: Partial<Design>;
  /** The month that is drawn. */
  month: string;
  onChange(style: DayStyle): void;
}

const box = (width: number, height: number): Rect => ({
  x: mm(6),
  y: mm(6),
  width: mm(width),
  height: mm(height),
});

/** Each style in the room that suits it, on a little sheet of 84 × 64 mm. */
const BOXES: Record<DayStyle, Rect> = {
  large: box(72, 52),
  write: box(72, 52),
  column: { ...box(34, 52), x: mm(25) },
  line: { ...box(72, 16), y: mm(24) },
  quiet: box(72, 52),
  people: box(72, 52),
  small: { ...box(44, 40), x: mm(20), y: mm(12) },
};

/** The styles, each as it sets a month of this calendar. */
export function StylePictures({ job, style, own, month, onChange }: Props) {
  return (
    <RadioGroup
      aria-label="Style of the days"
      value={style}
      onChange={onChange}
      className="grid grid-cols-4 gap-1.5"
    >
      {DAY_STYLES.map((value) => (
        <Radio
          key={value}
          value={value}
          className="flex flex-col gap-1 rounded-md border border-line bg-white p-1 text-center text-[12px] text-ink-2 hover:border-edge data-checked:border-accent data-checked:bg-accent-soft data-checked:font-semibold data-checked:text-accent"
        >
          <StylePicture job={job} style={value} own={own} month={month} />
          {STYLE_NAMES[value]}
        </Radio>
      ))}
    </RadioGroup>
  );
}

function StylePicture({ job, style, own, month }: Omit<Props, "onChange">) {
  const calendar = calendarOf(job);
  const inks = useMemo(() => {
    const { ground: _ground, ...rest } = own;
    return drawDays({ of: { span: "month", month }, style, own: rest, ...BOXES[style] }, calendar, () => null)
      .inks;
  }, [calendar, style, own, month]);
  return (
    <svg viewBox={`0 0 ${mm(84)} ${mm(64)}`} aria-hidden className="w-full rounded-[3px]">
      <rect width={mm(84)} height={mm(64)} fill={style === "quiet" ? "#3c4a66" : "#ffffff"} />
      <Inks inks={inks} photo={(id) => address.preview(id, 320)} />
      <rect width={mm(84)} height={mm(64)} fill="none" stroke="#d4d6da" strokeWidth={um(600)} />
    </svg>
  );
}
