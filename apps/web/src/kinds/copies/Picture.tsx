import { INK, PALE } from "../picture.tsx";

/** Eight badges of one face. */
export function Picture() {
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
