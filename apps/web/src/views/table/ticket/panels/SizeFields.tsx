import type { LengthRange, Size } from "@wide-quilt/core";
import { ArrowLeftRight } from "lucide-react";
import { LengthField } from "../../../../ui/LengthField.tsx";
import type { Words } from "../../../../words/words.ts";

interface Props {
  size: Size;
  range: LengthRange;
  words: Words;
  onChange(size: Size, gesture?: string): void;
}

/** An own size: width, height, and the two swapped. */
export function SizeFields({ size, range, words, onChange }: Props) {
  const { width, height } = size;
  return (
    <div className="flex items-end gap-2">
      <LengthField
        className="grow"
        label="Width"
        value={width}
        range={range}
        words={words}
        onChange={(w, g) => onChange({ width: w, height }, g)}
        onPair={onChange}
      />
      <button
        type="button"
        aria-label="Swap width and height"
        title="Swap width and height"
        className="mb-0.5 rounded-md border border-edge p-2 text-ink-2 hover:border-accent hover:text-accent"
        onClick={() => onChange({ width: height, height: width })}
      >
        <ArrowLeftRight size={15} aria-hidden />
      </button>
      <LengthField
        className="grow"
        label="Height"
        value={height}
        range={range}
        words={words}
        onChange={(h, g) => onChange({ width, height: h }, g)}
        onPair={onChange}
      />
    </div>
  );
}
