import { gradientEnds, rectOf, type SheetPlan } from "@wide-quilt/core";
import { useId } from "react";

/** The paper, and what of it is coloured. */
export function Ground({ plan: { paper, grounds } }: { plan: Pick<SheetPlan, "paper" | "grounds"> }) {
  const id = useId();
  return (
    <>
      <rect width={paper.width} height={paper.height} fill="#fff" />
      {grounds.map((ground, i) => {
        const { fill, rect } = ground;
        if (fill.kind === "flat") return <rect key={i} {...rectOf(rect)} fill={fill.colour} />;
        return (
          <g key={i}>
            <linearGradient id={`${id}${i}`} {...gradientEnds(ground)}>
              <stop offset="0" stopColor={fill.top} />
              <stop offset="1" stopColor={fill.bottom} />
            </linearGradient>
            <rect {...rectOf(rect)} fill={`url(#${id}${i})`} />
          </g>
        );
      })}
    </>
  );
}
