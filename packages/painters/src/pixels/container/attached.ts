import type { FileAbout } from "../../about/about.ts";

/** What is put into a file of pixels beside them. */
export interface Attached {
  ppi: number;
  /** What its colours mean; null for no profile. */
  profile: Buffer | null;
  about: FileAbout;
}
