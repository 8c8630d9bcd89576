import { beforeAll, describe, expect, it } from "vitest";
import { arrange, FONTS, KEPT_WITH_PROGRAM, mm } from "@wide-quilt/core";
import { inspectPhoto, paintPdf } from "./index.ts";
import { file, inkIn, job, makePhotos, png, PPI, px } from "./testing/finish.ts";
import { measure } from "./testing/samples.ts";

beforeAll(makePhotos);

describe("words in the written file", () => {
  it("are text in the PDF, equal to what exiftool reads from the photos", async () => {
    const records = { a: await inspectPhoto(file("a")), b: await inspectPhoto(file("b")) };
    const plan = arrange(
      job("contact", ["a", "b"], {
        do: "style",
        change: {
          caption: {
            ...KEPT_WITH_PROGRAM.find(({ name }) => name === "Exposure data")!.style.caption!,
            text: "[name]\n[shutter] · [aperture] · [focal length] · [iso]\n[date, numbers] [time]",
            lines: 3,
          },
        },
      }),
      records,
    )[0]!;
    const path = file("words.pdf");
    await paintPdf([plan], file, path);
    const text = measure("pdftotext", "-layout", path, "-").replaceAll(/\s+/g, " ");
    for (const name of ["a", "b"]) {
      const read = (tag: string) => measure("exiftool", "-s3", tag, file(name)).trim();
      const [day, time] = read("-DateTimeOriginal").split(" ") as [string, string];
      const exposure = `${read("-ExposureTime")} · f/${read("-FNumber")} · ${Number.parseFloat(read("-FocalLength"))} mm · ISO ${read("-ISO")}`;
      expect(text).toContain(exposure);
      expect(text).toContain(`${day.replaceAll(":", "-")} ${time.slice(0, 5)}`);
    }
    expect(measure("pdffonts", path)).toMatch(/SplineSansMono\S*\s+CID TrueType.*yes yes yes/);
  });

  it("have the same shape in pixels as in the PDF, for every font that ships", async () => {
    const texts = Object.fromEntries(
      FONTS.map(({ id, family }, i) => [
        `t${i + 1}`,
        {
          text: `${family} quälgig 1/250`,
          type: { font: id, size: mm(6), least: mm(3), colour: "#000000", align: "middle" as const },
          x: mm(10),
          y: mm(10 + i * 14),
          width: mm(100),
          height: mm(12),
          turn: 0,
          sheet: null,
        },
      ]),
    );
    const bare = job("free", [], { do: "texts", texts });
    const plan = { ...arrange(bare, {})[0]! };
    const pixels = await png(plan, "fonts");
    const path = file("fonts.pdf");
    await paintPdf([plan], file, path);
    measure("pdftoppm", "-r", String(PPI), "-png", "-singlefile", path, file("fonts-page"));
    for (const [i, { family }] of FONTS.entries()) {
      const crop = (of: string, to: string) => {
        const [x, y] = [px(10_000), px(10_000 + i * 14_000)];
        measure(
          "/usr/bin/convert",
          of,
          "-crop",
          `${px(100_000)}x${px(13_000)}+${x}+${y}`,
          "+repage",
          file(to),
        );
        return inkIn(file(to), "50%");
      };
      const ours = crop(pixels, "one.png");
      const theirs = crop(file("fonts-page.png"), "other.png");
      for (const [k, figure] of ours.entries())
        expect(Math.abs(figure - theirs[k]!), family).toBeLessThanOrEqual(2);
    }
  });
});
