import { LIMITS, type Rect, type Um } from "@wide-quilt/core";
import type { Words } from "../words/words.ts";
import { LengthField } from "./LengthField.tsx";

interface Props {
  box: Rect;
  words: Words;
  /** The least side, where that is another than a piece’s. */
  least?: Um;
  onChange(change: Partial<Rect>, gesture?: string): void;
}

const SIDES = [
  { side: "x", label: "From the left", range: LIMITS.away },
  { side: "y", label: "From the top", range: LIMITS.away },
  { side: "width", label: "Width", range: LIMITS.piece },
  { side: "height", label: "Height", range: LIMITS.piece },
] as const;

/** Where a box lies on its page, and how large it is. */
export function BoxFields({ box, words, least, onChange }: Props) {
  return SIDES.map(({ side, label, range }) => (
    <LengthField
      key={side}
      label={label}
      value={box[side]}
      range={least !== undefined && range === LIMITS.piece ? { ...range, least } : range}
      words={words}
      onChange={(value: Um, gesture) => onChange({ [side]: value }, gesture)}
    />
  ));
}
