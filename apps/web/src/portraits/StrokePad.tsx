import type { BackdropStroke, PhotoRecord } from "@wide-quilt/core";
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";

interface Props {
  /** The photo as it would be; null while the first answer is worked out. */
  image: ImageData | null;
  record: PhotoRecord;
  strokes: readonly BackdropStroke[];
  /** Whether a stroke says that what it crosses is the person. */
  keeps: boolean;
  /** Of a stroke, as a share of the photo’s longer side. */
  breadth: number;
  zoom: number;
  onStroke(stroke: BackdropStroke): void;
  onUndo(): void;
}

/** Room for the photo, in CSS pixels. */
const ROOM = { width: 510, height: 540 };
/** Steps of the cross that the keyboard moves, as a share of the picture. */
const STEP = 0.01;

const COLOURS = { keep: "#1f6f54", remove: "#a8322a" };

const MOVES: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The photo to draw strokes on: by pointer, or by a cross that the arrow keys move and the space bar sets down. */
export function StrokePad({ image, record, strokes, keeps, breadth, zoom, onStroke, onUndo }: Props) {
  const scale = Math.min(ROOM.width / record.width, ROOM.height / record.height) * zoom;
  const [width, height] = [record.width * scale, record.height * scale];
  const long = Math.max(width, height);
  const [drawing, setDrawing] = useState<[number, number][] | null>(null);
  const [cross, setCross] = useState<[number, number] | null>(null);
  const picture = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (image) picture.current?.getContext("2d")?.putImageData(image, 0, 0);
  }, [image]);
  const at = (event: PointerEvent): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (value: number) => Math.round(Math.min(1.2, Math.max(-0.2, value)) * 1e4) / 1e4;
    return [share((event.clientX - box.left) / box.width), share((event.clientY - box.top) / box.height)];
  };
  const stroke = (points: [number, number][]): BackdropStroke => ({ keep: keeps, width: breadth, points });
  const onPointerDown = (event: PointerEvent) => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    setCross(null);
    setDrawing([at(event)]);
  };
  const onPointerMove = (event: PointerEvent) => {
    if (!drawing) return;
    const [x, y] = at(event);
    const [px, py] = drawing.at(-1)!;
    if (Math.hypot(x - px, y - py) < 0.004) return;
    setDrawing([...drawing, [x, y] as [number, number]].slice(-400));
  };
  const onPointerUp = () => {
    if (drawing) onStroke(stroke(drawing));
    setDrawing(null);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const move = MOVES[event.key];
    const [x, y] = cross ?? [0.5, 0.5];
    if (move) {
      const by = STEP * (event.shiftKey ? 5 : 1);
      const inside = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 1e4) / 1e4;
      setCross([inside(x + move[0] * by), inside(y + move[1] * by)]);
    } else if (event.key === " " || event.key === "Enter") onStroke(stroke([[x, y]]));
    else if (event.key.toLowerCase() === "z" && (event.ctrlKey || event.metaKey)) onUndo();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const line = ({ keep, width: own, points }: BackdropStroke, key: string | number) => (
    <polyline
      key={key}
      points={[...points, ...(points.length === 1 ? points : [])]
        .map(([x, y]) => `${x * width},${y * height}`)
        .join(" ")}
      fill="none"
      stroke={keep ? COLOURS.keep : COLOURS.remove}
      strokeOpacity={0.5}
      strokeWidth={own * long}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  );
  return (
    <div className="max-h-[540px] overflow-auto rounded-lg bg-table">
      <div
        role="application"
        aria-label="Photo to draw on. Arrow keys move a cross, the space bar sets a stroke down"
        tabIndex={0}
        className="relative mx-auto cursor-crosshair touch-none"
        style={{ width, height }}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={() => setDrawing(null)}
        onKeyDown={onKeyDown}
      >
        {image ? (
          <canvas
            ref={picture}
            width={image.width}
            height={image.height}
            className="pointer-events-none h-full w-full"
          />
        ) : (
          <p className="flex h-full items-center justify-center text-[13px]">Telling the person apart …</p>
        )}
        <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
          {strokes.map(line)}
          {drawing && line(stroke(drawing), "drawing")}
          {cross && (
            <circle
              cx={cross[0] * width}
              cy={cross[1] * height}
              r={Math.max(3, (breadth * long) / 2)}
              fill="none"
              stroke="#34409c"
              strokeWidth={2}
            />
          )}
        </svg>
      </div>
    </div>
  );
}
