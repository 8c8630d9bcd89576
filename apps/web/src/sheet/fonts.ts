import hanken from "@expo-google-fonts/hanken-grotesk/400Regular/HankenGrotesk_400Regular.ttf?url";
import hankenBold from "@expo-google-fonts/hanken-grotesk/700Bold/HankenGrotesk_700Bold.ttf?url";
import hankenItalic from "@expo-google-fonts/hanken-grotesk/400Regular_Italic/HankenGrotesk_400Regular_Italic.ttf?url";
import alegreyaSans from "@expo-google-fonts/alegreya-sans/400Regular/AlegreyaSans_400Regular.ttf?url";
import alegreyaSansBold from "@expo-google-fonts/alegreya-sans/700Bold/AlegreyaSans_700Bold.ttf?url";
import alegreyaSansItalic from "@expo-google-fonts/alegreya-sans/400Regular_Italic/AlegreyaSans_400Regular_Italic.ttf?url";
import josefin from "@expo-google-fonts/josefin-sans/400Regular/JosefinSans_400Regular.ttf?url";
import josefinLight from "@expo-google-fonts/josefin-sans/300Light/JosefinSans_300Light.ttf?url";
import josefinBold from "@expo-google-fonts/josefin-sans/700Bold/JosefinSans_700Bold.ttf?url";
import josefinItalic from "@expo-google-fonts/josefin-sans/400Regular_Italic/JosefinSans_400Regular_Italic.ttf?url";
import oswald from "@expo-google-fonts/oswald/400Regular/Oswald_400Regular.ttf?url";
import oswaldLight from "@expo-google-fonts/oswald/300Light/Oswald_300Light.ttf?url";
import oswaldBold from "@expo-google-fonts/oswald/700Bold/Oswald_700Bold.ttf?url";
import sourceSerif from "@expo-google-fonts/source-serif-4/400Regular/SourceSerif4_400Regular.ttf?url";
import sourceSerifBold from "@expo-google-fonts/source-serif-4/700Bold/SourceSerif4_700Bold.ttf?url";
import sourceSerifItalic from "@expo-google-fonts/source-serif-4/400Regular_Italic/SourceSerif4_400Regular_Italic.ttf?url";
import garamond from "@expo-google-fonts/eb-garamond/400Regular/EBGaramond_400Regular.ttf?url";
import garamondBold from "@expo-google-fonts/eb-garamond/700Bold/EBGaramond_700Bold.ttf?url";
import garamondItalic from "@expo-google-fonts/eb-garamond/400Regular_Italic/EBGaramond_400Regular_Italic.ttf?url";
import baskerville from "@expo-google-fonts/libre-baskerville/400Regular/LibreBaskerville_400Regular.ttf?url";
import baskervilleBold from "@expo-google-fonts/libre-baskerville/700Bold/LibreBaskerville_700Bold.ttf?url";
import baskervilleItalic from "@expo-google-fonts/libre-baskerville/400Regular_Italic/LibreBaskerville_400Regular_Italic.ttf?url";
import splineMono from "@expo-google-fonts/spline-sans-mono/400Regular/SplineSansMono_400Regular.ttf?url";
import splineMonoBold from "@expo-google-fonts/spline-sans-mono/700Bold/SplineSansMono_700Bold.ttf?url";
import splineMonoItalic from "@expo-google-fonts/spline-sans-mono/400Regular_Italic/SplineSansMono_400Regular_Italic.ttf?url";
import courier from "@expo-google-fonts/courier-prime/400Regular/CourierPrime_400Regular.ttf?url";
import courierBold from "@expo-google-fonts/courier-prime/700Bold/CourierPrime_700Bold.ttf?url";
import courierItalic from "@expo-google-fonts/courier-prime/400Regular_Italic/CourierPrime_400Regular_Italic.ttf?url";
import caveat from "@expo-google-fonts/caveat/400Regular/Caveat_400Regular.ttf?url";
import caveatBold from "@expo-google-fonts/caveat/700Bold/Caveat_700Bold.ttf?url";
import notoArabic from "@expo-google-fonts/noto-sans-arabic/400Regular/NotoSansArabic_400Regular.ttf?url";
import notoArabicBold from "@expo-google-fonts/noto-sans-arabic/700Bold/NotoSansArabic_700Bold.ttf?url";
import notoHebrew from "@expo-google-fonts/noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf?url";
import notoHebrewBold from "@expo-google-fonts/noto-sans-hebrew/700Bold/NotoSansHebrew_700Bold.ttf?url";
import notoJapanese from "@expo-google-fonts/noto-sans-jp/400Regular/NotoSansJP_400Regular.ttf?url";
import notoJapaneseBold from "@expo-google-fonts/noto-sans-jp/700Bold/NotoSansJP_700Bold.ttf?url";
import { fontById, type FontId } from "@wide-quilt/core";
import { useEffect } from "react";

/** The very files that words are printed with; the browser loads those that are used. */
const FILES: Record<FontId, string> = {
  hanken,
  "hanken-bold": hankenBold,
  "hanken-italic": hankenItalic,
  "alegreya-sans": alegreyaSans,
  "alegreya-sans-bold": alegreyaSansBold,
  "alegreya-sans-italic": alegreyaSansItalic,
  josefin,
  "josefin-light": josefinLight,
  "josefin-bold": josefinBold,
  "josefin-italic": josefinItalic,
  oswald,
  "oswald-light": oswaldLight,
  "oswald-bold": oswaldBold,
  "source-serif": sourceSerif,
  "source-serif-bold": sourceSerifBold,
  "source-serif-italic": sourceSerifItalic,
  garamond,
  "garamond-bold": garamondBold,
  "garamond-italic": garamondItalic,
  baskerville,
  "baskerville-bold": baskervilleBold,
  "baskerville-italic": baskervilleItalic,
  "spline-mono": splineMono,
  "spline-mono-bold": splineMonoBold,
  "spline-mono-italic": splineMonoItalic,
  courier,
  "courier-bold": courierBold,
  "courier-italic": courierItalic,
  caveat,
  "caveat-bold": caveatBold,
  "noto-arabic": notoArabic,
  "noto-arabic-bold": notoArabicBold,
  "noto-hebrew": notoHebrew,
  "noto-hebrew-bold": notoHebrewBold,
  "noto-japanese": notoJapanese,
  "noto-japanese-bold": notoJapaneseBold,
};

let added = false;

/** Makes the fonts of printed words known to the page. */
export function useFonts(): void {
  useEffect(() => {
    if (added) return;
    added = true;
    for (const [id, url] of Object.entries(FILES)) {
      const { family, weight, style } = fontById(id as FontId);
      document.fonts.add(new FontFace(family, `url("${url}")`, { weight: String(weight), style }));
    }
  }, []);
}
