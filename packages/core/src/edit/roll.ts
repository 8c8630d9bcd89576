import type { Job } from "../job/index.ts";
import { EACH_ITS_SHEET } from "../solve/slots/index.ts";

/** Only pages that are spread come from a roll: cut apart, folded or each by itself they come from sheets again. */
export const offTheRoll = (impose: Job["impose"]): Job["impose"] =>
  impose.roll && impose.way !== "tiles" ? { ...impose, roll: false, paper: EACH_ITS_SHEET.paper } : impose;
