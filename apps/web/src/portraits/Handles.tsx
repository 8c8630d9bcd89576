import {
  FACE_HANDLES,
  headBox,
  pointOf,
  withPoint,
  type Face,
  type FaceHandle,
  type PhotoRecord,
} from "@wide-quilt/core";
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from "react";
import { address } from "../api/client.ts";

/** What an arrow key moves a handle by, in thousandths of the photo's height; with Shift ten times that. */
const STEP = 0.001;

interface HandlesProps {
  photo: string;
  /** The head that has handles, and the others that are only shown. */
  face: Face | null;
  others: readonly { face: Face; name: string; choose(): void }[];
  record: PhotoRecord;
  /** CSS pixels a pixel of the photo. */
  scale: number;
  ears: boolean;
  skull: boolean;
  onMove(face: Face): void;
  onDone(face: Face): void;
  onKey(face: Face): void;
}

const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A photo with the handles of a head on it, moved by hand or by the arrow keys. */
export function Handles({
  photo,
  face,
  others,
  record,
  scale,
  ears,
  skull,
  onMove,
  onDone,
  onKey,
}: HandlesProps) {
  const box = useRef<HTMLDivElement>(null);
  const drag = useRef<{ handle: FaceHandle; face: Face; moved: Face | null } | null>(null);
  const { width, height } = { width: record.width * scale, height: record.height * scale };
  useEffect(() => {
    box.current?.querySelector<HTMLElement>("button")?.focus({ preventScroll: true });
  }, []);
  const shown = (Object.keys(FACE_HANDLES) as FaceHandle[]).filter((handle) => {
    if (handle === "leftEar" || handle === "rightEar") return ears;
    return handle !== "skull" || skull;
  });
  const whole = face && withMissing(face, { ears, skull });
  const at = (event: PointerEvent) => {
    const rect = box.current!.getBoundingClientRect();
    return { x: (event.clientX - rect.left) / rect.width, y: (event.clientY - rect.top) / rect.height };
  };
  const onPointerDown = (event: PointerEvent<HTMLElement>) => {
    const handle = (event.target as Element).closest("[data-face-handle]")?.getAttribute("data-face-handle");
    if (!handle || !whole) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { handle: handle as FaceHandle, face: whole, moved: null };
  };
  const onPointerMove = (event: PointerEvent) => {
    const now = drag.current;
    if (!now) return;
    now.moved = withPoint(now.face, now.handle, clamped(at(event)));
    onMove(now.moved);
  };
  const onPointerUp = () => {
    const done = drag.current;
    drag.current = null;
    if (done?.moved) onDone(done.moved);
  };
  const onKeyDown = (event: KeyboardEvent, handle: FaceHandle) => {
    const move = MOVES[event.key];
    const point = whole && pointOf(whole, handle);
    if (!move || !whole || !point) return;
    event.preventDefault();
    const by = STEP * (event.shiftKey ? 10 : 1);
    const wide = record.height / record.width;
    onKey(withPoint(whole, handle, clamped({ x: point.x + move[0] * by * wide, y: point.y + move[1] * by })));
  };
  return (
    <div
      ref={box}
      className="relative mx-auto touch-none"
      style={{ width, height }}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={() => (drag.current = null)}
    >
      <img
        src={address.previewFor(photo, Math.max(width, height) * window.devicePixelRatio)}
        alt=""
        draggable={false}
        className="h-full w-full select-none"
      />
      {others.map(({ face: other, name, choose }) => (
        <OtherHead key={name} face={other} name={name} record={record} onChoose={choose} />
      ))}
      {whole && <HeadLines face={whole} skull={skull} />}
      {whole &&
        shown.map((handle) => {
          const point = pointOf(whole, handle);
          if (!point) return null;
          const isAbove = handle === "crown" || handle === "skull";
          return (
            <button
              key={handle}
              type="button"
              aria-label={`${FACE_HANDLES[handle]}, move with the arrow keys`}
              title={FACE_HANDLES[handle]}
              className="absolute size-6 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none rounded-full focus-visible:outline-2 focus-visible:outline-accent"
              style={{ left: `${point.x * 100}%`, top: `${point.y * 100}%` }}
              onKeyDown={(event) => onKeyDown(event, handle)}
              data-face-handle={handle}
            >
              <span className="pointer-events-none absolute inset-[6px] rounded-full border-2 border-white bg-accent shadow" />
              <span
                className={`pointer-events-none absolute left-1/2 -translate-x-1/2 rounded bg-ink/75 px-1 text-[10.5px] leading-4 whitespace-nowrap text-white ${isAbove ? "bottom-full" : "top-full"}`}
              >
                {FACE_HANDLES[handle]}
              </span>
            </button>
          );
        })}
    </div>
  );
}

/** A head without handles, as a box to choose it by. */
function OtherHead({
  face,
  name,
  record,
  onChoose,
}: {
  face: Face;
  name: string;
  record: PhotoRecord;
  onChoose(): void;
}) {
  const { left, top, right, bottom } = headBox(face, record);
  const share = (pixels: number, of: number) => `${(pixels / of) * 100}%`;
  return (
    <button
      type="button"
      aria-label={`Choose ${name}`}
      title={name}
      className="absolute rounded-full border-2 border-dashed border-white/90 shadow-[0_0_0_1px_rgb(32_36_44/0.5)] hover:border-accent focus-visible:outline-2 focus-visible:outline-accent"
      style={{
        left: share(left, record.width),
        top: share(top, record.height),
        width: share(right - left, record.width),
        height: share(bottom - top, record.height),
      }}
      onClick={onChoose}
    />
  );
}

const clamped = ({ x, y }: { x: number; y: number }) => ({
  x: Math.min(1.2, Math.max(-0.2, Math.round(x * 1e5) / 1e5)),
  y: Math.min(1.2, Math.max(-0.2, Math.round(y * 1e5) / 1e5)),
});

/** The face with handles that its rule asks for and that nobody has set yet, where they usually are. */
function withMissing(face: Face, { ears, skull }: { ears: boolean; skull: boolean }): Face {
  const between = (face.rightEye.x - face.leftEye.x) * 0.62;
  const y = (face.leftEye.y + face.rightEye.y) / 2;
  return {
    ...face,
    skull: face.skull ?? (skull ? face.crown : null),
    ears:
      face.ears ??
      (ears
        ? { left: { x: face.leftEye.x - between, y }, right: { x: face.rightEye.x + between, y } }
        : null),
  };
}

/** Lines through crown, eyes and chin, so that one sees at what they are set. */
function HeadLines({ face, skull }: { face: Face; skull: boolean }) {
  const top = skull ? (face.skull ?? face.crown) : face.crown;
  const across = ({ y }: { y: number }) => [
    { x: 0, y },
    { x: 1, y },
  ];
  return (
    <svg
      aria-hidden
      viewBox="0 0 100 100"
      preserveAspectRatio="none"
      className="pointer-events-none absolute inset-0 h-full w-full"
    >
      {[across(top), across(face.chin), [face.leftEye, face.rightEye]].map(([from, to], i) => (
        <line
          key={i}
          x1={from!.x * 100}
          y1={from!.y * 100}
          x2={to!.x * 100}
          y2={to!.y * 100}
          stroke="#34409c"
          strokeOpacity={0.8}
          strokeDasharray="5 4"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
