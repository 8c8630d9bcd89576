import type { Kind } from "@wide-quilt/core";
import type { ReactNode } from "react";

const PALE = "#dde1f2";
const INK = "#34409c";

/** Cells of each kind's little sheet: x, y, width, height. */
const CELLS: Record<Exclude<Kind, "copies">, readonly (readonly [number, number, number, number])[]> = {
  portraits: [
    [13, 12, 16, 20],
    [31, 12, 16, 20],
    [49, 12, 16, 20],
    [67, 12, 16, 20],
    [13, 35, 12, 16],
    [27, 35, 12, 16],
    [41, 35, 12, 16],
    [55, 35, 12, 16],
  ],
  mixed: [
    [12, 9, 30, 46],
    [44, 9, 20, 28],
    [66, 9, 18, 28],
    [44, 39, 13, 16],
    [59, 39, 13, 16],
    [74, 39, 10, 16],
  ],
  contact: [12, 27, 42, 57, 72].flatMap((x) =>
    [10, 25, 40].map((y): [number, number, number, number] => [x, y, 12, 9]),
  ),
  single: [[28, 10, 40, 44]],
  collage: [
    [12, 9, 34, 22],
    [48, 9, 14, 22],
    [64, 9, 20, 22],
    [12, 33, 20, 22],
    [34, 33, 50, 22],
  ],
  free: [
    [14, 12, 28, 20],
    [36, 26, 30, 24],
    [70, 12, 14, 18],
  ],
  ruler: [
    [14, 20, 68, 1.5],
    [14, 15, 1.5, 10],
    [80.5, 15, 1.5, 10],
    [30, 9, 1.5, 46],
    [26, 9, 9, 1.5],
    [26, 53.5, 9, 1.5],
  ],
};

/** A small drawing of the sheet that a kind of job makes. */
export function KindPicture({ kind }: { kind: Kind }) {
  return (
    <svg viewBox="0 0 96 64" width={96} height={64} aria-hidden className="shrink-0 rounded bg-table">
      <rect x="9" y="6" width="78" height="52" fill="#fff" />
      {kind === "copies" ? (
        <Copies />
      ) : (
        CELLS[kind].map((cell, i) => <Cell key={i} at={cell} strong={i === 0} />)
      )}
    </svg>
  );
}

function Cell({
  at: [x, y, width, height],
  strong,
}: {
  at: readonly [number, number, number, number];
  strong: boolean;
}): ReactNode {
  return (
    <rect
      x={x}
      y={y}
      width={width}
      height={height}
      fill={strong ? INK : PALE}
      stroke="#fff"
      strokeWidth="0.8"
    />
  );
}

function Copies() {
  return [0, 1, 2, 3].flatMap((column) =>
    [0, 1].map((row) => (
      <g key={`${column}${row}`} transform={`translate(${13.5 + column * 17.6} ${10 + row * 22.6})`}>
        <rect width="16" height="21" fill={PALE} />
        <circle cx="8" cy="8.500" r="4" fill={INK} />
        <path d="M1 21q1-7 7-7t7 7z" fill={INK} />
      </g>
    )),
  );
}
