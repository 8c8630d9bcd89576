import type { CellPlan } from "@wide-quilt/core";
import { useId } from "react";
import { useAppSelector } from "../../../app/hooks.ts";
import { pictureAttributes } from "../../../sheet/onPicture.ts";

/** While a photo is moved in its cell: the part that is cropped, pale around the cell. */
export function Ghost({ cell, photo }: { cell: CellPlan; photo(id: string, width: number): string }) {
  const id = useId();
  const moves = useAppSelector((state) => state.openJob.held?.do === "shot");
  const { picture, image } = cell;
  if (!moves || !picture || cell.photo === null) return null;
  const { placed } = picture;
  const hole = `M${placed.x} ${placed.y}h${placed.width}v${placed.height}h${-placed.width}zM${image.x} ${image.y}h${image.width}v${image.height}h${-image.width}z`;
  return (
    <g opacity={0.35} clipPath={`url(#${id})`}>
      <clipPath id={id}>
        <path d={hole} clipRule="evenodd" />
      </clipPath>
      <image
        href={photo(cell.photo, Math.max(placed.width, placed.height))}
        preserveAspectRatio="none"
        {...pictureAttributes(picture)}
      />
    </g>
  );
}
