import { dragged, holdOf, onPiece, scaled, type CellPlan, type EventSet, type Sits } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { Slider } from "../../ui/Slider.tsx";
import { SetPicture, usePlanOfSet } from "./SetPicture.tsx";

/** How far an arrow key moves a photo, in micrometres on paper. */
const STEP = 500;
const ARROWS: Readonly<Record<string, [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

interface Props {
  view: EventView;
  set: EventSet;
  /** The shot that is cropped, by its place from 1. */
  place: number;
  onCrop(sits: Sits): void;
}

/** A shot is moved in its place by dragging or by the arrow keys, and brought closer; the set is seen as it will print. */
export function CropByHand({ view, set, place, onCrop }: Props) {
  const plan = usePlanOfSet(view, set);
  const photo = set.shots[place - 1]?.photo;
  const cell = plan?.cells.find((one) => one.photo === photo) ?? null;
  const from = useRef<{ cell: CellPlan; x: number; y: number; perPixel: number } | null>(null);
  const move = (of: CellPlan, right: number, down: number) => {
    const hold = holdOf(view.records, of);
    if (!hold) return;
    const { dx, dy } = onPiece(of, right, down);
    onCrop(withoutPhoto(dragged(hold, dx, dy)));
  };
  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    if (!cell || !plan) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const { width } = event.currentTarget.getBoundingClientRect();
    from.current = { cell, x: event.clientX, y: event.clientY, perPixel: plan.paper.width / width };
  };
  const onPointerMove = ({ clientX, clientY }: PointerEvent) => {
    if (!from.current) return;
    const { cell: held, x, y, perPixel } = from.current;
    move(held, Math.round((clientX - x) * perPixel), Math.round((clientY - y) * perPixel));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (!arrow || !cell) return;
    event.preventDefault();
    move(cell, ...arrow);
  };
  const hold = cell && holdOf(view.records, cell);
  const scale = hold?.shot.scale ?? 1;
  const bringTo = (value: number) => {
    if (hold) onCrop(withoutPhoto(scaled(hold, value / hold.shot.scale)));
  };
  return (
    <div className="flex w-[200px] flex-col gap-3">
      <div
        role="group"
        aria-label={`Shot ${place}: drag it, or move it with the arrow keys`}
        tabIndex={0}
        className="cursor-move touch-none self-center"
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={() => (from.current = null)}
        onPointerCancel={() => (from.current = null)}
        onKeyDown={onKeyDown}
      >
        <SetPicture
          view={view}
          set={set}
          pixels={800}
          className="h-[400px] max-w-[200px]"
          marked={photo}
          label={`Set ${set.number} as it is printed`}
        />
      </div>
      <Slider
        label="Closer"
        value={scale}
        least={1}
        most={4}
        step={0.02}
        shown={`${Math.round(scale * 100)} %`}
        onChange={bringTo}
      />
    </div>
  );
}

const withoutPhoto = ({ photo: _photo, ...sits }: Sits & { photo: unknown }): Sits => sits;
