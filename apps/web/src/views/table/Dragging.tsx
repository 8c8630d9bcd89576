import { Radio, RadioGroup } from "@headlessui/react";
import { Grid3x3, Ruler } from "lucide-react";
import type { ReactNode } from "react";
import { mm } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../app/store.ts";
import { aided, dragging, type Drags } from "../../table/view.ts";

const CHOICES: { value: Drags; text: string }[] = [
  { value: "photo", text: "Move photos" },
  { value: "cell", text: "Move cells" },
];

/** What dragging on the table moves, and the aids for moving cells. */
export function Dragging({ className }: { className: string }) {
  const dispatch = useAppDispatch();
  const drags = useAppSelector((state) => state.view.drags);
  const rulers = useAppSelector((state) => state.view.rulers);
  const grid = useAppSelector((state) => state.view.grid);
  const guided = useAppSelector(({ view: { guides } }) => guides.x.length + guides.y.length > 0);
  return (
    <div className="flex items-center gap-1">
      <RadioGroup
        aria-label="Dragging moves"
        value={drags}
        onChange={(next: Drags) => dispatch(dragging(next))}
        className="mr-1 flex rounded-md border border-line"
      >
        {CHOICES.map(({ value, text }) => (
          <Radio
            key={value}
            value={value}
            className="cursor-pointer rounded-[5px] px-2 py-px data-checked:bg-accent-soft data-checked:font-semibold data-checked:text-accent"
          >
            {text}
          </Radio>
        ))}
      </RadioGroup>
      <Aid
        className={className}
        label="Rulers"
        pressed={rulers}
        onClick={() => dispatch(aided({ rulers: !rulers }))}
      >
        <Ruler size={15} aria-hidden />
      </Aid>
      <Aid
        className={className}
        label="Grid of 5 mm"
        pressed={grid !== null}
        onClick={() => dispatch(aided({ grid: grid === null ? mm(5) : null }))}
      >
        <Grid3x3 size={15} aria-hidden />
      </Aid>
      {guided && (
        <button
          type="button"
          className={`${className} text-accent`}
          onClick={() => dispatch(aided({ guides: { x: [], y: [] } }))}
        >
          Clear guides
        </button>
      )}
    </div>
  );
}

interface AidProps {
  label: string;
  pressed: boolean;
  onClick(): void;
  className: string;
  children: ReactNode;
}

function Aid({ label, pressed, onClick, className, children }: AidProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={pressed}
      className={`${className} ${pressed ? "bg-accent-soft text-accent" : ""}`}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
