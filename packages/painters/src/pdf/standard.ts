import { readProfile } from "@wide-quilt/colour";
import type { Intent, SheetPlan } from "@wide-quilt/core";
import { MAKER, type FileAbout } from "../about/about.ts";
import { xmpPacket, type MoreXmp } from "../about/xmp.ts";
import { SRGB, type OutputColour } from "../colour/space.ts";
import type { PdfPictures } from "./pictures.ts";

/** pdfkit's inner parts that it has no words for: catalog, pages, content. */
interface Inner {
  _root: { data: Record<string, unknown> };
  page: { resources: { data: Record<string, unknown> }; colorSpaces: Record<string, unknown> };
  addContent(content: string): void;
  /** Writes XMP of its own at the end. */
  endMetadata(): void;
  ref(data: unknown): PDFKit.PDFKitReference & { compress: boolean; end(data?: unknown): void };
}

const inner = (doc: PDFKit.PDFDocument): Inner => doc as unknown as Inner;

/** Whether a PDF for these colours follows PDF/X-4: its output intent has to be a printing condition (ISO 15930-7, 6.2.2). */
export const isForPress = (colour: OutputColour | null): boolean =>
  colour !== null && readProfile(colour.profile).of === "printer";

/**
 * Says what a PDF is: XMP metadata, the colours it is meant for as its output intent, and a layer for marks
 * (ISO 32000-2, 14.3.2, 14.11.5 and 8.11).
 */
export function declare(
  doc: PDFKit.PDFDocument,
  about: FileAbout,
  colour: OutputColour | null,
  pictures: PdfPictures,
): Layer {
  const { _root: root } = inner(doc);
  const press = isForPress(colour);
  const metadata = inner(doc).ref({ Type: "Metadata", Subtype: "XML" });
  metadata.compress = false;
  metadata.end(Buffer.from(xmpPacket(about, pdfXmp(press))));
  root.data.Metadata = metadata;
  // pdfkit would put its own in the place of this one.
  inner(doc).endMetadata = () => undefined;
  if (colour) {
    const { name, space } = readProfile(colour.profile);
    root.data.OutputIntents = [
      {
        Type: "OutputIntent",
        S: press ? "GTS_PDFX" : "GTS_PDFA1",
        OutputConditionIdentifier: new String(name),
        Info: new String(name),
        DestOutputProfile: pictures.profile(colour.profile, space === "CMYK" ? 4 : space === "GRAY" ? 1 : 3),
      },
    ];
  }
  const layer = inner(doc).ref({ Type: "OCG", Name: new String("Cut marks") });
  layer.end();
  root.data.OCProperties = {
    OCGs: [layer],
    D: { Name: new String("Sheet"), Order: [layer], ON: [layer] },
  };
  return new Layer(doc, layer);
}

/** PDF/X-4 is known by its XMP (ISO 15930-7, 6.3). Nothing has been trapped. */
const pdfXmp = (press: boolean): MoreXmp => ({
  namespaces: {
    pdf: "http://ns.adobe.com/pdf/1.3/",
    ...(press ? { pdfxid: "http://www.npes.org/pdfx/ns/id/", xmpMM: "http://ns.adobe.com/xap/1.0/mm/" } : {}),
  },
  elements: [
    `<pdf:Producer>${MAKER}</pdf:Producer><pdf:Trapped>False</pdf:Trapped>`,
    press
      ? `<pdfxid:GTS_PDFXVersion>PDF/X-4</pdfxid:GTS_PDFXVersion><xmpMM:DocumentID>uuid:wide-quilt</xmpMM:DocumentID><xmpMM:VersionID>1</xmpMM:VersionID><xmpMM:RenditionClass>default</xmpMM:RenditionClass>`
      : "",
  ].join(""),
});

/** Operands of the rendering intent operator (ISO 32000-2, 8.6.5.8). */
const INTENTS: Record<Intent, string> = {
  perceptual: "Perceptual",
  relative: "RelativeColorimetric",
  saturation: "Saturation",
  absolute: "AbsoluteColorimetric",
};

/** On each new page: plain RGB means sRGB, and colours are brought to the printer’s by the intent. */
export function manageColours(
  doc: PDFKit.PDFDocument,
  colour: OutputColour | null,
  pictures: PdfPictures,
): void {
  if (!colour) return;
  inner(doc).page.colorSpaces.DefaultRGB = ["ICCBased", pictures.profile(SRGB, 3)];
  inner(doc).addContent(`/${INTENTS[colour.intent]} ri`);
}

/** A layer that a reader of the PDF can turn on and off. */
export class Layer {
  constructor(
    private readonly doc: PDFKit.PDFDocument,
    private readonly group: PDFKit.PDFKitReference,
  ) {}

  /** Paints on it. */
  with(paint: () => void): void {
    const { page, addContent } = inner(this.doc);
    page.resources.data.Properties = { Marks: this.group };
    addContent.call(this.doc, "/OC /Marks BDC");
    paint();
    addContent.call(this.doc, "EMC");
  }
}

/**
 * Says how a reader counts the pages and lays them beside each other: by their own numbers, and in pairs where they face
 * each other (ISO 32000-2, 12.4.2 and table 29).
 */
export function sayPages(
  doc: PDFKit.PDFDocument,
  sheets: readonly Pick<SheetPlan, "number">[],
  facing: "left" | "right" | null,
): void {
  const { data } = inner(doc)._root;
  data.PageLabels = { Nums: [0, { S: "D", St: sheets[0]?.number ?? 1 }] };
  if (facing) data.PageLayout = facing === "left" ? "TwoPageLeft" : "TwoPageRight";
}
