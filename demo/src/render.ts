import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { chance } from "./chance.ts";
import type { DemoPhoto } from "./photos.ts";

/** Pixels that are drawn; blurs cost by area, so larger photos are enlarged from this and get their grain after. */
const DRAWN = 800_000;
const GRAIN_TILE = 256;
const GRAIN = 10;
const QUALITY = 88;

/** Renders a photo of the demo to a JPEG as a camera writes it. The same photo always gives the same bytes. */
export async function renderPhoto(photo: DemoPhoto): Promise<Buffer> {
  const { width, height, exposure } = photo;
  const shrink = Math.min(1, Math.sqrt(DRAWN / (width * height)));
  const svg = photo.draw(Math.round(width * shrink), Math.round(height * shrink));
  const drawn = new Resvg(svg, { font: { loadSystemFonts: false } }).render();
  const enlarged = await sharp(drawn.pixels, {
    raw: { width: drawn.width, height: drawn.height, channels: 4 },
  })
    .flatten({ background: "#ffffff" })
    .resize(width, height, { fit: "fill" })
    .raw()
    .toBuffer();
  const raw = { width, height, channels: 3 } as const;
  let image = sharp(enlarged, { raw }).composite([
    { input: await grain(Math.min(GRAIN_TILE, width, height)), tile: true, blend: "soft-light" },
  ]);
  if (photo.onItsSide) {
    const upright = await image.removeAlpha().raw().toBuffer();
    image = sharp(upright, { raw }).rotate(270);
  }
  if (photo.wideGamut) image = image.withIccProfile("p3");
  if (photo.onItsSide) image = image.withMetadata({ orientation: 6 });
  return image
    .withExif({
      IFD0: {
        Make: "Marram",
        Model: exposure.model,
        Artist: "Marram Spit Bird Observatory",
      },
      IFD2: {
        ExposureTime: exposure.shutter.includes("/") ? exposure.shutter : `${exposure.shutter}/1`,
        FNumber: `${Math.round(exposure.aperture * 10)}/10`,
        ISOSpeedRatings: String(exposure.iso),
        FocalLength: `${exposure.focalLength}/1`,
        DateTimeOriginal: exposure.takenAt,
      },
    })
    .jpeg({ quality: QUALITY })
    .toBuffer();
}

/** A tile of sensor noise around middle grey. */
function grain(side: number): Promise<Buffer> {
  const random = chance(1);
  const noise = Buffer.alloc(side * side * 3);
  for (let i = 0; i < noise.length; i += 3) {
    const level = 128 + (random() + random() + random() - 1.5) * GRAIN;
    noise.fill(Math.round(level), i, i + 3);
  }
  return sharp(noise, { raw: { width: side, height: side, channels: 3 } })
    .png()
    .toBuffer();
}
