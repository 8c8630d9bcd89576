import type { Kind } from "@wide-quilt/core";
import { PICTURES } from "../../kinds/index.ts";

/** A small drawing of the sheet that a kind of job makes. */
export function KindPicture({ kind }: { kind: Kind }) {
  const Picture = PICTURES[kind];
  return (
    <svg viewBox="0 0 96 64" width={96} height={64} aria-hidden className="shrink-0 rounded bg-table">
      <rect x="9" y="6" width="78" height="52" fill="#fff" />
      <Picture />
    </svg>
  );
}
