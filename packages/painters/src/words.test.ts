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
    const own: Readonly<Record<string, string>> = {
      "Noto Sans Arabic": "مارس ٢٠٢٧",
      "Noto Sans Hebrew": "יום שני 1/250",
    };
    // In columns of twelve every font has a place of its own.
    const place = (i: number) => ({ x: mm(10 + Math.floor(i / 12) * 105), y: mm(10 + (i % 12) * 14) });
    const texts = Object.fromEntries(
      FONTS.map(({ id, family }, i) => [
        `t${i + 1}`,
        {
          text: own[family] ?? `${family} quagig 1/250`,
          type: { font: id, size: mm(6), least: mm(3), colour: "#000000", align: "middle" as const },
          ...place(i),
          width: mm(100),
          height: mm(12),
          turn: 0,
          sheet: null,
        },
      ]),
    );
    const paper = { name: "Wide", width: mm(330), height: mm(190) };
    const bare = job("free", [], { do: "sheet", change: { paper } }, { do: "texts", texts });
    const plan = { ...arrange(bare, {})[0]! };
    const pixels = await png(plan, "fonts");
    const path = file("fonts.pdf");
    await paintPdf([plan], file, path);
    measure("pdftoppm", "-r", String(PPI), "-png", "-singlefile", path, file("fonts-page"));
    expect(FONTS.length).toBe(36);
    for (const [i, { name }] of FONTS.entries()) {
      const crop = (of: string, to: string) => {
        const [x, y] = [px(place(i).x), px(place(i).y)];
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
        expect(Math.abs(figure - theirs[k]!), name).toBeLessThanOrEqual(
          // Letters that join are a hundredth closer as one library sets them: 5 pixels of 423.
          name.includes("Arabic") ? 6 : 2,
        );
    }
  });
});
