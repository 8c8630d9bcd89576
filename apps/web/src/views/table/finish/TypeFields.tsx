import {
  familyOf,
  FONT_FAMILIES,
  fontById,
  inCut,
  LIMITS,
  type FontCut,
  type FontId,
  type Type,
} from "@wide-quilt/core";
import { useFonts } from "../../../sheet/fonts.ts";
import { LengthField } from "../../../ui/LengthField.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import type { Words } from "../../../words/words.ts";
import { ColourField } from "./ColourField.tsx";

interface Props {
  type: Type;
  words: Words;
  onChange(change: Partial<Type>, gesture?: string): void;
}

/** How words are set: font, size, the least it may shrink to, colour and alignment. */
export function TypeFields({ type, words, onChange }: Props) {
  // Letters are in points, whatever paper is measured in.
  const points = { ...words, unit: "pt" as const };
  return (
    <>
      <FontSelect value={type.font} onChange={(font) => onChange({ font })} />
      <div className="grid grid-cols-3 items-end gap-2">
        <LengthField
          label="Size"
          value={type.size}
          range={LIMITS.letter}
          words={points}
          onChange={(size, g) => onChange({ size, least: size < type.least ? size : type.least }, g)}
        />
        <LengthField
          label="At least"
          value={type.least}
          range={LIMITS.letter}
          words={points}
          onChange={(least, g) => onChange({ least, size: least > type.size ? least : type.size }, g)}
        />
        <ColourField label="Colour" value={type.colour} onChange={(colour, g) => onChange({ colour }, g)} />
      </div>
      <Segments
        label="Alignment"
        value={type.align}
        onChange={(align) => onChange({ align })}
        choices={[
          { value: "left", text: "Left" },
          { value: "middle", text: "Middle" },
          { value: "right", text: "Right" },
        ]}
      />
    </>
  );
}

const CUT_NAMES: Record<FontCut, string> = {
  light: "Light",
  regular: "Regular",
  bold: "Bold",
  italic: "Italic",
};
const CUTS = ["light", "regular", "bold", "italic"] as const;

/** The fonts that ship, each shown in itself, and the cuts of the one that is chosen. */
export function FontSelect({
  label = "Font",
  value,
  onChange,
}: {
  label?: string;
  value: FontId;
  onChange(font: FontId): void;
}) {
  useFonts();
  const { family, cut } = fontById(value);
  const { cuts } = familyOf(value);
  return (
    <div className="flex flex-col gap-1.5">
      <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
        {label}
        <select
          className="w-full rounded-md border border-edge bg-white px-2 py-1.5 text-[15px] text-ink"
          style={{ fontFamily: `"${family}"` }}
          value={cuts.regular}
          onChange={({ target }) => onChange(inCut(target.value as FontId, cut))}
        >
          {FONT_FAMILIES.map((one) => (
            <option key={one.family} value={one.cuts.regular} style={{ fontFamily: `"${one.family}"` }}>
              {one.family}: {one.about}
            </option>
          ))}
        </select>
      </label>
      <Segments
        label={label === "Font" ? "Weight and slope" : `${label}, weight and slope`}
        value={cut}
        onChange={(next) => onChange(inCut(value, next))}
        choices={CUTS.flatMap((one) => (cuts[one] ? [{ value: one, text: CUT_NAMES[one] }] : []))}
      />
    </div>
  );
}
