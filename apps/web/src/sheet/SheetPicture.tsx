import { memo, useId, useMemo, type ReactNode } from "react";
import { grown, type CellPlan, type Picture, type Rect, type SheetPlan } from "@wide-quilt/core";

interface Props {
  plan: SheetPlan;
  /** Where a photo's preview is loaded from; `width` is what the whole photo measures on the sheet, in µm. */
  photo(id: string, width: number): string;
  /**
   * A third of a screen pixel, in µm: pictures reach that far over their edges, where the screen softens them, or cells
   * that touch would show a seam of paper that is not there.
   */
  softEdge?: number;
  className?: string;
  /** What it shows, for those who do not see it; without it the picture is decoration. */
  label?: string;
  children?: ReactNode;
}

/**
 * Paints a sheet's plan on the screen, in micrometres. Like every painter it decides nothing.
 *
 * Cells that show a photo in the same way share one clip, measured from the finished corner.
 */
export const SheetPicture = memo(function SheetPicture({
  plan,
  photo,
  softEdge = 0,
  className,
  label,
  children,
}: Props) {
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
    >
      <defs>
        {looks.map(({ picture, window }, i) => (
          <clipPath key={i} id={`${id}${i}`}>
            <rect {...onPicture(grown(window, softEdge), picture)} />
          </clipPath>
        ))}
      </defs>
      <rect width={paper.width} height={paper.height} fill="#fff" />
      {looks.map(({ photoId, picture, cells: alike }, i) => {
        const { transform, ...size } = pictureAttributes(picture);
        const href = photo(photoId, Math.max(picture.placed.width, picture.placed.height));
        return alike.map(({ key, finished }) => (
          <image
            key={key}
            href={href}
            preserveAspectRatio="none"
            clipPath={`url(#${id}${i})`}
            transform={`translate(${finished.x} ${finished.y}) ${transform}`}
            {...size}
          />
        ));
      })}
      {outlines(cells)}
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

/** The outlines of a sheet, which all have one width and colour, as one line. */
function outlines(cells: readonly CellPlan[]): ReactNode {
  const outline = cells.find((cell) => cell.outline)?.outline;
  if (!outline) return null;
  const d = cells
    .map(({ finished: { x, y, width, height } }) => `M${x} ${y}h${width}v${height}h${-width}z`)
    .join("");
  return <path d={d} fill="none" stroke={outline.colour} strokeWidth={outline.width} />;
}

/** A way in which cells show a photo, measured from the finished corner, and the cells that do. */
interface Look {
  photoId: string;
  picture: Picture;
  window: Rect;
  cells: CellPlan[];
}

function looksOf(cells: readonly CellPlan[]): Look[] {
  const looks = new Map<string, Look>();
  for (const cell of cells) {
    const { picture, photo, finished, image, shot } = cell;
    if (!picture || photo === null) continue;
    const key = `${shot} ${finished.width} ${finished.height}`;
    const known = looks.get(key);
    if (known) {
      known.cells.push(cell);
      continue;
    }
    const moved = (rect: Rect): Rect => ({
      ...rect,
      x: (rect.x - finished.x) as Rect["x"],
      y: (rect.y - finished.y) as Rect["y"],
    });
    const placed = moved(picture.placed);
    looks.set(key, {
      photoId: photo,
      picture: { ...picture, placed },
      window: moved(image),
      cells: [cell],
    });
  }
  return [...looks.values()];
}

/** The attributes that lay an upright photo where its turned picture is. */
export function pictureAttributes({ placed, turn }: Picture) {
  const [width, height] = turn % 180 === 0 ? [placed.width, placed.height] : [placed.height, placed.width];
  return { width, height, transform: `translate(${originOf({ placed, turn }).join(" ")}) rotate(${turn})` };
}

/** Where the upper left corner of the upright photo lies once it is turned. */
function originOf({
  placed: { x, y, width, height },
  turn,
}: Pick<Picture, "placed" | "turn">): [number, number] {
  return { 0: [x, y], 90: [x + width, y], 180: [x + width, y + height], 270: [x, y + height] }[turn] as [
    number,
    number,
  ];
}

/** A rectangle of the sheet as the upright photo sees it: moved to the photo's corner and turned back. */
function onPicture({ x, y, width, height }: Rect, picture: Picture) {
  const [ox, oy] = originOf(picture);
  const [left, top, right, bottom] = [x - ox, y - oy, x + width - ox, y + height - oy];
  switch (picture.turn) {
    case 0:
      return { x: left, y: top, width, height };
    case 90:
      return { x: top, y: -right, width: height, height: width };
    case 180:
      return { x: -right, y: -bottom, width, height };
    case 270:
      return { x: -bottom, y: left, width: height, height: width };
  }
}
