import { useLayoutEffect, useMemo, useRef, useState } from "react";
import type { SheetPlan } from "@wide-quilt/core";
import { originOf } from "./onPicture.ts";
import { sightsOf, type Sight } from "./sights.ts";

/** From this many cells on, photos are painted here: the browser cannot redraw so many pictures within a frame. */
const MANY = 40;
/** A canvas of more pixels than this takes too much memory; so large is only what is looked at very closely. */
const MOST_PIXELS = 16_000_000;

/**
 * Whether the photos of a sheet are painted by `ManyPhotos`: many of them, on bare paper, as they are and where the
 * layout puts them. `scale` is CSS pixels a micrometre.
 */
export const hasManyPhotos = (plan: SheetPlan, scale: number): boolean =>
  plan.cells.length >= MANY &&
  plan.paper.width * plan.paper.height * (scale * window.devicePixelRatio) ** 2 <= MOST_PIXELS &&
  plan.ground === null &&
  plan.backing.length === 0 &&
  plan.cells.every(({ placed, look }) => !placed && look === null);

interface Props {
  plan: SheetPlan;
  photo(id: string, width: number): string;
  /** CSS pixels a micrometre. */
  scale: number;
  className: string;
  /** Told once the photos are painted here, so that they need not be painted elsewhere. */
  onReady(): void;
}

/** The photos of a sheet on one canvas: each way to show a photo is painted once, and put in every cell that shows it. */
export function ManyPhotos({ plan, photo, scale, className, onReady }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const sights = useMemo(() => sightsOf(plan.cells), [plan]);
  const images = useImages(sights, photo);
  const perUm = scale * window.devicePixelRatio;
  const width = Math.round(plan.paper.width * perUm);
  const height = Math.round(plan.paper.height * perUm);
  useLayoutEffect(() => {
    const context = canvas.current?.getContext("2d", { alpha: false });
    if (!context || !images) return;
    context.fillStyle = "#fff";
    context.fillRect(0, 0, width, height);
    for (const sight of sights) {
      const image = images.get(sight.photoId);
      if (image) paint(context, sight, image, perUm);
    }
    onReady();
  }, [sights, images, perUm, width, height, onReady]);
  return <canvas ref={canvas} width={width} height={height} aria-hidden className={className} />;
}

/** Puts a photo in every cell that shows it in one way. Edges are rounded to whole pixels, so that cells that touch do. */
function paint(
  context: CanvasRenderingContext2D,
  sight: Sight,
  image: HTMLImageElement,
  perUm: number,
): void {
  const { x, y, width, height } = sight.window;
  const tile = tileOf(sight, image, perUm);
  for (const { finished } of sight.cells) {
    const left = Math.round((finished.x + x) * perUm);
    const top = Math.round((finished.y + y) * perUm);
    const across = Math.round((finished.x + x + width) * perUm) - left;
    const down = Math.round((finished.y + y + height) * perUm) - top;
    if (across > 0 && down > 0) context.drawImage(tile, 0, 0, across, down, left, top, across, down);
  }
}

/** A photo as one cell shows it, with the pixel more that a cell may have by rounding. */
function tileOf(
  { window, picture, middle, corner }: Sight,
  image: HTMLImageElement,
  perUm: number,
): OffscreenCanvas {
  const tile = new OffscreenCanvas(Math.ceil(window.width * perUm) + 1, Math.ceil(window.height * perUm) + 1);
  const context = tile.getContext("2d")!;
  context.scale(perUm, perUm);
  context.translate(-window.x, -window.y);
  if (corner > 0) {
    context.beginPath();
    context.roundRect(window.x, window.y, window.width, window.height, corner);
    context.clip();
  }
  const turned = (degrees: number) => context.rotate((degrees * Math.PI) / 180);
  if (picture.level !== 0) {
    context.translate(middle.x, middle.y);
    turned(picture.level);
    context.translate(-middle.x, -middle.y);
  }
  const { placed, turn } = picture;
  context.translate(...originOf(picture));
  turned(turn);
  const [width, height] = turn % 180 === 0 ? [placed.width, placed.height] : [placed.height, placed.width];
  context.drawImage(image, 0, 0, width, height);
  return tile;
}

/**
 * The picture of every photo that is shown, by its id; null until the first time all are there. While a larger one is
 * loaded the one before it stays.
 */
function useImages(
  sights: readonly Sight[],
  photo: Props["photo"],
): ReadonlyMap<string, HTMLImageElement> | null {
  const [images, setImages] = useState<ReadonlyMap<string, HTMLImageElement> | null>(null);
  const wanted = new Map<string, string>();
  for (const {
    photoId,
    picture: { placed },
  } of sights)
    wanted.set(photoId, photo(photoId, Math.max(placed.width, placed.height)));
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
      if (current) setImages((before) => new Map([...(before ?? []), ...loaded]));
    });
    return () => {
      current = false;
    };
  }, [key]);
  return images;
}
