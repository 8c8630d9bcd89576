import type { PhotoId } from "@wide-quilt/core";
import { SMALL_PART, type Decoded, type Wanted } from "./decode.ts";
import { areaOf } from "./part.ts";

/**
 * Photos as they were decoded, for sheets that show them again soon: whoever prints a set has seen most of its photos before.
 * Those that were wanted longest ago go first once there are too many bytes; one that is too large is not kept.
 */
export class KeptPhotos {
  private readonly photos = new Map<string, { photo: Promise<Decoded>; bytes: number }>();

  /** `most`: bytes in all, of which one photo may take an eighth. */
  constructor(private readonly most: number) {}

  /** The photo as it is wanted, decoded now where it is not kept. Throws what decoding throws. */
  get(photo: PhotoId, wanted: Wanted, decode: () => Promise<Decoded>): Promise<Decoded> {
    const key = keyOf(photo, wanted);
    const known = this.photos.get(key);
    if (known) {
      this.photos.delete(key);
      this.photos.set(key, known);
      return known.photo;
    }
    const entry = { photo: decode(), bytes: 0 };
    this.photos.set(key, entry);
    entry.photo.then(
      ({ data }) => {
        entry.bytes = data.byteLength;
        if (entry.bytes > this.most / 8) this.photos.delete(key);
        this.makeRoom();
      },
      () => this.photos.delete(key),
    );
    return entry.photo;
  }

  private makeRoom(): void {
    let bytes = 0;
    for (const one of this.photos.values()) bytes += one.bytes;
    for (const [key, one] of this.photos) {
      if (bytes <= this.most) return;
      bytes -= one.bytes;
      this.photos.delete(key);
    }
  }
}

/** The same picture comes of these: which part is seen matters only where no more than that is decoded. */
const keyOf = (photo: PhotoId, { part, ...wanted }: Wanted): string =>
  JSON.stringify([photo, wanted, areaOf(part) < SMALL_PART ? part : null]);
