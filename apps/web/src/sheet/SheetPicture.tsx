import { Fragment, memo, useId, useMemo, type ReactNode } from "react";
import {
  grown,
  layers,
  type CellPlan,
  type Picture,
  type Rect,
  type SheetPlan,
  type Size,
} from "@wide-quilt/core";

interface Props {
  plan: SheetPlan;
  /** Where a photo's preview is loaded from; `width` is what the whole photo measures on the sheet, in µm. */
  photo(id: string, width: number): string;
  /**
   * A third of a screen pixel, in µm: pictures reach that far over their edges, where the screen softens them, or cells
   * that touch would show a seam of paper that is not there.
   */
  softEdge?: number;
  /** As “places” cells are drawn as bare shapes: the picture of a layout. */
  cellsAs?: "photos" | "places";
  /** Whether its marks are painted over it by a `MarksPicture`, and it is a layer of its own. */
  marksApart?: boolean;
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
  cellsAs = "photos",
  marksApart = false,
  className,
  label,
  children,
}: Props) {
  const id = useId();
  const { paper, marks } = plan;
  const painted = useMemo(
    () => layers(plan).map((cells) => ({ cells, looks: cellsAs === "photos" ? looksOf(cells) : [] })),
    [plan, cellsAs],
  );
  return (
    <svg
      viewBox={`0 0 ${paper.width} ${paper.height}`}
      className={className}
      style={marksApart ? { willChange: "transform" } : undefined}
      role={label ? "img" : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
    >
      <defs>
        {painted.map(({ looks }, layer) =>
          looks.map(({ picture, window }, i) => (
            <clipPath key={`${layer} ${i}`} id={`${id}${layer}-${i}`}>
              <rect
                {...(picture.level === 0
                  ? onPicture(grown(window, softEdge), picture)
                  : grown(window, softEdge))}
              />
            </clipPath>
          )),
        )}
      </defs>
      <rect width={paper.width} height={paper.height} fill="#fff" />
      {painted.map(({ cells, looks }, layer) => (
        <Fragment key={layer}>
          {looks.map(({ photoId, picture, middle, cells: alike }, i) => {
            const { transform, width, height } = pictureAttributes(picture);
            const href = photo(photoId, Math.max(picture.placed.width, picture.placed.height));
            return alike.map((cell) => (
              <CellImage
                key={cell.key}
                href={href}
                clip={`url(#${id}${layer}-${i})`}
                place={`${tilt(cell)}translate(${cell.finished.x} ${cell.finished.y})`}
                level={picture.level === 0 ? "" : `rotate(${picture.level} ${middle.x} ${middle.y}) `}
                transform={transform}
                width={width}
                height={height}
              />
            ));
          })}
          {cellsAs === "places" && <Places cells={cells} paper={paper} />}
          {outlines(cells)}
          {captions(cells)}
        </Fragment>
      ))}
      {!marksApart && <Marks marks={marks} />}
      {children}
    </svg>
  );
});

/**
 * The marks of a sheet alone, to lie over its picture as a layer of their own: while a cell is moved they change with
 * every frame, and hundreds of photos below them need not be painted again for that.
 */
export function MarksPicture({ plan: { paper, marks }, className }: { plan: SheetPlan; className: string }) {
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${paper.width} ${paper.height}`}
      className={className}
      style={{ willChange: "transform" }}
    >
      <Marks marks={marks} />
    </svg>
  );
}

const Marks = memo(function Marks({ marks }: Pick<SheetPlan, "marks">) {
  if (marks.length === 0) return null;
  return (
    <path
      d={marks.map(({ x1, y1, x2, y2 }) => `M${x1} ${y1}L${x2} ${y2}`).join("")}
      stroke={marks[0]!.colour}
      strokeWidth={marks[0]!.width}
    />
  );
});

interface CellImageProps {
  href: string;
  clip: string;
  /** Where the cell is, how the photo is levelled in it, and how the photo lies then. */
  place: string;
  level: string;
  transform: string;
  width: number;
  height: number;
}

/** One cell's photo; of hundreds only those are drawn anew that changed. */
const CellImage = memo(function CellImage({ clip, place, level, transform, ...image }: CellImageProps) {
  if (level === "")
    return (
      <image preserveAspectRatio="none" clipPath={clip} transform={`${place} ${transform}`} {...image} />
    );
  // The window stays upright while the photo turns behind it.
  return (
    <g clipPath={clip} transform={place}>
      <image preserveAspectRatio="none" transform={`${level}${transform}`} {...image} />
    </g>
  );
});

/** Cells as bare shapes; the more cells, the thinner the lines between them. */
function Places({ cells, paper }: { cells: readonly CellPlan[]; paper: Size }) {
  const line = Math.max(paper.width, paper.height) / 260;
  return (
    <g fill="#dde1f2" stroke="#34409c" strokeWidth={line}>
      {cells.map((cell) => (
        <path key={cell.key} d={frame(cell)} transform={tilt(cell) || undefined} />
      ))}
    </g>
  );
}

/** The outlines of a sheet, which all have one width and colour, as one line. */
function outlines(cells: readonly CellPlan[]): ReactNode {
  const outline = cells.find((cell) => cell.outline)?.outline;
  if (!outline) return null;
  const d = cells
    .filter(({ angle }) => angle === 0)
    .map((cell) => frame(cell))
    .join("");
  return (
    <g fill="none" stroke={outline.colour} strokeWidth={outline.width}>
      <path d={d} />
      {cells
        .filter(({ angle }) => angle !== 0)
        .map((cell) => (
          <path key={cell.key} d={frame(cell)} transform={tilt(cell)} />
        ))}
    </g>
  );
}

/** The names under cells, in the font and the colour that they are printed in. */
function captions(cells: readonly CellPlan[]): ReactNode {
  return cells.flatMap((cell) => {
    if (!cell.caption) return [];
    const { box, size, turn, text } = cell.caption;
    const middle = `translate(${box.x + box.width / 2} ${box.y + box.height / 2})`;
    return (
      <text
        key={cell.key}
        transform={`${tilt(cell)}${middle} rotate(${turn})`}
        y={0.35 * size}
        fontSize={size}
        textAnchor="middle"
        fill="#20242c"
      >
        {text}
      </text>
    );
  });
}

const frame = ({ finished: { x, y, width, height } }: CellPlan): string =>
  `M${x} ${y}h${width}v${height}h${-width}z`;

/** Turns what follows about the middle of a tilted cell; nothing for one that stands straight. */
const tilt = ({ angle, finished: { x, y, width, height } }: CellPlan): string =>
  angle === 0 ? "" : `rotate(${angle} ${x + width / 2} ${y + height / 2}) `;

/** A way in which cells show a photo, measured from the finished corner, and the cells that do. */
interface Look {
  photoId: string;
  picture: Picture;
  window: Rect;
  /** The middle of what the photo covers. */
  middle: { x: number; y: number };
  cells: CellPlan[];
}

function looksOf(cells: readonly CellPlan[]): Look[] {
  const looks = new Map<string, Look>();
  for (const cell of cells) {
    const { picture, paints, finished, image, cover, shot } = cell;
    if (!picture || paints === null) continue;
    const key = [
      shot,
      paints,
      picture.turn,
      finished.width,
      finished.height,
      image.width,
      image.height,
      image.x - finished.x,
      image.y - finished.y,
    ].join();
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
      photoId: paints,
      picture: { ...picture, placed },
      window: moved(image),
      middle: { x: cover.x - finished.x + cover.width / 2, y: cover.y - finished.y + cover.height / 2 },
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
