import type { Rect } from "@wide-quilt/core";
import type { Handle } from "./pulling.ts";

const HANDLES: readonly (readonly [Handle, number, number, string])[] = [
  ["nw", 0, 0, "nwse-resize"],
  ["n", 0.5, 0, "ns-resize"],
  ["ne", 1, 0, "nesw-resize"],
  ["e", 1, 0.5, "ew-resize"],
  ["se", 1, 1, "nwse-resize"],
  ["s", 0.5, 1, "ns-resize"],
  ["sw", 0, 1, "nesw-resize"],
  ["w", 0, 0.5, "ew-resize"],
];

/** Along a shorter side than this the handles at the middles of sides would leave nothing to move it by, in CSS pixels. */
const ROOMY = 34;

/** How far the turning handle stands off a cell, in CSS pixels. */
const STEM = 22;

interface Props {
  of: { finished: Rect; angle: number };
  px(um: number): number;
  /** Whether it can be tilted. */
  turns?: boolean;
}

/** The frame of what is chosen with its handles: sides and corners to resize, one below to turn. Keys and fields do the same. */
export function Frame({ of, px, turns = true }: Props) {
  const { x, y, width, height } = of.finished;
  const isRoomy = Math.min(px(width), px(height)) >= ROOMY;
  const handles = isRoomy ? HANDLES : HANDLES.filter(([handle]) => handle.length === 2);
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute top-0 left-0"
      style={{
        transform: `translate(${px(x)}px, ${px(y)}px) rotate(${of.angle}deg)`,
        width: px(width),
        height: px(height),
      }}
    >
      {handles.map(([handle, across, down, cursor]) => (
        <span
          key={handle}
          data-handle={handle}
          className="pointer-events-auto absolute size-[11px] -translate-x-1/2 -translate-y-1/2 touch-none rounded-[2px] border-[1.5px] border-accent bg-white"
          style={{ left: across * px(width), top: down * px(height), cursor }}
        />
      ))}
      {turns && (
        <>
          <span
            className="absolute w-px bg-accent"
            style={{ left: px(width) / 2, top: px(height), height: STEM }}
          />
          <span
            data-handle="turn"
            className="pointer-events-auto absolute size-[13px] -translate-x-1/2 touch-none rounded-full border-[1.5px] border-accent bg-white"
            style={{ left: px(width) / 2, top: px(height) + STEM, cursor: "grab" }}
          />
        </>
      )}
    </div>
  );
}
