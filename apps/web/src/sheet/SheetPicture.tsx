import { memo, useId, useMemo, type ReactNode } from "react";
import type { CellPlan, Picture, SheetPlan } from "@wide-quilt/core";

interface Props {
  plan: SheetPlan;
  /** Where a photo's preview is loaded from. */
  photo(id: string): string;
  className?: string;
  /** What it shows, for those who do not see it; without it the picture is decoration. */
  label?: string;
  children?: ReactNode;
}

/**
 * Paints a sheet's plan on the screen, in micrometres. Like every painter it decides nothing.
 *
 * Cells that show a photo in the same way share one picture, so that moving it in one cell changes one element
 * however many cells follow.
 */
export const SheetPicture = memo(function SheetPicture({ plan, photo, className, label, children }: Props) {
  const id = useId();
  const { paper, cells, marks } = plan;
  const looks = useMemo(() => looksOf(cells), [cells]);
  return (
    <svg
      viewBox={`0 0 ${paper.width} ${paper.height}`}
      className={className}
      role={label ? "img" : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
      shapeRendering="geometricPrecision"
    >
      <defs>
        {[...looks].map(([key, { picture, photoId }]) => (
          <image
            key={key}
            id={`${id}${key}`}
            href={photo(photoId)}
            preserveAspectRatio="none"
            {...pictureAttributes(picture)}
          />
        ))}
      </defs>
      <rect width={paper.width} height={paper.height} fill="#fff" />
      {cells.map((cell) => (
        <CellPicture key={cell.key} cell={cell} look={`#${id}${lookKey(cell)}`} />
      ))}
      {cells.map(({ key, finished, outline }) =>
        outline ? (
          <rect key={key} {...finished} fill="none" stroke={outline.colour} strokeWidth={outline.width} />
        ) : null,
      )}
      {marks.length > 0 && (
        <path
          d={marks.map(({ x1, y1, x2, y2 }) => `M${x1} ${y1}L${x2} ${y2}`).join("")}
          stroke={marks[0]!.colour}
          strokeWidth={marks[0]!.width}
        />
      )}
      {children}
    </svg>
  );
});

/** The cut-out of a picture that one cell shows, on the picture's own ground: the finished corner is 0, 0. */
function CellPicture({ cell: { image, finished, picture }, look }: { cell: CellPlan; look: string }) {
  if (!picture) return null;
  return (
    <svg
      {...image}
      viewBox={`${image.x - finished.x} ${image.y - finished.y} ${image.width} ${image.height}`}
      preserveAspectRatio="none"
    >
      <use href={look} />
    </svg>
  );
}

interface Look {
  photoId: string;
  picture: Picture;
}

/** Names a picture by the photo and how it lies on the cell. */
function lookKey({ photo, shot, picture, finished }: CellPlan): string {
  // Cells of one shot lie the same way; only a sheet of differently turned pieces could part them.
  return `${shot}-${photo?.slice(0, 8)}-${picture?.turn}-${finished.width}x${finished.height}`.replaceAll(
    /[^\w-]/g,
    "",
  );
}

function looksOf(cells: readonly CellPlan[]): Map<string, Look> {
  const looks = new Map<string, Look>();
  for (const cell of cells) {
    const { picture, photo, finished } = cell;
    const key = lookKey(cell);
    if (!picture || photo === null || looks.has(key)) continue;
    const { placed } = picture;
    looks.set(key, {
      photoId: photo,
      picture: {
        ...picture,
        placed: { ...placed, x: (placed.x - finished.x) as never, y: (placed.y - finished.y) as never },
      },
    });
  }
  return looks;
}

/** The attributes that lay an upright photo where its turned picture is. */
export function pictureAttributes({ placed: { x, y, width, height }, turn }: Picture) {
  const [w, h] = turn % 180 === 0 ? [width, height] : [height, width];
  const origin = { 0: [x, y], 90: [x + width, y], 180: [x + width, y + height], 270: [x, y + height] }[turn];
  return { width: w, height: h, transform: `translate(${origin.join(" ")}) rotate(${turn})` };
}
