import { aligned, LIMITS, mm, rectOf, type AlignTo, type Shape, type SheetPlan } from "@wide-quilt/core";
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
  ChevronDown,
  ChevronUp,
  Copy,
  Trash2,
} from "lucide-react";
import type { ReactNode } from "react";
import { BoxFields } from "../../../ui/BoxFields.tsx";
import { Check } from "../../../ui/Check.tsx";
import { LengthField } from "../../../ui/LengthField.tsx";
import { NumberField } from "../../../ui/NumberField.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import { Slider } from "../../../ui/Slider.tsx";
import type { Words } from "../../../words/words.ts";
import { ColourField } from "./ColourField.tsx";
import { ShapeFillFields } from "./ShapeFillFields.tsx";

interface Props {
  shape: Shape;
  words: Words;
  sheet: SheetPlan;
  onChange(change: Partial<Shape>, gesture?: string): void;
  onTakeOut(): void;
  onDuplicate(): void;
  /** Null where it is the uppermost, or the lowest, already. */
  onUp: (() => void) | null;
  onDown: (() => void) | null;
}

const TO: { to: AlignTo; title: string; icon: typeof Copy }[] = [
  { to: "left", title: "To the left of the page", icon: AlignStartVertical },
  { to: "centre", title: "To the middle, across", icon: AlignCenterVertical },
  { to: "right", title: "To the right of the page", icon: AlignEndVertical },
  { to: "top", title: "To the top of the page", icon: AlignStartHorizontal },
  { to: "middle", title: "To the middle, down", icon: AlignCenterHorizontal },
  { to: "bottom", title: "To the foot of the page", icon: AlignEndHorizontal },
];

