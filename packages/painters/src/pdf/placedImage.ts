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
  { file, type, width, height, channels, depth, inverted }: EmbeddedPhoto,
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
  obj.end(type === "jpeg" ? file : pixelData(file));
  return { label, width, height, obj };
}
