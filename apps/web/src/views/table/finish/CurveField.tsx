import { curveThrough, type Look } from "@wide-quilt/core";
import { Plus } from "lucide-react";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { newId } from "../../../app/ids.ts";
import { button } from "../../../ui/button.ts";

type Points = Look["curve"];

const SIDE = 200;
const MOST_POINTS = 8;
/** Points keep this far apart. */
const APART = 0.02;
const STEP = 0.02;

interface Props {
  points: Points;
  onChange(points: Points, gesture?: string): void;
}

/** A tone curve: points to drag or to move with the arrow keys, Delete takes one out. */
export function CurveField({ points, onChange }: Props) {
  const drawing = useRef<SVGSVGElement>(null);
  const [gesture, setGesture] = useState("");
  const [held, setHeld] = useState<number | null>(null);
  const curve = curveThrough(points);
  const path = Array.from({ length: 51 }, (_, i) => `${(i / 50) * SIDE},${(1 - curve(i / 50)) * SIDE}`).join(
    " ",
  );
  const moved = (i: number, x: number, y: number): Points => {
    const least = (points[i - 1]?.x ?? -APART) + APART;
    const most = (points[i + 1]?.x ?? 1 + APART) - APART;
    const inside = (v: number, a: number, b: number) => Math.round(Math.min(b, Math.max(a, v)) * 1000) / 1000;
    return points.map((point, j) => (j === i ? { x: inside(x, least, most), y: inside(y, 0, 1) } : point));
  };
  const onPointerMove = (event: PointerEvent) => {
    if (held === null || !drawing.current) return;
    const box = drawing.current.getBoundingClientRect();
    onChange(
      moved(held, (event.clientX - box.left) / box.width, 1 - (event.clientY - box.top) / box.height),
      gesture,
    );
  };
  const onKeyDown = (event: KeyboardEvent, i: number) => {
    const { x, y } = points[i]!;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (way) onChange(moved(i, x + way[0]! * STEP, y + way[1]! * STEP), gesture);
    else if (event.key === "Delete" || event.key === "Backspace") onChange(points.filter((_, j) => j !== i));
    else return;
    event.preventDefault();
  };
  const add = () => {
    // In the middle of the widest room that is left.
    const ends = [0, ...points.map(({ x }) => x), 1];
    const rooms = ends.slice(1).map((end, i) => ({ width: end - ends[i]!, x: (end + ends[i]!) / 2 }));
    const { x } = rooms.reduce((a, b) => (b.width > a.width ? b : a));
    const point = { x, y: Math.round(curve(x) * 1000) / 1000 };
    onChange([...points, point].sort((a, b) => a.x - b.x));
  };
  return (
    <div className="flex flex-col gap-2">
      <span className="text-[12.5px] text-ink-2">Tone curve</span>
      <svg
        ref={drawing}
        viewBox={`-8 -8 ${SIDE + 16} ${SIDE + 16}`}
        className="w-full max-w-[190px] touch-none rounded-md border border-line bg-white"
        onPointerMove={onPointerMove}
        onPointerUp={() => setHeld(null)}
      >
        <path
          d={`M0 0H${SIDE}V${SIDE}H0ZM${SIDE / 2} 0V${SIDE}M0 ${SIDE / 2}H${SIDE}M0 ${SIDE}L${SIDE} 0`}
          fill="none"
          stroke="#d4d6da"
        />
        <polyline points={path} fill="none" stroke="#34409c" strokeWidth="2" />
        {points.map(({ x, y }, i) => (
          <circle
            key={i}
            role="slider"
            aria-label={`Point ${i + 1} of the tone curve`}
            aria-valuenow={Math.round(y * 100)}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuetext={`${Math.round(x * 100)} becomes ${Math.round(y * 100)}`}
            tabIndex={0}
            cx={x * SIDE}
            cy={(1 - y) * SIDE}
            r={6}
            fill="#fff"
            stroke="#34409c"
            strokeWidth="2"
            className="cursor-move"
            onFocus={() => setGesture(newId())}
            onPointerDown={(event) => {
              setGesture(newId());
              setHeld(i);
              event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
            }}
            onKeyDown={(event) => onKeyDown(event, i)}
          />
        ))}
      </svg>
      <div className="flex gap-2">
        <button type="button" className={button.plain} disabled={points.length >= MOST_POINTS} onClick={add}>
          <Plus size={14} aria-hidden /> Point
        </button>
        {points.length > 0 && (
          <button type="button" className={button.quiet} onClick={() => onChange([])}>
            Straight
          </button>
        )}
      </div>
    </div>
  );
}
