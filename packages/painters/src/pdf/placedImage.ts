import type { EmbeddedPhoto } from "../embed/photo.ts";
import { pixelData } from "../pixels/container/png.ts";

/** A picture of the document as pdfkit places it. */
export interface PlacedImage {
  label: string;
  width: number;
  height: number;
  obj: PDFKit.PDFKitReference;
}

/**
 * Stores a photo as an image of the document (ISO 32000-2, 8.9.5): the data of a JPEG or PNG as they are (7.4.4 and 7.4.8).
 * pdfkit would do the same, but for inks, whose profile and whose counting it cannot have both.
 */
export function placedImage(
  doc: PDFKit.PDFDocument,
  label: string,
  {
    file,
    type,
    width,
    height,
    channels,
    depth,
    inverted,
  }: Omit<EmbeddedPhoto, "orientation" | "profile" | "part">,
  colours: unknown,
): PlacedImage {
  const obj = doc.ref({
    Type: "XObject",
    Subtype: "Image",
    Width: width,
    Height: height,
    BitsPerComponent: depth,
    ColorSpace: colours,
    ...(inverted ? { Decode: [1, 0, 1, 0, 1, 0, 1, 0] } : {}),
    ...(type === "jpeg"
      ? { Filter: "DCTDecode" }
      : {
          Filter: "FlateDecode",
          DecodeParms: { Predictor: 15, Colors: channels, BitsPerComponent: depth, Columns: width },
        }),
  });
  endWhole(doc, obj, type === "jpeg" ? file : pixelData(file));
  return { label, width, height, obj };
}

/** What pdfkit keeps to itself of how an object is written. */
interface Writing {
  _offset: number;
  _write(data: string | Uint8Array): void;
}

/**
 * Ends an object whose data are written as they are. pdfkit would copy them first, which for photos is most of its work: the
 * object is ended without any, and they are put in before its last line.
 */
function endWhole(doc: PDFKit.PDFDocument, obj: PDFKit.PDFKitReference, data: Uint8Array): void {
  const writing = doc as unknown as Writing;
  const write = writing._write.bind(doc);
  (obj.data as Record<string, unknown>).Length = data.length;
  writing._write = (line) => {
    if (line === "endobj") {
      write("stream");
      write(data);
      write("\nendstream");
    }
    write(line);
  };
  try {
    (obj.end as () => void)();
  } finally {
    writing._write = write;
  }
}
