/** What a file says of itself, wherever its format has a place for it. */
export interface FileAbout {
  title: string;
  creator: string;
  copyright: string;
  /** When it was made; the same date gives the same bytes. */
  date: Date;
  /** Where its only photo was taken, where that may be told: degrees north and east. */
  place: { latitude: number; longitude: number } | null;
}

export const MAKER = "Wide Quilt";

/** A file that says nothing of itself. */
export const UNTITLED: FileAbout = { title: "", creator: "", copyright: "", date: new Date(0), place: null };
