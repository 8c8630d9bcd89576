import { turnedSize, type CellPlan } from "@wide-quilt/core";
import { useId } from "react";
import { address } from "../../api/client.ts";
import { pictureAttributes } from "../../sheet/onPicture.ts";

/** A piece may be a third of its photo. */
const SHARP = 3;

/** A small picture of a finished piece, upright, as it will be cut. */
export function PieceThumb({ cell, height }: { cell: CellPlan; height: number }) {
  const id = useId();
  const { finished, cover, picture, paints, turn } = cell;
  if (!picture || paints === null) return null;
  const upright = turnedSize(finished, turn);
  const middle = { x: finished.x + finished.width / 2, y: finished.y + finished.height / 2 };
  const { transform, ...size } = pictureAttributes(picture);
  const about = `${cover.x + cover.width / 2} ${cover.y + cover.height / 2}`;
  return (
    <svg
      aria-hidden
      width={(height * upright.width) / upright.height}
      height={height}
      viewBox={`${-upright.width / 2} ${-upright.height / 2} ${upright.width} ${upright.height}`}
      className="rounded-[3px] bg-line"
    >
      <clipPath id={id}>
        <rect x={-upright.width / 2} y={-upright.height / 2} width={upright.width} height={upright.height} />
      </clipPath>
      <g clipPath={`url(#${id})`}>
        <g transform={`rotate(${-turn}) translate(${-middle.x} ${-middle.y})`}>
          <image
            href={address.previewFor(paints, SHARP * height)}
            preserveAspectRatio="none"
            transform={`rotate(${picture.level} ${about}) ${transform}`}
            {...size}
          />
        </g>
      </g>
    </svg>
  );
}
