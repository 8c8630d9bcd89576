import { FADES_OVER, pathData, pictureIn, type PathCut, type PathInk } from "@wide-quilt/core";
import { useId, type ReactNode } from "react";
import { address } from "../api/client.ts";
import { turn } from "./shapes.ts";

/** A drawn shape as the plan has it: its shadow, what it is filled with, its line, its windows left out of all. */
export function Shape({ ink }: { ink: PathInk }) {
  const id = useId();
  const { commands, fill, stroke, shadow, opacity, box } = ink;
  const data = pathData(commands);
  const transform = turn(ink.turn, box) || undefined;
  const picture = pictureIn(fill);
  const isGradient = typeof fill === "object" && fill?.kind === "gradient";
  const paint = isGradient ? `url(#${id}f)` : typeof fill === "string" ? fill : "none";
  const drawn = (
    <>
      {isGradient && (
        <linearGradient
          id={`${id}f`}
          gradientUnits="userSpaceOnUse"
          x1={fill.start[0]}
          y1={fill.start[1]}
          x2={fill.end[0]}
          y2={fill.end[1]}
        >
          <stop stopColor={fill.from} />
          <stop offset="1" stopColor={fill.to} />
        </linearGradient>
      )}
      {shadow && (
        <g
          transform={`translate(${shadow.right} ${shadow.down})`}
          opacity={shadow.opacity}
          style={shadow.blur > 0 ? { filter: `blur(${shadow.blur / FADES_OVER}px)` } : undefined}
        >
          <path
            d={data}
            fill={fill === null ? "none" : shadow.colour}
            stroke={stroke ? shadow.colour : undefined}
            strokeWidth={stroke?.width}
            transform={transform}
          />
        </g>
      )}
      <g opacity={opacity}>
        {picture && (
          <>
            <clipPath id={`${id}p`}>
              <path d={data} transform={transform} />
            </clipPath>
            <g clipPath={`url(#${id}p)`}>
              <image
                href={address.graphic(picture.of.id)}
                {...picture.rect}
                preserveAspectRatio="none"
                transform={transform}
              />
            </g>
          </>
        )}
        <path
          d={data}
          fill={paint}
          stroke={stroke?.colour}
          strokeWidth={stroke?.width}
          transform={transform}
        />
      </g>
    </>
  );
  return ink.cut.reduceRight<ReactNode>(
    (inner, cut, i) => (
      <Without key={i} cut={cut} id={`${id}w${i}`} all={allOf(ink)}>
        {inner}
      </Without>
    ),
    drawn,
  );
}

/** Around all that is seen of a shape, however it is turned. */
function allOf({ box: { x, y, width, height }, stroke, shadow }: PathInk) {
  const thrown = shadow ? Math.abs(shadow.right) + Math.abs(shadow.down) + shadow.blur : 0;
  const more = width + height + (stroke?.width ?? 0) + thrown;
  return { x: x - more, y: y - more, width: width + 2 * more, height: height + 2 * more };
}

interface WithoutProps {
  cut: PathCut;
  id: string;
  all: { x: number; y: number; width: number; height: number };
  children: ReactNode;
}

/** What lies outside a window. */
function Without({ cut, id, all, children }: WithoutProps) {
  return (
    <>
      <mask id={id} maskUnits="userSpaceOnUse" {...all}>
        <rect {...all} fill="#fff" />
        <path d={pathData(cut.commands)} fill="#000" transform={turn(cut.turn, cut.box) || undefined} />
      </mask>
      <g mask={`url(#${id})`}>{children}</g>
    </>
  );
}
