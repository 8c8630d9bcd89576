import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { readAbout } from "./about.ts";
import { measure, quarters, testFolder } from "../testing/samples.ts";

const folder = testFolder();

/** A photo whose metadata were written by exiftool. */
async function written(name: string, ...tags: string[]): Promise<string> {
  const path = join(folder, name);
  await quarters(60, 40).jpeg().toFile(path);
  measure("exiftool", "-q", "-overwrite_original", ...tags, path);
  return path;
}

describe("what is said of a photo", () => {
  it("is read from EXIF, XMP and IPTC", async () => {
    const path = await written(
      "full.jpg",
      ...["-Make=Tern", "-Model=Field body", "-LensModel=Long 400", "-ExposureTime=1/1600", "-FNumber=6.3"],
      ...["-ISO=640", "-FocalLength=400", "-DateTimeOriginal=2026:10:09 15:20:44"],
      ...["-XMP-dc:Title=Knots turning", "-XMP:Rating=4", "-XMP-dc:Subject=knots", "-XMP-dc:Subject=album"],
    );
    expect(await readAbout(path)).toEqual({
      exposure: {
        camera: "Tern Field body",
        lens: "Long 400",
        shutter: 1 / 1600,
        aperture: 6.3,
        iso: 640,
        focalLength: 400,
        takenAt: "2026-10-09T15:20:44",
      },
      title: "Knots turning",
      stars: 4,
      keywords: ["knots", "album"],
    });
  });

  it("is left out where it is nonsense, and the rest is kept", async () => {
    const path = await written(
      "nonsense.jpg",
      ...["-Make=Tern\u0007", "-ExposureTime=99999999", "-FNumber=0.01", "-ISO=0", "-FocalLength=900000"],
      ...["-DateTimeOriginal=2026:02:31 10:00:00", "-XMP:Rating=-1", "-IPTC:ObjectName=A title of the press"],
    );
    const { exposure, title, stars, keywords } = await readAbout(path);
    expect(exposure.camera).toBe("Tern");
    expect([
      exposure.shutter,
      exposure.aperture,
      exposure.iso,
      exposure.focalLength,
      exposure.takenAt,
    ]).toEqual(Array(5).fill(undefined));
    expect([title, stars, keywords]).toEqual(["A title of the press", undefined, undefined]);
  });

  it("is nothing for a clock that was never set, and for a file that is no photo", async () => {
    const path = await written("unset.jpg", "-DateTimeOriginal#=0000:00:00 00:00:00");
    expect((await readAbout(path)).exposure.takenAt).toBeUndefined();
    expect(await readAbout(Buffer.from("no photo at all"))).toEqual({
      exposure: expect.anything(),
      title: undefined,
      stars: undefined,
      keywords: undefined,
    });
  });
});
