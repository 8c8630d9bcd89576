import type { Size } from "@wide-quilt/core";
import { Plus, X } from "lucide-react";
import { useAppDispatch, useAppSelector } from "../../../../app/hooks.ts";
import { preferred } from "../../../../app/preferences.ts";
import { button } from "../../../../ui/button.ts";
import type { Words } from "../../../../words/words.ts";

interface Props {
  /** The size that could be kept. */
  size: Size;
  words: Words;
  onChoose(size: Size): void;
}

const same = (a: Size, b: Size) => a.width === b.width && a.height === b.height;

/** The sizes that a person keeps for themselves: chosen, kept, forgotten. */
export function OwnSizes({ size, words, onChoose }: Props) {
  const sizes = useAppSelector((state) => state.preferences.sizes);
  const dispatch = useAppDispatch();
  const known = sizes.some((own) => same(own, size));
  return (
    <section aria-label="Own sizes" className="flex flex-wrap items-center gap-1.5 px-2 pt-1">
      {sizes.map((own) => (
        <span
          key={`${own.width} ${own.height}`}
          className="flex items-center rounded-md border border-line bg-white"
        >
          <button type="button" className="measure px-2 py-1 hover:text-accent" onClick={() => onChoose(own)}>
            {words.size(own)}
          </button>
          <button
            type="button"
            aria-label={`Forget ${words.size(own)}`}
            className="rounded p-1 text-ink-3 hover:text-wrong"
            onClick={() => dispatch(preferred({ sizes: sizes.filter((other) => !same(other, own)) }))}
          >
            <X size={13} aria-hidden />
          </button>
        </span>
      ))}
      {!known && (
        <button
          type="button"
          className={`${button.quiet} !px-2 !py-1`}
          onClick={() =>
            dispatch(preferred({ sizes: [...sizes, { width: size.width, height: size.height }] }))
          }
        >
          <Plus size={14} aria-hidden /> Keep <span className="measure">{words.size(size)}</span>
        </button>
      )}
    </section>
  );
}
