import { MAKER, type FileAbout } from "./about.ts";

const escaped = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");

/** Properties that a format adds: their namespace, and elements as they stand in the packet. */
export interface MoreXmp {
  namespaces: Record<string, string>;
  elements: string;
}

/** What a file says of itself as an XMP packet (ISO 16684-1): Dublin Core, and who made it when. */
export function xmpPacket({ title, creator, copyright, date }: FileAbout, more?: MoreXmp): string {
  const inEveryLanguage = (name: string, value: string) =>
    value === ""
      ? ""
      : `<${name}><rdf:Alt><rdf:li xml:lang="x-default">${escaped(value)}</rdf:li></rdf:Alt></${name}>`;
  const at = `${date.toISOString().slice(0, 19)}Z`;
  const namespaces = Object.entries(more?.namespaces ?? {}).map(
    ([prefix, uri]) => ` xmlns:${prefix}="${uri}"`,
  );
  return [
    `<?xpacket begin="\u{feff}" id="W5M0MpCehiHzreSzNTczkc9d"?>`,
    `<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">`,
    `<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmp="http://ns.adobe.com/xap/1.0/"${namespaces.join("")}>`,
    inEveryLanguage("dc:title", title),
    creator === "" ? "" : `<dc:creator><rdf:Seq><rdf:li>${escaped(creator)}</rdf:li></rdf:Seq></dc:creator>`,
    inEveryLanguage("dc:rights", copyright),
    `<xmp:CreatorTool>${MAKER}</xmp:CreatorTool><xmp:CreateDate>${at}</xmp:CreateDate><xmp:ModifyDate>${at}</xmp:ModifyDate><xmp:MetadataDate>${at}</xmp:MetadataDate>`,
    more?.elements ?? "",
    `</rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end="r"?>`,
  ].join("");
}
