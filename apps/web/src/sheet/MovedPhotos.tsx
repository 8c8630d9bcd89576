import { useLayoutEffect, useMemo, useRef, useState } from "react";
import type { SheetPlan } from "@wide-quilt/core";
import { originOf } from "./onPicture.ts";
import { sightsOf, type Sight } from "./sights.ts";

/** From this many cells on, photos that are moved are painted here: the browser cannot redraw so many pictures itself. */
const MANY = 40;

/**
 * Whether the photos of a sheet are painted by `MovedPhotos` while they are moved: many of them, on bare paper, in no
 * look of their own.
 */
export const isMovedApart = (plan: SheetPlan): boolean =>
  plan.cells.length >= MANY &&
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

/**
 * The photos of a sheet on a canvas, for as long as they are moved: each way to show a photo is painted once a frame,
 * and put in every cell that shows it.
 */
export function MovedPhotos({ plan, photo, scale, className, onReady }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const sights = useMemo(() => sightsOf(plan.cells), [plan]);
  const images = useImages(sights.map((sight) => urlOf(sight, photo)));
  const perUm = scale * window.devicePixelRatio;
  const width = Math.round(plan.paper.width * perUm);
  const height = Math.round(plan.paper.height * perUm);
  useLayoutEffect(() => {
    const context = canvas.current?.getContext("2d", { alpha: false });
    if (!context || !images) return;
    context.fillStyle = "#fff";
    context.fillRect(0, 0, width, height);
    for (const sight of sights) {
      const image = images.get(urlOf(sight, photo));
      if (!image) continue;
      const { x, y } = sight.window;
      const tile = tileOf(sight, image, perUm);
      for (const { finished } of sight.cells)
        context.drawImage(tile, Math.round((finished.x + x) * perUm), Math.round((finished.y + y) * perUm));
    }
    onReady();
  }, [sights, images, photo, perUm, width, height, onReady]);
  return <canvas ref={canvas} width={width} height={height} aria-hidden className={className} />;
}

const urlOf = ({ photoId, picture: { placed } }: Sight, photo: Props["photo"]): string =>
  photo(photoId, Math.max(placed.width, placed.height));

/** A photo as one cell shows it. */
function tileOf(
  { window, picture, middle, corner }: Sight,
  image: HTMLImageElement,
  perUm: number,
): OffscreenCanvas {
  const tile = new OffscreenCanvas(
    Math.max(1, Math.round(window.width * perUm)),
    Math.max(1, Math.round(window.height * perUm)),
  );
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

/** Pictures by their addresses, once all of them are there. */
function useImages(urls: readonly string[]): ReadonlyMap<string, HTMLImageElement> | null {
  const key = [...new Set(urls)].sort().join(" ");
  const [loaded, setLoaded] = useState<{ key: string; images: Map<string, HTMLImageElement> } | null>(null);
  useLayoutEffect(() => {
    let wanted = true;
    const load = async (url: string): Promise<[string, HTMLImageElement]> => {
      const image = new Image();
      image.src = url;
      await image.decode();
      return [url, image];
    };
    void Promise.all(key.split(" ").map(load)).then(
      (images) => wanted && setLoaded({ key, images: new Map(images) }),
      // A picture that cannot be loaded is missing elsewhere too, and said there.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [key]);
  return loaded?.key === key ? loaded.images : null;
}
