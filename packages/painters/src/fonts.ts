import { createRequire } from "node:module";
import type { FontId } from "@wide-quilt/core";

const { resolve } = createRequire(import.meta.url);
const regular = (folder: string, name: string) => () =>
  resolve(`@expo-google-fonts/${folder}/400Regular/${name}_400Regular.ttf`);

/** The font files that ship with the application, all under the SIL Open Font License. */
export const FONT_FILES: Readonly<Record<FontId, () => string>> = {
  hanken: regular("hanken-grotesk", "HankenGrotesk"),
  "alegreya-sans": regular("alegreya-sans", "AlegreyaSans"),
  josefin: regular("josefin-sans", "JosefinSans"),
  oswald: regular("oswald", "Oswald"),
  "source-serif": regular("source-serif-4", "SourceSerif4"),
  garamond: regular("eb-garamond", "EBGaramond"),
  baskerville: regular("libre-baskerville", "LibreBaskerville"),
  "spline-mono": regular("spline-sans-mono", "SplineSansMono"),
  courier: regular("courier-prime", "CourierPrime"),
  caveat: regular("caveat", "Caveat"),
};
