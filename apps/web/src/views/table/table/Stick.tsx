import { um, type SheetPlan } from "@wide-quilt/core";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { stickLaid } from "../../../table/view.ts";
import { useWords } from "../../../words/words.ts";

type End = 0 | 1;

/** What an arrow key moves an end by, in µm; with Shift ten times that. */
const STEP = 100;

const MOVES: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A measuring stick on the sheet: laid by dragging over anything, its ends moved by pointer or arrow keys. */
export function Stick({ sheet, px }: { sheet: SheetPlan; px(um: number): number }) {
  const dispatch = useAppDispatch();
  const words = useWords(sheet.ppi);
  const stick = useAppSelector((state) => state.view.stick);
  const held = useRef<End | null>(null);
  if (!stick) return null;
  const { ends } = stick;
  const at = (event: PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    const length = (pixels: number) => um(Math.round((pixels * 1000) / px(1000)));
    return { x: length(event.clientX - box.left), y: length(event.clientY - box.top) };
  };
  const put = (end: End, to: { x: number; y: number }) =>
    dispatch(stickLaid(end === 0 ? [to, ends[1]] : [ends[0], to]));
  const onPointerDown = (event: PointerEvent<HTMLElement>) => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const grabbed = (event.target as Element).closest("[data-end]")?.getAttribute("data-end");
    if (grabbed) held.current = Number(grabbed) as End;
    else {
      held.current = 1;
      dispatch(stickLaid([at(event), at(event)]));
    }
  };
  const onKeyDown = (event: KeyboardEvent, end: End) => {
    const move = MOVES[event.key];
    if (!move) return;
    event.preventDefault();
    event.stopPropagation();
    const by = STEP * (event.shiftKey ? 10 : 1);
    put(end, { x: ends[end].x + move[0] * by, y: ends[end].y + move[1] * by });
  };
  const [a, b] = ends;
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const text = words.measure(um(Math.round(length / 10) * 10));
  const middle = { left: px((a.x + b.x) / 2), top: px((a.y + b.y) / 2) };
  return (
    <div
      data-handle
      className="absolute inset-0 z-10 cursor-crosshair touch-none"
      onPointerDown={onPointerDown}
      onPointerMove={(event) => held.current !== null && put(held.current, at(event))}
      onPointerUp={() => (held.current = null)}
      onPointerCancel={() => (held.current = null)}
    >
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full overflow-visible">
        <line x1={px(a.x)} y1={px(a.y)} x2={px(b.x)} y2={px(b.y)} stroke="#fff" strokeWidth={5} />
        <line x1={px(a.x)} y1={px(a.y)} x2={px(b.x)} y2={px(b.y)} stroke="#34409c" strokeWidth={2} />
      </svg>
      {ends.map((end, i) => (
        <button
          key={i}
          type="button"
          data-end={i}
          aria-label={`${i === 0 ? "Start" : "End"} of the measuring stick, ${text}; move with the arrow keys`}
          className="absolute size-6 -translate-x-1/2 -translate-y-1/2 cursor-grab rounded-full"
          style={{ left: px(end.x), top: px(end.y) }}
          onKeyDown={(event) => onKeyDown(event, i as End)}
        >
          <span className="pointer-events-none absolute inset-[7px] rounded-full border-2 border-white bg-accent" />
        </button>
      ))}
      <output
        className="measure pointer-events-none absolute -translate-x-1/2 -translate-y-[160%] rounded bg-accent px-1.5 py-0.5 text-[12px] text-white"
        style={middle}
      >
        {text}
      </output>
    </div>
  );
}
