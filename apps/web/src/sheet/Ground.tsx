import { useId } from "react";
import type { SheetPlan } from "@wide-quilt/core";

/** The paper and the colour of the sheet. */
export function Ground({ plan: { paper, ground } }: { plan: Pick<SheetPlan, "paper" | "ground"> }) {
  const id = useId();
  if (ground?.kind !== "gradient") {
    return <rect width={paper.width} height={paper.height} fill={ground?.colour ?? "#fff"} />;
  }
  return (
    <>
      <linearGradient id={id} x1="0" y1="0" x2="0" y2="1">
        <stop offset="0" stopColor={ground.top} />
        <stop offset="1" stopColor={ground.bottom} />
      </linearGradient>
      <rect width={paper.width} height={paper.height} fill={`url(#${id})`} />
    </>
  );
}
