import { baseName } from "../../finish/words/index.ts";
import type { NewPhoto } from "./schema.ts";

/** By what a list means a photo: its file’s name as it is, but for capitals, but for its ending, or by the number in it. */
export type NamedBy = "name" | "capitals" | "ending" | "number";

/**
 * Finds photos by what a list calls them: by their file names, with or without their endings, capital or small letters, of two the
 * first; and by the last number of the name, where one photo alone has it.
 */
export function photosByName(
  stash: readonly NewPhoto[],
): (wanted: string) => { photo: NewPhoto; by: NamedBy } | undefined {
  const [exact, small, bare] = [
    new Map<string, NewPhoto>(),
    new Map<string, NewPhoto>(),
    new Map<string, NewPhoto>(),
  ];
  const numbered = new Map<number, NewPhoto | null>();
  const first = <K>(map: Map<K, NewPhoto>, key: K, photo: NewPhoto) => {
    if (!map.has(key)) map.set(key, photo);
  };
  for (const photo of stash) {
    const base = baseName(photo.name);
    first(exact, photo.name, photo);
    first(small, photo.name.toLowerCase(), photo);
    first(bare, base.toLowerCase(), photo);
    const number = lastNumber(base);
    if (number !== null) numbered.set(number, numbered.has(number) ? null : photo);
  }
  return (given) => {
    const wanted = given.trim();
    if (wanted === "") return undefined;
    const found = (photo: NewPhoto | null | undefined, by: NamedBy) => (photo ? { photo, by } : undefined);
    return (
      found(exact.get(wanted), "name") ??
      found(small.get(wanted.toLowerCase()), "capitals") ??
      found(bare.get(wanted.toLowerCase()) ?? bare.get(baseName(wanted).toLowerCase()), "ending") ??
      (/^\d+$/.test(wanted) ? found(numbered.get(Number(wanted)), "number") : undefined)
    );
  };
}

/** The last number in a name, "MS-0041 b" has 41; null where there is none, or where it is none that anybody counts to. */
function lastNumber(name: string): number | null {
  const digits = /(\d{1,9})\D*$/.exec(name)?.[1];
  return digits === undefined ? null : Number(digits);
}
