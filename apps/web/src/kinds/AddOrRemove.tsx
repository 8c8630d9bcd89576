import { Minus, Plus } from "lucide-react";
import { button } from "../ui/button.ts";

interface Props {
  /** "row" or "column". */
  one: string;
  mayAdd: boolean;
  mayRemove: boolean;
  onAdd(): void;
  onRemove(): void;
}

/** Adds a row or a column behind the others, or takes the last one away. */
export function AddOrRemove({ one, mayAdd, mayRemove, onAdd, onRemove }: Props) {
  return (
    <div className="flex gap-2">
      <button type="button" className={button.plain} disabled={!mayAdd} onClick={onAdd}>
        <Plus size={14} aria-hidden /> Add a {one}
      </button>
      <button type="button" className={button.plain} disabled={!mayRemove} onClick={onRemove}>
        <Minus size={14} aria-hidden /> Remove the last
      </button>
    </div>
  );
}
