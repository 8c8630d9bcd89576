import { createRequire } from "node:module";

const resolve = createRequire(import.meta.url).resolve;

/** The file of the font that captions are set in: Hanken Grotesk, SIL Open Font License, shipped with the application. */
export const captionFont = (): string =>
  resolve("@expo-google-fonts/hanken-grotesk/400Regular/HankenGrotesk_400Regular.ttf");

/** Its name inside the file. */
export const CAPTION_FAMILY = "Hanken Grotesk";

/** From the middle of a line of text down to its baseline, a share of the font’s height: half of a capital letter. */
export const BASELINE = 0.35;

export const CAPTION_COLOUR = "#20242c";
