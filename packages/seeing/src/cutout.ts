import { personIn, soften, type BackdropStroke, type Pixels, type Plane } from "@wide-quilt/core";
import { wholePersonMask } from "./mask.ts";
import type { Models } from "./models.ts";
import { Picture } from "./picture.ts";

/** Longest side of the picture that is worked on, and of the one that is divided, in pixels. */
const WORKED = 640;
const DIVIDED = 300;

/** A division and the soft mask that came of it, with the strokes it answers. */
interface Found {
  strokes: string;
  side: Uint8Array;
  mask: Plane;
}

/** A photo being cut out: the first guess is made once, every stroke is answered by a new division. */
export class Cutout {
  private last: Found | null = null;

  private constructor(
    /** The photo as it is worked on. */
    readonly worked: Pixels,
    private readonly divided: Pixels,
    private readonly guess: Plane,
  ) {}

  static async open({ segmentation }: Models, pixels: Pixels): Promise<Cutout> {
    const picture = new Picture(pixels);
    const [worked, divided] = [picture.shrunk(WORKED), picture.shrunk(DIVIDED)];
    const cutout = new Cutout(
      worked,
      divided,
      await wholePersonMask(segmentation, new Picture(worked), divided),
    );
    // Once through what a stroke will do, so that the first one is answered as quickly as any other.
    personIn(divided, cutout.guess, [], cutout.found([]).side);
    return cutout;
  }

  /** How far each pixel of the picture that is worked on belongs to the person, 0…1. */
  mask(strokes: readonly BackdropStroke[]): Plane {
    return this.found(strokes).mask;
  }

  private found(strokes: readonly BackdropStroke[]): Found {
    const key = JSON.stringify(strokes);
    if (this.last?.strokes === key) return this.last;
    const { width, height } = this.divided;
    const side = personIn(this.divided, this.guess, strokes, this.last?.side);
    const mask = soften(this.worked, side, width, height);
    return (this.last = { strokes: key, side, mask });
  }
}
