import alegreyaSans from "@expo-google-fonts/alegreya-sans/400Regular/AlegreyaSans_400Regular.ttf?url";
import caveat from "@expo-google-fonts/caveat/400Regular/Caveat_400Regular.ttf?url";
import courier from "@expo-google-fonts/courier-prime/400Regular/CourierPrime_400Regular.ttf?url";
import garamond from "@expo-google-fonts/eb-garamond/400Regular/EBGaramond_400Regular.ttf?url";
import hanken from "@expo-google-fonts/hanken-grotesk/400Regular/HankenGrotesk_400Regular.ttf?url";
import josefin from "@expo-google-fonts/josefin-sans/400Regular/JosefinSans_400Regular.ttf?url";
import baskerville from "@expo-google-fonts/libre-baskerville/400Regular/LibreBaskerville_400Regular.ttf?url";
import oswald from "@expo-google-fonts/oswald/400Regular/Oswald_400Regular.ttf?url";
import sourceSerif from "@expo-google-fonts/source-serif-4/400Regular/SourceSerif4_400Regular.ttf?url";
import splineMono from "@expo-google-fonts/spline-sans-mono/400Regular/SplineSansMono_400Regular.ttf?url";
import { fontById, type FontId } from "@wide-quilt/core";
import { useEffect } from "react";

/** The very files that words are printed with; the browser loads those that are used. */
const FILES: Record<FontId, string> = {
  hanken,
  "alegreya-sans": alegreyaSans,
  josefin,
  oswald,
  "source-serif": sourceSerif,
  garamond,
  baskerville,
  "spline-mono": splineMono,
  courier,
  caveat,
};

let added = false;

/** Makes the fonts of printed words known to the page. */
export function useFonts(): void {
  useEffect(() => {
    if (added) return;
    added = true;
    for (const [id, url] of Object.entries(FILES)) {
      document.fonts.add(new FontFace(fontById(id as FontId).family, `url("${url}")`));
    }
  }, []);
}
