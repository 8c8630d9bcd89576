import {
  FACE_HANDLES,
  middleFace,
  pointOf,
  withPoint,
  type Face,
  type FaceHandle,
  type PersonReport,
  type PhotoRecord,
} from "@wide-quilt/core";
import { ScanFace } from "lucide-react";
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { address } from "../api/client.ts";
import { useAppDispatch, useAppSelector } from "../app/hooks.ts";
import { newId } from "../app/ids.ts";
import { edit } from "../table/edits.ts";
import { findFaceOf } from "../table/faces.ts";
import { held } from "../table/openJob.ts";
import { selectJob } from "../table/sheets.ts";
import { OverPage } from "../ui/OverPage.tsx";
import { button } from "../ui/button.ts";
import type { Words } from "../words/words.ts";
import { Figures, StateBadge } from "./Figures.tsx";

interface Props {
  report: PersonReport;
  record: PhotoRecord;
  words: Words;
  onClose(): void;
}

/** Room for the photo, in CSS pixels. */
const ROOM = { width: 500, height: 560 };
/** What an arrow key moves a handle by, in thousandths of the photo's height; with Shift ten times that. */
const STEP = 0.001;

/** The photo with the handles of the head on it, and what they come to on the finished piece. */
export function FaceEditor({ report, record, words, onClose }: Props) {
  const dispatch = useAppDispatch();
  const photo = report.photo!;
  const face = useAppSelector((state) => selectJob(state)?.faces[photo]);
  const said = useAppSelector((state) => state.faces.said[photo]);
  const [zoom, setZoom] = useState(1);
  const [looks, setLooks] = useState(false);
  const [gesture] = useState(() => newId());
  const set = (next: Face, own?: string) => dispatch(edit({ do: "faces", faces: { [photo]: next } }, own));
  const find = async () => {
    setLooks(true);
    await dispatch(findFaceOf(photo));
    setLooks(false);
  };
  const fitting = Math.min(ROOM.width / record.width, ROOM.height / record.height);
  const scale = fitting * zoom;
  const needsEars = report.rule.headWidth !== undefined;
  return (
    <OverPage open wide title={`Head of ${report.name}`} onClose={onClose}>
      <div className="grid grid-cols-[minmax(0,1fr)_236px] gap-5">
        <div>
          <div
            className="relative max-h-[560px] overflow-auto rounded-lg bg-table"
            tabIndex={zoom > 1 ? 0 : undefined}
            aria-label="Photo"
            role="group"
          >
            <Handles
              key={photo}
              photo={photo}
              face={face ?? null}
              record={record}
              scale={scale}
              ears={needsEars}
              skull={report.rule.crown === "skull"}
              onMove={(next) => dispatch(held({ do: "faces", faces: { [photo]: next } }))}
              onDone={(next) => set(next)}
              onKey={(next) => set(next, gesture)}
            />
          </div>
          <label className="mt-3 flex items-center gap-3 text-[12.5px] text-ink-2">
            Zoom
            <input
              type="range"
              min={1}
              max={4}
              step={0.25}
              value={zoom}
              className="w-48 accent-accent"
              onChange={({ target }) => setZoom(Number(target.value))}
            />
            <span>Drag a handle, or choose it with Tab and move it with the arrow keys.</span>
          </label>
        </div>
        <div className="flex flex-col gap-3">
          <div className="flex items-center justify-between">
            <h3 className="text-[13px] font-semibold">On the finished piece</h3>
            <StateBadge state={report.state} />
          </div>
          {report.measured ? (
            <Figures measured={report.measured} words={words} />
          ) : (
            <p className="text-[12.5px] text-ink-2">Nothing is measured before the handles are set.</p>
          )}
          {report.advice !== "" && <p className="text-[12.5px]">{report.advice}</p>}
          {said && <p className="rounded-md bg-look-soft p-2 text-[12.5px] text-look">{said}</p>}
          <button type="button" className={button.plain} disabled={looks} onClick={() => void find()}>
            <ScanFace size={15} aria-hidden />{" "}
            {looks ? "Looking …" : face ? "Find the head again" : "Find the head"}
          </button>
          {!face && (
            <button type="button" className={button.main} onClick={() => set(middleFace(record))}>
              Set the handles by hand
            </button>
          )}
          {face && !face.sure && (
            <button type="button" className={button.main} onClick={() => set({ ...face, sure: true })}>
              They are where they should be
            </button>
          )}
          <p className="mt-auto text-[12px] text-ink-2">
            {report.rule.crown === "skull"
              ? "This rule measures to the skull: put that handle where the head ends under the hair."
              : "This rule measures to the hair as it is seen."}
          </p>
        </div>
      </div>
    </OverPage>
  );
}

interface HandlesProps {
  photo: string;
  face: Face | null;
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

function Handles({ photo, face, record, scale, ears, skull, onMove, onDone, onKey }: HandlesProps) {
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
