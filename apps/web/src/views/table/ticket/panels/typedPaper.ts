import { writeSize, type Job, type Size } from "@wide-quilt/core";
import { LOCALE } from "../../../../app/preferences.ts";
import type { Words } from "../../../../words/words.ts";

/** A paper of a size that was typed, named after it. */
export const typedPaper = ({ width, height }: Size, { unit, ppi }: Words): Job["sheet"]["paper"] => ({
  name: writeSize({ width, height }, { unit, ppi, locale: LOCALE }),
  width,
  height,
});
