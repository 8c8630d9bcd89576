import type { Job } from "@wide-quilt/core";

/** A small drawing of the sheet that a kind of job makes. */
export function KindPicture({ kind }: { kind: Job["ticket"]["kind"] }) {
  return (
    <svg viewBox="0 0 96 64" width={96} height={64} aria-hidden className="shrink-0 rounded bg-table">
      <rect x="9" y="6" width="78" height="52" fill="#fff" />
      {kind === "copies" &&
        [0, 1, 2, 3].flatMap((column) =>
          [0, 1].map((row) => (
            <g key={`${column}${row}`} transform={`translate(${13.5 + column * 17.6} ${10 + row * 22.6})`}>
              <rect width="16" height="21" fill="#dde1f2" />
              <circle cx="8" cy="8.500" r="4" fill="#34409c" />
              <path d="M1 21q1-7 7-7t7 7z" fill="#34409c" />
            </g>
          )),
        )}
    </svg>
  );
}
