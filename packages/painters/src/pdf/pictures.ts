import { readFile } from "node:fs/promises";
import type { Look, PhotoId, PictureInk } from "@wide-quilt/core";
import { sizedGraphic } from "../graphic/size.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { openUpright } from "../photo/open.ts";
import { embedPhoto } from "./photo.ts";

/** pdfkit's opened JPEG; its colour space can be set until it is first placed. */
interface OpenedJpeg {
  colorSpace: unknown;
}

export interface OpenedPhoto {
  opened: OpenedJpeg;
  /** EXIF orientation that it still has to be turned by, 1…8. */
  orientation: number;
}

/** Pixels per inch at which graphics that are drawn become pixels. */
const GRAPHIC_PPI = 600;
const GRAPHIC_MOST = 6000;

/** The document's pictures: each stored once, however often it is placed. */
export class PdfPictures {
  private readonly photos = new Map<string, OpenedPhoto>();
  private readonly graphics = new Map<string, unknown>();
  private readonly profiles = new Map<string, PDFKit.PDFKitReference>();

  constructor(
    private readonly doc: PDFKit.PDFDocument,
    private readonly files: PhotoFiles,
  ) {}

  async photo(photo: PhotoId, look: Look | null): Promise<OpenedPhoto> {
    const key = JSON.stringify([photo, look]);
    const known = this.photos.get(key);
    if (known) return known;
    const { jpeg, orientation, profile } = await embedPhoto(this.files(photo), look);
    const opened = this.open(jpeg) as OpenedJpeg;
    if (profile) opened.colorSpace = ["ICCBased", this.profileRef(profile)];
    const picture = { opened, orientation };
    this.photos.set(key, picture);
    return picture;
  }

  /** A graphic, or a photo that lies behind or over others, upright and with its alpha. */
  async ink({ of, rect }: PictureInk): Promise<unknown> {
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

  private open(source: Buffer): unknown {
    return (this.doc as unknown as { openImage(source: Buffer): unknown }).openImage(source);
  }

  private profileRef(profile: Buffer): PDFKit.PDFKitReference {
    const key = profile.toString("base64");
    let ref = this.profiles.get(key);
    if (!ref) {
      ref = this.doc.ref({ N: 3 });
      ref.end(profile);
      this.profiles.set(key, ref);
    }
    return ref;
  }
}
