import { FORMS, inOrder, nearest, pathData, shapePath, type JobEdit, type Shape } from "@wide-quilt/core";
import { Download } from "lucide-react";
import { address } from "../../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { selectJob, selectSheet } from "../../../table/sheets.ts";
import { itemChosen } from "../../../table/view.ts";
import { button } from "../../../ui/button.ts";
import { ShapeFields } from "./ShapeFields.tsx";
import { freeName } from "./freeName.ts";
import { above, FORM_NAMES, freshShape, plateWithWindow } from "./freshShape.ts";
import type { EditorProps } from "./useFinish.ts";

/** Shapes of the sheet: an event’s border, a plate with windows, a ribbon for its name. The one in the hand shows its fields. */
export function ShapesEditor({ finish: { words, change } }: EditorProps) {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const sheet = useAppSelector(selectSheet);
  const id = useAppSelector((state) => state.openJob.id);
  const chosen = useAppSelector((state) => state.view.item);
  if (!job || !sheet) return null;
  const { shapes } = job;
  const choose = (name: string | null) =>
    dispatch(itemChosen(name === null ? null : { kind: "shape", name }));
  const set = (next: Record<string, Shape | null>, gesture?: string) =>
    change({ do: "shapes", shapes: next } satisfies JobEdit, gesture);
  const add = (shape: Shape) => {
    const name = freeName("s", shapes);
    set({ [name]: shape });
    choose(name);
  };
  // The uppermost first, as they lie.
  const listed = inOrder(shapes).reverse();
  const isBare = listed.length === 0;
  return (
    <>
      <div role="group" aria-label="Add a shape" className="grid grid-cols-7 gap-1">
        {FORMS.map((form) => (
          <button
            key={form}
            type="button"
            aria-label={`Add: ${FORM_NAMES[form]}`}
            title={FORM_NAMES[form]}
            className="flex justify-center rounded-md border border-line bg-white py-2 text-ink-2 hover:border-edge"
            onClick={() => add(freshShape(form, sheet, shapes))}
          >
            <ShapeIcon shape={freshShape(form, sheet, shapes)} />
          </button>
        ))}
      </div>
      {isBare && (
        <>
          <p className="text-[12.5px] text-ink-2">
            Draw a border, a ribbon or a star, in front of the photos or behind them. Windows are cut into
            what lies in front.
          </p>
          <button
            type="button"
            className={`${button.plain} self-start`}
            onClick={() => {
              set(plateWithWindow(sheet));
              choose("s2");
            }}
          >
            A plate over the page, with a window
          </button>
        </>
      )}
      <ul aria-label="Shapes, the uppermost first" className="flex flex-col gap-1">
        {listed.map(([name, shape], i) => (
          <li key={name} className="rounded-md border border-line bg-white">
            <Row
              shape={shape}
              isOpen={name === chosen}
              onClick={() => choose(name === chosen ? null : name)}
            />
            {name === chosen && (
              <ShapeFields
                shape={shape}
                words={words}
                sheet={sheet}
                onChange={(next, gesture) => set({ [name]: { ...shape, ...next } }, gesture)}
                onTakeOut={() => {
                  set({ [name]: null });
                  choose(null);
                }}
                onDuplicate={() => {
                  const by = nearest(Math.min(shape.width, shape.height) / 6);
                  add({ ...shape, x: nearest(shape.x + by), y: nearest(shape.y + by), order: above(shapes) });
                }}
                onUp={i > 0 ? () => set(swapped(listed, i, i - 1)) : null}
                onDown={i < listed.length - 1 ? () => set(swapped(listed, i, i + 1)) : null}
              />
            )}
          </li>
        ))}
      </ul>
      {!isBare && (
        <a
          href={address.artwork(id!, sheet.id)}
          download
          className={`${button.plain} self-start`}
          title="Everything in front of the photos, words too, at the job’s resolution; windows are transparent"
        >
          <Download size={14} aria-hidden /> Save as PNG with transparency
        </a>
      )}
    </>
  );
}

function Row({ shape, isOpen, onClick }: { shape: Shape; isOpen: boolean; onClick(): void }) {
  const fill =
    shape.fill?.kind === "flat"
      ? shape.fill.colour
      : shape.fill?.kind === "gradient"
        ? shape.fill.from
        : null;
  return (
    <button
      type="button"
      aria-expanded={isOpen}
      className="flex w-full items-center gap-2 rounded-md px-2.5 py-1.5 text-left hover:bg-chrome"
      onClick={onClick}
    >
      <ShapeIcon shape={shape} fill={shape.is === "window" ? null : fill} />
      <span className="min-w-0 grow truncate text-[13px]">{FORM_NAMES[shape.form]}</span>
      <span className="text-[12px] text-ink-3">{IS_NAMES[shape.is]}</span>
    </button>
  );
}

/** A shape in small: its own outline, in its own proportion. */
function ShapeIcon({ shape, fill = null }: { shape: Shape; fill?: string | null }) {
  const { x, y, width, height } = shape;
  const side = Math.max(width, height) * 1.15;
  return (
    <svg
      viewBox={`${x + (width - side) / 2} ${y + (height - side) / 2} ${side} ${side}`}
      className="size-4 shrink-0 text-ink-2"
      aria-hidden
    >
      <path
        d={pathData(shapePath(shape))}
        fill={fill ?? "none"}
        stroke="currentColor"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

const IS_NAMES: Record<Shape["is"], string> = { front: "in front", behind: "behind", window: "window" };

/** Two neighbours in the other order; those that share a number are told apart first. */
function swapped(listed: readonly [string, Shape][], a: number, b: number): Record<string, Shape> {
  const names = listed.map(([name]) => name);
  [names[a], names[b]] = [names[b]!, names[a]!];
  const shapes = Object.fromEntries(listed);
  return Object.fromEntries(
    names.flatMap((name, i): [string, Shape][] => {
      const order = names.length - 1 - i;
      const shape = shapes[name]!;
      return shape.order === order ? [] : [[name, { ...shape, order }]];
    }),
  );
}
