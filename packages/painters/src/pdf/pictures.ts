import { readFile } from "node:fs/promises";
import type { CellPlan, Picture, PictureInk, Rect } from "@wide-quilt/core";
import { sizedGraphic } from "../graphic/size.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { openUpright } from "../photo/open.ts";
import type { Part } from "../pixels/part.ts";
import { embedPhoto, renditionOf, type EmbeddedPhoto, type Embedding } from "../embed/photo.ts";
import { placedImage, type PlacedImage } from "./placedImage.ts";

/** Colours without a profile (ISO 32000-2, 8.6.4). */
const DEVICE = { 1: "DeviceGray", 3: "DeviceRGB", 4: "DeviceCMYK" } as const;

export interface OpenedPhoto {
  opened: PlacedImage;
  /** EXIF orientation that it still has to be turned by, 1…8. */
  orientation: number;
  /** Which part of the upright photo it is. */
  part: Part;
}

/** Pixels per inch at which graphics that are drawn become pixels. */
const GRAPHIC_PPI = 600;
const GRAPHIC_MOST = 6000;

/** The document's pictures: each stored once, however often it is placed. */
export class PdfPictures {
  private readonly photos = new Map<string, OpenedPhoto>();
  /** The photos that are read ahead: one or two, since photos are large. */
  private readonly coming = new Map<string, Promise<EmbeddedPhoto>>();
  private readonly graphics = new Map<string, unknown>();
  private rasters = 0;
  private readonly profiles = new Map<string, PDFKit.PDFKitReference>();

  constructor(
    private readonly doc: PDFKit.PDFDocument,
    private readonly files: PhotoFiles,
    private readonly embedding: Embedding,
    /** Whether photos say what their colours mean. */
    private readonly managed: boolean,
  ) {}

  /** Begins to read the photo of a cell that is painted next: meanwhile words are set, and pages go to the disk. */
  ahead(cell: CellPlan | undefined): void {
    if (!cell?.picture || cell.paints === null) return;
    const { picture, paints } = cell;
    const { key, rendition } = this.wanted(cell, picture);
    if (this.photos.has(key) || this.coming.has(key)) return;
    const reading = embedPhoto(this.files(paints), rendition, picture, this.embedding);
    // Whatever is wrong with it is thrown where it is wanted.
    reading.catch(() => undefined);
    this.coming.set(key, reading);
  }

  async photo(cell: CellPlan, picture: Picture): Promise<OpenedPhoto> {
    const { key, rendition } = this.wanted(cell, picture);
    const known = this.photos.get(key);
    if (known) return known;
    const embedded = await (this.coming.get(key) ??
      embedPhoto(this.files(cell.paints!), rendition, picture, this.embedding));
    this.coming.delete(key);
    const { profile, channels, orientation, part } = embedded;
    const colours =
      profile && this.managed ? ["ICCBased", this.profile(profile, channels)] : DEVICE[channels];
    const opened = placedImage(this.doc, `P${this.photos.size + 1}`, embedded, colours);
    const photo = { opened, orientation, part };
    this.photos.set(key, photo);
    return photo;
  }

  /** Pixels that were painted, as a JPEG of this profile. */
  raster(file: Buffer, { width, height }: { width: number; height: number }, profile: Buffer): PlacedImage {
    const as = { file, type: "jpeg", width, height, channels: 3, depth: 8, inverted: false } as const;
    const colours = this.managed ? ["ICCBased", this.profile(profile, 3)] : DEVICE[3];
    return placedImage(this.doc, `R${++this.rasters}`, as, colours);
  }

  private wanted(cell: CellPlan, picture: Picture) {
    const rendition = renditionOf(cell, picture, this.embedding);
    // What is written anew depends on its size on paper too.
    return { key: JSON.stringify([cell.paints, rendition, rendition && picture.ppi]), rendition };
  }

  /** A graphic, or a photo that lies behind or over others, upright and with its alpha. */
  async ink(of: PictureInk["of"], rect: Rect): Promise<unknown> {
    const width = Math.min(GRAPHIC_MOST, Math.ceil((rect.width / 25_400) * GRAPHIC_PPI));
    const key = `${of.kind} ${of.id} ${width}`;
    let opened = this.graphics.get(key);
    if (opened === undefined) {
      const path = this.files(of.id);
      const height = Math.max(1, Math.round((width * rect.height) / rect.width));
      opened = this.open(
        of.kind === "photo"
          ? await openUpright(path).jpeg({ quality: 95, chromaSubsampling: "4:4:4" }).toBuffer()
          : await (await sizedGraphic(await readFile(path), { width, height })).png().toBuffer(),
      );
      this.graphics.set(key, opened);
    }
    return opened;
  }

  /** A profile as a stream of the document, stored once (ISO 32000-2, 8.6.5.5). */
  profile(bytes: Buffer, channels: 1 | 3 | 4): PDFKit.PDFKitReference {
    const key = bytes.toString("base64");
    let ref = this.profiles.get(key);
    if (!ref) {
      ref = this.doc.ref({ N: channels });
      ref.end(bytes);
      this.profiles.set(key, ref);
    }
    return ref;
  }

  open(source: Buffer): unknown {
    return (this.doc as unknown as { openImage(source: Buffer): unknown }).openImage(source);
  }
}
