import { lowest, type CellPlan, type SheetPlan } from "@wide-quilt/core";
import { useLayoutEffect, useMemo, useRef, useState } from "react";
import { sightsOf, type Sight } from "./sights.ts";
import { Tiles } from "./tiles.ts";

/** From this many cells on, photos are painted here: the browser cannot redraw so many pictures within a frame. */
const MANY = 40;
/** A canvas of more pixels than this takes too much memory; so large is only what is looked at very closely. */
const MOST_PIXELS = 16_000_000;

/**
 * The cells whose photos `ManyPhotos` paints: those that lie over no other, straight and as they are, if they are many
 * and on plain paper. Null where all photos are painted by `SheetPicture`. `scale` is CSS pixels a micrometre.
 */
export function manyCells(plan: SheetPlan, scale: number): ReadonlySet<CellPlan> | null {
  const { paper, grounds, backing, cells } = plan;
  if (cells.length < MANY) return null;
  const pixels = paper.width * paper.height * (scale * window.devicePixelRatio) ** 2;
  if (pixels > MOST_PIXELS || !isPlain(grounds, paper) || backing.length > 0) return null;
  const plain = lowest(plan).filter(
    ({ angle, look, within }) => angle === 0 && look === null && within === null,
  );
  return plain.length < MANY ? null : new Set(plain);
}

/** Whether the sheet is bare, or of one colour all over. */
const isPlain = (grounds: SheetPlan["grounds"], paper: SheetPlan["paper"]): boolean =>
  grounds.length === 0 ||
  (grounds.length === 1 &&
    grounds[0]!.fill.kind === "flat" &&
    grounds[0]!.rect.width === paper.width &&
    grounds[0]!.rect.height === paper.height);

interface Props {
  plan: SheetPlan;
  cells: ReadonlySet<CellPlan>;
  photo(id: string, width: number): string;
  /** CSS pixels a micrometre. */
  scale: number;
  className: string;
  /** Told once the photos are painted here, so that they need not be painted elsewhere. */
  onReady(): void;
}

/** Many photos of a sheet on one canvas: each way to show a photo is painted once, and put in every cell that shows it. */
export function ManyPhotos({ plan, cells, photo, scale, className, onReady }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const sights = useMemo(() => sightsOf([...cells]), [cells]);
  const images = useImages(sights, photo);
  const [tiles] = useState(() => new Tiles());
  const fill = plan.grounds[0]?.fill;
  const colour = fill?.kind === "flat" ? fill.colour : "#fff";
  const perUm = scale * window.devicePixelRatio;
  const width = Math.round(plan.paper.width * perUm);
  const height = Math.round(plan.paper.height * perUm);
  useLayoutEffect(() => {
    const context = canvas.current?.getContext("2d", { alpha: false });
    if (!context || !images) return;
    context.fillStyle = colour;
    context.fillRect(0, 0, width, height);
    for (const [sight, tile] of tiles.of(sights, images, perUm)) paint(context, sight, tile, perUm);
    onReady();
  }, [sights, images, tiles, colour, perUm, width, height, onReady]);
  return <canvas ref={canvas} width={width} height={height} aria-hidden className={className} />;
}

/** Puts a photo in every cell that shows it in one way. Edges are rounded to whole pixels, so that cells that touch do. */
function paint(
  context: CanvasRenderingContext2D,
  { window: { x, y, width, height }, cells }: Sight,
  tile: OffscreenCanvas,
  perUm: number,
): void {
  for (const { finished } of cells) {
    const left = Math.round((finished.x + x) * perUm);
    const top = Math.round((finished.y + y) * perUm);
    const across = Math.round((finished.x + x + width) * perUm) - left;
    const down = Math.round((finished.y + y + height) * perUm) - top;
    if (across > 0 && down > 0) context.drawImage(tile, 0, 0, across, down, left, top, across, down);
  }
}

/**
 * The picture of every photo that is shown, by its id; null until the first time all are there. While others or larger
 * ones are loaded those before them stay.
 */
function useImages(
  sights: readonly Sight[],
  photo: Props["photo"],
): ReadonlyMap<string, HTMLImageElement> | null {
  const [images, setImages] = useState<ReadonlyMap<string, HTMLImageElement> | null>(null);
  const wanted = new Map(
    sights.map(({ photoId, picture: { placed } }) => [
      photoId,
      photo(photoId, Math.max(placed.width, placed.height)),
    ]),
  );
  const key = JSON.stringify([...wanted]);
  useLayoutEffect(() => {
    let current = true;
    const load = async ([id, url]: [string, string]): Promise<[string, HTMLImageElement]> => {
      const image = new Image();
      image.src = url;
      await image.decode();
      return [id, image];
    };
    void Promise.allSettled((JSON.parse(key) as [string, string][]).map(load)).then((all) => {
      // A picture that cannot be loaded is missing elsewhere too, and said there.
      const loaded = all.flatMap((one) => (one.status === "fulfilled" ? [one.value] : []));
      if (current) setImages(new Map(loaded));
    });
    return () => {
      current = false;
    };
  }, [key]);
  return images;
}
