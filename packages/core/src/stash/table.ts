import Papa from "papaparse";

/** What the column of a list that names photos may be headed, in small letters. */
export const PHOTO_HEADINGS = ["photo", "file", "image", "picture", "filename", "file name"] as const;

/** A table of text (RFC 4180; comma, semicolon or tab, found by itself): its first line and those under it. */
export function readTable(text: string): { head: string[]; lines: string[][] } {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, "").trim(), { skipEmptyLines: "greedy" });
  const [head = [], ...lines] = data;
  return { head, lines };
}
