// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- whoever compiles this file needs the declaration too
/// <reference path="./libheif.d.ts" />
import { readFile } from "node:fs/promises";
import sharp from "sharp";
import { BadPhoto } from "./badPhoto.ts";
import { PHOTO_LIMITS } from "./limits.ts";

/** JPEG quality of what is developed: nothing is seen of it in print. */
const QUALITY = 95;

/** What is used of the package that decodes HEIC (libheif as WebAssembly). */
interface HeicImage {
  get_width(): number;
  get_height(): number;
  display(
    to: { data: Uint8ClampedArray; width: number; height: number },
    done: (image: { data: Uint8ClampedArray } | null) => void,
  ): void;
}
interface Heic {
  ready?: Promise<void>;
  HeifDecoder: new () => { decode(file: Uint8Array): HeicImage[] };
}

/**
 * Develops a HEIC photo, as telephones take them, to an upright JPEG with the same colour profile. The decoder is loaded
 * only here: who never brings such a file never waits for it. Throws BadPhoto.
 */
export async function developHeic(path: string): Promise<Buffer> {
  const { default: heic } = (await import("libheif-js/wasm-bundle")) as unknown as { default: Heic };
  await heic.ready;
  const image = decoded(heic, await readFile(path));
  const [width, height] = [image.get_width(), image.get_height()];
  if (width * height > PHOTO_LIMITS.pixels) {
    throw new BadPhoto(
      `The photo has ${width} × ${height} px. At most ${PHOTO_LIMITS.pixels / 1e6} million pixels are read; make it smaller.`,
    );
  }
  const data = new Uint8ClampedArray(width * height * 4);
  await new Promise<void>((resolve, reject) =>
    image.display({ data, width, height }, (shown) => (shown ? resolve() : reject(damaged()))),
  );
  const jpeg = await sharp(data, { raw: { width, height, channels: 4 } })
    .flatten({ background: "#ffffff" })
    .jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" })
    .toBuffer();
  const { icc } = await sharp(path).metadata();
  return icc ? withProfile(jpeg, icc) : jpeg;
}

function decoded({ HeifDecoder }: Heic, file: Buffer): HeicImage {
  try {
    const [first] = new HeifDecoder().decode(file);
    if (first) return first;
  } catch {
    // Said below: what the decoder throws is not for people.
  }
  throw damaged();
}

const damaged = () =>
  new BadPhoto(
    "The HEIC file is damaged or was cut off, so there is no picture in it. Copy it from the telephone again.",
  );

/** The most bytes of a profile in one segment of a JPEG (ICC.1:2022, B.4). */
const MOST = 65_519;

/** The JPEG with a colour profile in its APP2 segments; its pixels stay as they are. */
function withProfile(jpeg: Buffer, icc: Buffer): Buffer {
  const count = Math.ceil(icc.length / MOST);
  const segments = Array.from({ length: count }, (_, i) => {
    const part = icc.subarray(i * MOST, (i + 1) * MOST);
    const head = Buffer.from("\u0000\u0000\u0000\u0000ICC_PROFILE\u0000\u0000\u0000", "latin1");
    head.writeUInt16BE(0xffe2, 0);
    head.writeUInt16BE(part.length + 16, 2);
    head[16] = i + 1;
    head[17] = count;
    return Buffer.concat([head, part]);
  });
  return Buffer.concat([jpeg.subarray(0, 2), ...segments, jpeg.subarray(2)]);
}
