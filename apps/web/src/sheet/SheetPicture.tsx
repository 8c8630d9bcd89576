import {
  grown,
  layers,
  PALE,
  rectPath,
  type CellPlan,
  type Look,
  partOrigin,
  wrapZones,
  type PagePart,
  type SheetPlan,
  type Size,
} from "@wide-quilt/core";
import { Fragment, memo, useId, useMemo, type ReactNode } from "react";
import { Bands } from "./Bands.tsx";
import { Ground } from "./Ground.tsx";
import { Inks } from "./Inks.tsx";
import { useLooked } from "./looked.ts";
import { onPicture, pictureAttributes } from "./onPicture.ts";
import { tilt } from "./shapes.ts";
import { sightsOf } from "./sights.ts";

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
  /** Cells whose photos, and the paper under them, are painted below by `ManyPhotos`. */
  apart?: ReadonlySet<CellPlan> | null;
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
  apart = null,
  className,
  label,
  children,
}: Props) {
  const id = useId();
  const { paper, marks } = plan;
  const painted = useMemo(
    () =>
      layers(plan).map((cells) => ({
        cells,
        sights:
          cellsAs === "photos" ? sightsOf(apart ? cells.filter((cell) => !apart.has(cell)) : cells) : [],
      })),
    [plan, cellsAs, apart],
  );
  const ways = new Map(painted.flatMap(({ sights }) => sights.map((sight) => [sight.key, sight] as const)));
  const clipOf = new Map([...ways.keys()].map((key, i) => [key, `${id}${i}`]));
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
        {[...ways].map(([key, { picture, window, corner }]) => (
          <clipPath key={key} id={clipOf.get(key)}>
            <rect
              {...(picture.level === 0
                ? onPicture(grown(window, softEdge), picture)
                : grown(window, softEdge))}
              rx={corner || undefined}
            />
          </clipPath>
        ))}
        {plan.cells.map(
          (cell) =>
            cell.within && (
              <clipPath key={cell.key} id={`${id}w${cell.key}`}>
                <polygon points={cell.within.join(" ")} transform={tilt(cell) || undefined} />
              </clipPath>
            ),
        )}
      </defs>
      {!apart && <Ground plan={plan} />}
      {plan.parts.map((part) => (
        <Part key={part.name} part={part} photo={photo} />
      ))}
      <Inks inks={plan.backing} photo={photo} />
      {/* One flat list: a cell that is moved over others splits them into layers, and nothing is made anew for that. */}
      {painted.flatMap(({ cells, sights }, layer) => [
        ...sights.flatMap(({ key, photoId, picture, middle, look, cells: alike }) => {
          const { transform, width, height } = pictureAttributes(picture);
          const href = photo(photoId, Math.max(picture.placed.width, picture.placed.height));
          const clip = `url(#${clipOf.get(key)})`;
          const placeOf = (cell: CellPlan) => `${tilt(cell)}translate(${cell.finished.x} ${cell.finished.y})`;
          // Most photos are as they are and stand straight: of hundreds each is one element and nothing more.
          if (look === null && picture.level === 0) {
            return alike.map((cell) =>
              withinShape(
                cell,
                id,
                <image
                  key={cell.key}
                  preserveAspectRatio="none"
                  clipPath={clip}
                  transform={`${placeOf(cell)} ${transform}`}
                  width={width}
                  height={height}
                  href={href}
                />,
              ),
            );
          }
          return alike.map((cell) =>
            withinShape(
              cell,
              id,
              <CellImage
                key={cell.key}
                href={href}
                look={look}
                clip={clip}
                place={placeOf(cell)}
                level={picture.level === 0 ? "" : `rotate(${picture.level} ${middle.x} ${middle.y}) `}
                transform={transform}
                width={width}
                height={height}
              />,
            ),
          );
        }),
        <Fragment key={`layer ${layer}`}>
          {cellsAs === "places" && <Places cells={cells} paper={paper} />}
          <Bands cells={cells} />
          {outlines(cells)}
          {cells.map(
            (cell) =>
              cell.over.length > 0 && (
                <Inks key={cell.key} inks={cell.over} photo={photo} tilt={tilt(cell)} />
              ),
          )}
        </Fragment>,
      ])}
      <Inks inks={plan.over} photo={photo} />
      {!marksApart && <Marks marks={marks} />}
      {children}
    </svg>
  );
});

/** A part of a page on its sheet: its face, what goes around that, and what is printed pale. */
function Part({ part, photo }: { part: PagePart; photo: Props["photo"] }) {
  const id = useId();
  const { page, prints, pale, turn, scale, wrap } = part;
  const { x, y } = partOrigin(part);
  return (
    <g
      transform={`translate(${x} ${y}) rotate(${turn}) scale(${scale}) translate(${-prints.x} ${-prints.y})`}
    >
      {wrap?.way === "colour" && <rect {...prints} fill={wrap.colour} />}
      {wrapZones(part).map(({ clip, across, down, x0, y0 }, i) => (
        <g key={i} clipPath={`url(#${id}${i})`}>
          <clipPath id={`${id}${i}`}>
            <rect {...clip} />
          </clipPath>
          <g transform={`matrix(${across} 0 0 ${down} ${x0} ${y0})`}>
            <svg width={page.paper.width} height={page.paper.height} overflow="visible">
              <SheetPicture plan={page} photo={photo} />
            </svg>
          </g>
        </g>
      ))}
      {pale.map((strip, i) => (
        <rect key={i} {...strip} fill="#ffffff" fillOpacity={1 - PALE} />
      ))}
    </g>
  );
}

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
  look: Look | null;
  clip: string;
  /** Where the cell is, how the photo is levelled in it, and how the photo lies then. */
  place: string;
  level: string;
  transform: string;
  width: number;
  height: number;
}

/** One cell's photo; of hundreds only those are drawn anew that changed. */
const CellImage = memo(function CellImage({
  href,
  look,
  clip,
  place,
  level,
  transform,
  ...size
}: CellImageProps) {
  const image = { ...size, href: useLooked(href, look) };
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

/** A cell’s photo in the shape that bounds it, where one does. */
const withinShape = (cell: CellPlan, id: string, photo: ReactNode): ReactNode =>
  cell.within ? (
    <g key={cell.key} clipPath={`url(#${id}w${cell.key})`}>
      {photo}
    </g>
  ) : (
    photo
  );

/** Cells as bare shapes; the more cells, the thinner the lines between them. */
function Places({ cells, paper }: { cells: readonly CellPlan[]; paper: Size }) {
  const line = Math.max(paper.width, paper.height) / 260;
  return (
    <g fill="#dde1f2" stroke="#34409c" strokeWidth={line}>
      {cells.map((cell) => (
        <path key={cell.key} d={rectPath(cell.finished)} transform={tilt(cell) || undefined} />
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
    .map((cell) => rectPath(cell.finished))
    .join("");
  return (
    <g fill="none" stroke={outline.colour} strokeWidth={outline.width}>
      <path d={d} />
      {cells
        .filter(({ angle }) => angle !== 0)
        .map((cell) => (
          <path key={cell.key} d={rectPath(cell.finished)} transform={tilt(cell)} />
        ))}
    </g>
  );
}
