import { baseName } from "../words/index.ts";
import type { PhotoRef } from "./schema.ts";

/** The photo of a file name, with or without its ending, capital or small letters. */
export function photoNamed(stash: readonly PhotoRef[], wanted: string): PhotoRef | undefined {
  const small = wanted.trim().toLowerCase();
  return stash.find(({ name }) => {
    const own = name.toLowerCase();
    return own === small || baseName(own) === small;
  });
}
