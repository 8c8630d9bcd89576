import sharp from "sharp";

let known: Promise<Buffer> | undefined;

/** The sRGB profile that pixels are written with, for PDF to name the same colours. */
export const srgbProfile = (): Promise<Buffer> =>
  (known ??= sharp({ create: { width: 1, height: 1, channels: 3, background: "#ffffff" } })
    .withIccProfile("srgb")
    .jpeg()
    .toBuffer()
    .then(async (jpeg) => (await sharp(jpeg).metadata()).icc!));
