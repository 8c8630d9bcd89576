import type { Samples } from "@wide-quilt/colour";
import type { PhotoId } from "@wide-quilt/core";
import { SMALL_PART, type Decoded, type Wanted } from "./decode.ts";
import { areaOf } from "./part.ts";

/** A photo as it was decoded, and what was made of it for cells, by what each is like. */
export interface KeptPhoto {
  decoded: Promise<Decoded>;
  crops: Map<string, Promise<Samples>>;
}

/**
 * Photos as they were decoded and cropped, for sheets that show them again soon: whoever prints a set has seen most of its
 * photos before. Those that were wanted longest ago go first once there are too many bytes; one that is too large is not kept.
 */
export class KeptPhotos {
  private readonly photos = new Map<string, KeptPhoto & { bytes: number }>();

  /** `most`: bytes in all, of which one photo may take an eighth. */
  constructor(private readonly most: number) {}

  /** The photo as it is wanted, decoded now where it is not kept. */
  get(photo: PhotoId, wanted: Wanted, decode: () => Promise<Decoded>): KeptPhoto {
    const key = keyOf(photo, wanted);
    const known = this.photos.get(key);
    const entry = known ?? { decoded: decode(), crops: new Map<string, Promise<Samples>>(), bytes: 0 };
    this.photos.delete(key);
    this.photos.set(key, entry);
    if (!known) {
      entry.decoded.then(
        ({ data }) => {
          entry.bytes = data.byteLength;
          if (entry.bytes > this.most / 8) this.photos.delete(key);
          this.makeRoom();
        },
        () => this.photos.delete(key),
      );
    }
    return entry;
  }

  /** Counts the crops as well: each has about as many bytes as there are on the sheet. */
  private makeRoom(): void {
    const bytesOf = ({ bytes, crops }: KeptPhoto & { bytes: number }) => bytes * (1 + crops.size);
    let over = [...this.photos.values()].reduce((sum, one) => sum + bytesOf(one), -this.most);
    for (const [key, one] of this.photos) {
      if (over <= 0) return;
      over -= bytesOf(one);
      this.photos.delete(key);
    }
  }
}

/** The same picture comes of these: which part is seen matters only where no more than that is decoded. */
const keyOf = (photo: PhotoId, { part, ...wanted }: Wanted): string =>
  JSON.stringify([photo, wanted, areaOf(part) < SMALL_PART ? part : null]);
