import { baseName } from "../words/index.ts";
import type { PhotoRef } from "./schema.ts";

/** Finds photos by their file names, with or without their endings, capital or small letters; of two the first. */
export function photosByName(stash: readonly PhotoRef[]): (wanted: string) => PhotoRef | undefined {
  const named = new Map<string, PhotoRef>();
  for (const photo of stash) {
    const own = photo.name.toLowerCase();
    for (const name of [own, baseName(own)]) if (!named.has(name)) named.set(name, photo);
  }
  return (wanted) => named.get(wanted.trim().toLowerCase());
}
