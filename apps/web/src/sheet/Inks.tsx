import { fontById, type Ink, type SetText } from "@wide-quilt/core";
import { memo, useId } from "react";
import { address } from "../api/client.ts";
import { Shape } from "./Shape.tsx";
import { useFonts } from "./fonts.ts";
import { turn } from "./shapes.ts";

interface Props {
  inks: readonly Ink[];
  photo(id: string, width: number): string;
  /** Turns all of it as its cell is tilted. */
  tilt?: string;
}

/** Words and graphics, painted as the plan has them. */
export const Inks = memo(function Inks({ inks, photo, tilt = "" }: Props) {
  if (inks.length === 0) return null;
  return (
    <g transform={tilt || undefined}>
      {inks.map((ink, i) => (
        <One key={i} ink={ink} photo={photo} />
      ))}
    </g>
  );
});

function One({ ink, photo }: { ink: Ink; photo: Props["photo"] }) {
  const id = useId();
  const painted =
    ink.kind === "text" ? (
      <Text text={ink.text} />
    ) : ink.kind === "path" ? (
      <Shape ink={ink} />
    ) : (
      <image
        href={
          ink.of.kind === "file"
            ? address.graphic(ink.of.id)
            : photo(ink.of.id, Math.max(ink.rect.width, ink.rect.height))
        }
        {...ink.rect}
        preserveAspectRatio="none"
        opacity={ink.opacity}
        transform={turn(ink.turn, ink.rect) || undefined}
        style={ink.blend === "multiply" ? { mixBlendMode: "multiply" } : undefined}
      />
    );
  if (!ink.clip) return painted;
  return (
    <>
      <clipPath id={id}>
        <rect {...ink.clip} />
      </clipPath>
      <g clipPath={`url(#${id})`}>{painted}</g>
    </>
  );
}

/** Browsers set no letters of more than 10 000 units, and letters of 10 mm have as many: words are drawn in larger ones. */
const SHRUNK = 100;

const ANCHOR = { left: "start", middle: "middle", right: "end" } as const;

function Text({
  text: { lines, font, size, colour, opacity, align, box, turn: degrees },
}: {
  text: SetText;
}) {
  useFonts();
  const { family, weight, style } = fontById(font);
  return (
    <text
      xmlSpace="preserve"
      transform={`${turn(degrees, box)} scale(${SHRUNK})`.trim()}
      fontFamily={`"${family}"`}
      fontWeight={weight}
      fontStyle={style}
      fontSize={size / SHRUNK}
      textAnchor={ANCHOR[align]}
      fill={colour}
      fillOpacity={opacity}
    >
      {lines.map(({ text, x, y }, i) => (
        <tspan key={i} x={x / SHRUNK} y={y / SHRUNK}>
          {text}
        </tspan>
      ))}
    </text>
  );
}
