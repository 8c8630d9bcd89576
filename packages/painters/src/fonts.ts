import { createRequire } from "node:module";
import type { FontId } from "@wide-quilt/core";

const { resolve } = createRequire(import.meta.url);
/** Where a font’s file is, looked up once: a page of days asks a hundred times. */
const file = (folder: string, name: string, face: string) => {
  let found: string | undefined;
  return () => (found ??= resolve(`@expo-google-fonts/${folder}/${face}/${name}_${face}.ttf`));
};

/** The font files that ship with the application, all under the SIL Open Font License. */
export const FONT_FILES: Readonly<Record<FontId, () => string>> = {
  hanken: file("hanken-grotesk", "HankenGrotesk", "400Regular"),
  "hanken-bold": file("hanken-grotesk", "HankenGrotesk", "700Bold"),
  "hanken-italic": file("hanken-grotesk", "HankenGrotesk", "400Regular_Italic"),
  "alegreya-sans": file("alegreya-sans", "AlegreyaSans", "400Regular"),
  "alegreya-sans-bold": file("alegreya-sans", "AlegreyaSans", "700Bold"),
  "alegreya-sans-italic": file("alegreya-sans", "AlegreyaSans", "400Regular_Italic"),
  josefin: file("josefin-sans", "JosefinSans", "400Regular"),
  "josefin-light": file("josefin-sans", "JosefinSans", "300Light"),
  "josefin-bold": file("josefin-sans", "JosefinSans", "700Bold"),
  "josefin-italic": file("josefin-sans", "JosefinSans", "400Regular_Italic"),
  oswald: file("oswald", "Oswald", "400Regular"),
  "oswald-light": file("oswald", "Oswald", "300Light"),
  "oswald-bold": file("oswald", "Oswald", "700Bold"),
  "source-serif": file("source-serif-4", "SourceSerif4", "400Regular"),
  "source-serif-bold": file("source-serif-4", "SourceSerif4", "700Bold"),
  "source-serif-italic": file("source-serif-4", "SourceSerif4", "400Regular_Italic"),
  garamond: file("eb-garamond", "EBGaramond", "400Regular"),
  "garamond-bold": file("eb-garamond", "EBGaramond", "700Bold"),
  "garamond-italic": file("eb-garamond", "EBGaramond", "400Regular_Italic"),
  baskerville: file("libre-baskerville", "LibreBaskerville", "400Regular"),
  "baskerville-bold": file("libre-baskerville", "LibreBaskerville", "700Bold"),
  "baskerville-italic": file("libre-baskerville", "LibreBaskerville", "400Regular_Italic"),
  "spline-mono": file("spline-sans-mono", "SplineSansMono", "400Regular"),
  "spline-mono-bold": file("spline-sans-mono", "SplineSansMono", "700Bold"),
  "spline-mono-italic": file("spline-sans-mono", "SplineSansMono", "400Regular_Italic"),
  courier: file("courier-prime", "CourierPrime", "400Regular"),
  "courier-bold": file("courier-prime", "CourierPrime", "700Bold"),
  "courier-italic": file("courier-prime", "CourierPrime", "400Regular_Italic"),
  caveat: file("caveat", "Caveat", "400Regular"),
  "caveat-bold": file("caveat", "Caveat", "700Bold"),
  "noto-arabic": file("noto-sans-arabic", "NotoSansArabic", "400Regular"),
  "noto-arabic-bold": file("noto-sans-arabic", "NotoSansArabic", "700Bold"),
  "noto-hebrew": file("noto-sans-hebrew", "NotoSansHebrew", "400Regular"),
  "noto-hebrew-bold": file("noto-sans-hebrew", "NotoSansHebrew", "700Bold"),
  "noto-japanese": file("noto-sans-jp", "NotoSansJP", "400Regular"),
  "noto-japanese-bold": file("noto-sans-jp", "NotoSansJP", "700Bold"),
};
