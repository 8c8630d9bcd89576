import { readFile } from "node:fs/promises";
import { pictureIn, type CellPlan, type Ink, type PictureInk, type Rect } from "@wide-quilt/core";
import { embedPhoto, renditionOf, type Embedding } from "../embed/photo.ts";
import { isDrawn } from "../graphic/size.ts";
import { placing } from "../pdf/matrix.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { openUpright } from "../photo/open.ts";
import { WHOLE, type Part } from "../pixels/part.ts";
import { clipped, textMark, transformOf, UM, type TiltedWith } from "./marks.ts";
import { pathMark } from "./shape.ts";

/** A picture of the file, a unit square, over a rectangle. */
const usedIn = (name: string, { x, y, width, height }: Rect, how = ""): string =>
  `<use href="#${name}"${how} transform="matrix(${width} 0 0 ${height} ${x} ${y})"/>`;

/** A picture of the file, and which part of its photo it is. */
interface Stored {
  type: string;
  data: Buffer;
  part?: Part;
}

/** The file's pictures: each stored once, as a unit square, however often it is placed. */
export class SvgPictures {
  readonly defs: string[] = [];
  private readonly known = new Map<string, string>();
  private ids = 0;

  constructor(
    private readonly files: PhotoFiles,
    private readonly embedding: Embedding,
  ) {}

  id(): string {
    return `c${++this.ids}`;
  }

  /** A cell's photo, laid where it lies. */
  async photo(cell: CellPlan): Promise<string> {
    const picture = cell.picture!;
    const rendition = renditionOf(cell, picture, this.embedding);
    const key = JSON.stringify([cell.paints, rendition, rendition && picture.ppi]);
    const name = await this.store(key, async () => {
      const path = this.files(cell.paints!);
      const { file, type, orientation, part } = await embedPhoto(path, rendition, picture, this.embedding);
      // Not every reader of SVG minds the flag that turns a photo, so it is turned here.
      const upright =
        orientation === 1
          ? file
          : await openUpright(path).jpeg({ quality: 95, chromaSubsampling: "4:4:4" }).toBuffer();
      return { type: `image/${type}`, data: upright, part };
    });
    return `<use href="#${name}" transform="matrix(${placing(1, picture.turn, picture.placed).join(" ")})"/>`;
  }

  async ink(ink: Ink, cell: TiltedWith): Promise<string> {
    if (ink.kind === "text") return textMark(ink, cell, UM, this.id());
    if (ink.kind === "path") {
      const picture = pictureIn(ink.fill);
      const name = picture && (await this.picture(picture.of));
      return pathMark(ink, cell, UM, this.id(), name === null ? null : (rect) => usedIn(name, rect));
    }
    const { rect, turn, opacity, blend, clip } = ink;
    const name = await this.picture(ink.of);
    const style = blend === "multiply" ? ' style="mix-blend-mode:multiply"' : "";
    const placed = `<g transform="${transformOf(rect, turn, cell, UM)}">${usedIn(name, rect, ` opacity="${opacity}"`)}</g>`;
    const marks = clip ? clipped(placed, clip, cell, UM, this.id()) : placed;
    return style === "" ? marks : `<g${style}>${marks}</g>`;
  }

  private picture(of: PictureInk["of"]): Promise<string> {
    return this.store(`${of.kind} ${of.id}`, () => this.graphic(of));
  }

  private async graphic({ kind, id }: PictureInk["of"]): Promise<Stored> {
    const path = this.files(id);
    if (kind === "photo")
      return { type: "image/jpeg", data: await openUpright(path).jpeg({ quality: 95 }).toBuffer() };
    const file = await readFile(path);
    return { type: isDrawn(file) ? "image/svg+xml" : "image/png", data: file };
  }

  private async store(key: string, read: () => Promise<Stored>): Promise<string> {
    const before = this.known.get(key);
    if (before !== undefined) return before;
    const name = `p${this.known.size + 1}`;
    this.known.set(key, name);
    const { type, data, part = WHOLE } = await read();
    const { left, top, right, bottom } = part;
    const place = `${left === 0 ? "" : `x="${left}" `}${top === 0 ? "" : `y="${top}" `}width="${right - left}" height="${bottom - top}"`;
    this.defs.push(
      `<image id="${name}" ${place} preserveAspectRatio="none" href="data:${type};base64,${data.toString("base64")}"/>`,
    );
    return name;
  }
}
