import { describe, expect, it } from "vitest";
import type { Decoded, Wanted } from "./decode.ts";
import { KeptPhotos } from "./kept.ts";

const WHOLE = { left: 0, top: 0, right: 1, bottom: 1 };
const wanted = (width: number, part = WHOLE): Wanted => ({
  ...{ turn: 0, part, size: { width, height: 100 } },
  ...{ depth: 8, inks: "no inks", light: false },
});
const decoded = (bytes: number): Decoded =>
  ({ data: new Uint8Array(bytes), width: 1, height: bytes, channels: 3, part: WHOLE }) as unknown as Decoded;

describe("photos that are kept decoded", () => {
  it("are decoded once for the same use, and again for another size or a small part", async () => {
    const kept = new KeptPhotos(1000);
    let times = 0;
    const get = (photo: string, as: Wanted) =>
      kept.get(photo, as, () => {
        times++;
        return Promise.resolve(decoded(10));
      });
    const first = get("a", wanted(50));
    await first.decoded;
    // All but a little of a photo is decoded whole: which part of it is seen makes no other picture.
    expect(get("a", wanted(50, { ...WHOLE, right: 0.9 }))).toBe(first);
    expect(times).toBe(1);
    get("a", wanted(60));
    get("b", wanted(50));
    get("a", wanted(50, { ...WHOLE, right: 0.2 }));
    expect(times).toBe(4);
  });

  it("go once there are too many bytes, the one that was wanted longest ago first; large ones are not kept", async () => {
    const kept = new KeptPhotos(1000);
    const made: string[] = [];
    const get = async (photo: string, bytes: number) => {
      const { decoded: pixels } = kept.get(photo, wanted(50), () => {
        made.push(photo);
        return Promise.resolve(decoded(bytes));
      });
      await pixels;
      await Promise.resolve();
    };
    for (let i = 0; i < 8; i++) await get(`p${i}`, 124);
    await get("p0", 124);
    expect(made).toHaveLength(8);
    // A ninth makes 1 116 bytes: p1 goes, p0 was wanted since.
    await get("p8", 124);
    await get("p0", 124);
    expect(made).toHaveLength(9);
    await get("p1", 124);
    expect(made).toHaveLength(10);
    // Over an eighth of all: made each time.
    await get("large", 126);
    await get("large", 126);
    expect(made.filter((photo) => photo === "large")).toHaveLength(2);
  });

  it("that could not be decoded are tried again", async () => {
    const kept = new KeptPhotos(1000);
    const failing = kept.get("a", wanted(50), () => Promise.reject(new Error("gone")));
    await expect(failing.decoded).rejects.toThrow("gone");
    await Promise.resolve();
    const again = kept.get("a", wanted(50), () => Promise.resolve(decoded(10)));
    expect((await again.decoded).data).toHaveLength(10);
  });
});
