import { mm, type SheetPlan } from "@wide-quilt/core";
import { Grid3x3, PencilRuler, Ruler } from "lucide-react";
import type { ReactNode } from "react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { edit } from "../../table/edits.ts";
import { selectSheet } from "../../table/sheets.ts";
import { aided, dragging, stickTaken, type Drags, type Spot } from "../../table/view.ts";
import { Segments } from "../../ui/Segments.tsx";

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
  const stick = useAppSelector((state) => state.view.stick);
  const sheet = useAppSelector(selectSheet);
  const guides = useAppSelector((state) => state.openJob.job?.guides);
  const guided = guides !== undefined && guides.x.length + guides.y.length > 0;
  return (
    <div className="flex items-center gap-1">
      <Segments
        look="switch"
        label="Dragging moves"
        value={drags}
        choices={CHOICES}
        onChange={(next) => dispatch(dragging(next))}
      />
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
      <Aid
        className={className}
        label="Measuring stick"
        pressed={stick !== null}
        onClick={() => dispatch(stickTaken(stick === null && sheet ? acrossOf(sheet) : null))}
      >
        <PencilRuler size={15} aria-hidden />
      </Aid>
      {guided && (
        <button
          type="button"
          className={`${className} text-accent`}
          onClick={() => dispatch(edit({ do: "guides", guides: { x: [], y: [] } }))}
        >
          Clear guides
        </button>
      )}
    </div>
  );
}

/** Where the stick lies when it is taken out: half the sheet wide, in its middle. */
const acrossOf = ({ paper: { width, height } }: SheetPlan): [Spot, Spot] => [
  { x: Math.round(width / 4), y: Math.round(height / 2) },
  { x: Math.round((width * 3) / 4), y: Math.round(height / 2) },
];

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