/** Everything of one shape: what it is, where it lies, what it is filled with, its line and its shadow. */
export function ShapeFields({ shape, words, sheet, onChange, onTakeOut, onDuplicate, onUp, onDown }: Props) {
  const { form, is, stroke, shadow } = shape;
  return (
    <div className="flex flex-col gap-2.5 border-t border-line p-2.5">
      <Segments
        label="What it is"
        value={is}
        onChange={(next) => onChange({ is: next, ...(next === "window" && { sheet: null }) })}
        choices={[
          { value: "front", text: "In front" },
          { value: "behind", text: "Behind" },
          { value: "window", text: "Window" },
        ]}
      />
      {is === "window" && (
        <p className="text-[12px] text-ink-3">
          Cut into every shape in front of the photos. In a job of artwork with windows it is a cell; the
          lowest in the list gets the first photo.
        </p>
      )}
      <div className="grid grid-cols-2 items-end gap-2">
        <BoxFields box={shape} words={words} least={LIMITS.line.least} onChange={onChange} />
        <NumberField
          label="Turned"
          value={shape.turn}
          least={-180}
          most={180}
          unit="°"
          onChange={(turn, g) => onChange({ turn }, g)}
        />
        {form === "rounded" && (
          <LengthField
            label="Corners"
            value={shape.corner}
            range={LIMITS.margin}
            words={words}
            onChange={(corner, g) => onChange({ corner }, g)}
          />
        )}
        {(form === "polygon" || form === "star") && (
          <NumberField
            label={form === "star" ? "Tips" : "Corners"}
            value={shape.points}
            least={3}
            most={36}
            whole
            onChange={(points, g) => onChange({ points }, g)}
          />
        )}
      </div>
      {(form === "star" || form === "ribbon") && (
        <Slider
          label={form === "star" ? "Cut in" : "Notch"}
          value={shape.depth}
          least={0.05}
          most={0.95}
          step={0.05}
          shown={words.percent(shape.depth)}
          onChange={(depth, g) => onChange({ depth }, g)}
        />
      )}
      <div role="group" aria-label="Align on the page" className="flex gap-1">
        {TO.map(({ to, title, icon: Icon }) => (
          <Small
            key={to}
            label={title}
            onClick={() => onChange(aligned([rectOf(shape)], to, sheet.trim)[0]!)}
          >
            <Icon size={15} aria-hidden />
          </Small>
        ))}
      </div>
      {is !== "window" && form !== "line" && (
        <ShapeFillFields fill={shape.fill} onChange={(fill, g) => onChange({ fill }, g)} />
      )}
      <Check
        label={form === "line" ? "drawn" : "a line around it"}
        checked={stroke !== null}
        onChange={(on) => onChange({ stroke: on ? { width: mm(0.8), colour: "#20242c" } : null })}
      />
      {stroke && (
        <div className="grid grid-cols-2 items-end gap-2">
          <LengthField
            label="Line"
            value={stroke.width}
            range={LIMITS.line}
            words={words}
            onChange={(width, g) => onChange({ stroke: { ...stroke, width } }, g)}
          />
          <ColourField
            label="Its colour"
            value={stroke.colour}
            onChange={(colour, g) => onChange({ stroke: { ...stroke, colour } }, g)}
          />
        </div>
      )}
      {is !== "window" && (
        <>
          <Check
            label="a shadow"
            checked={shadow !== null}
            onChange={(on) =>
              onChange({
                shadow: on
                  ? { right: mm(0.6), down: mm(0.9), blur: mm(2), colour: "#20242c", opacity: 0.4 }
                  : null,
              })
            }
          />
          {shadow && (
            <ShadowFields
              shadow={shadow}
              words={words}
              onChange={(next, g) => onChange({ shadow: { ...shadow, ...next } }, g)}
            />
          )}
          <Slider
            label="Opacity"
            value={shape.opacity}
            least={0}
            most={1}
            step={0.05}
            shown={words.percent(shape.opacity)}
            onChange={(opacity, g) => onChange({ opacity }, g)}
          />
          {sheet.of > 1 && (
            <Check
              label={`on sheet ${sheet.number} alone`}
              checked={shape.sheet === sheet.id}
              onChange={(alone) => onChange({ sheet: alone ? sheet.id : null })}
            />
          )}
        </>
      )}
      <div className="flex gap-1 border-t border-line pt-2">
        <Small label="Further up" onClick={onUp}>
          <ChevronUp size={15} aria-hidden />
        </Small>
        <Small label="Further down" onClick={onDown}>
          <ChevronDown size={15} aria-hidden />
        </Small>
        <Small label="Duplicate" onClick={onDuplicate}>
          <Copy size={15} aria-hidden />
        </Small>
        <span className="grow" />
        <Small label="Take it out" onClick={onTakeOut}>
          <Trash2 size={15} aria-hidden />
        </Small>
      </div>
    </div>
  );
}

function ShadowFields({
  shadow,
  words,
  onChange,
}: {
  shadow: NonNullable<Shape["shadow"]>;
  words: Words;
  onChange(change: Partial<NonNullable<Shape["shadow"]>>, gesture?: string): void;
}) {
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <LengthField
        label="To the right"
        value={shadow.right}
        range={LIMITS.away}
        words={words}
        onChange={(right, g) => onChange({ right }, g)}
      />
      <LengthField
        label="Down"
        value={shadow.down}
        range={LIMITS.away}
        words={words}
        onChange={(down, g) => onChange({ down }, g)}
      />
      <LengthField
        label="Soft over"
        value={shadow.blur}
        range={LIMITS.slack}
        words={words}
        onChange={(blur, g) => onChange({ blur }, g)}
      />
      <ColourField
        label="Its colour"
        value={shadow.colour}
        onChange={(colour, g) => onChange({ colour }, g)}
      />
      <div className="col-span-2">
        <Slider
          label="Strength"
          value={shadow.opacity}
          least={0}
          most={1}
          step={0.05}
          shown={words.percent(shadow.opacity)}
          onChange={(opacity, g) => onChange({ opacity }, g)}
        />
      </div>
    </div>
  );
}

function Small({
  label,
  onClick,
  children,
}: {
  label: string;
  onClick: (() => void) | null;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={onClick === null}
      className="rounded-md border border-line bg-white p-1.5 text-ink-2 hover:border-edge disabled:opacity-40"
      onClick={() => onClick?.()}
    >
      {children}
    </button>
  );
}
