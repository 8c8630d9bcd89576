import { baseName } from "../../finish/words/index.ts";
import type { NewPhoto } from "./schema.ts";

/** Finds photos by their file names, with or without their endings, capital or small letters; of two the first. */
export function photosByName(stash: readonly NewPhoto[]): (wanted: string) => NewPhoto | undefined {
  const named = new Map<string, NewPhoto>();
  for (const photo of stash) {
    const own = photo.name.toLowerCase();
    for (const name of [own, baseName(own)]) if (!named.has(name)) named.set(name, photo);
  }
  return (wanted) => named.get(wanted.trim().toLowerCase());
}
