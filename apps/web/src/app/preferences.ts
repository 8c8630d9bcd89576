import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import {
  documentRuleSchema,
  prefersLetter,
  TRIMMER_RANGES,
  UNITS,
  USUAL_TRIMMER,
  type DocumentRule,
  type PrintPackage,
  type Size,
  type Trimmer,
  type Unit,
} from "@wide-quilt/core";

/** What one person likes, on this machine; no part of any job. */
export interface Preferences {
  /** The unit of new jobs, and of what belongs to no job. */
  unit: Unit;
  /** What a CSS millimetre measures on this screen, as it was held to a ruler; 1 where it never was. */
  screenScale: number;
  /** What the reader cuts with. */
  trimmer: Trimmer;
  /** Whether single letters and signs are keys. */
  singleKeys: boolean;
  /** Own sizes and own sets of sizes, kept for reuse. */
  sizes: Size[];
  packages: PrintPackage[];
  /** Own document-photo rules, kept for reuse. */
  rules: DocumentRule[];
}

const STORED = "wide-quilt-preferences";

/** The browser's language, which decides decimal signs, dates and the first paper. */
export const LOCALE = navigator.language || "en-GB";

function stored(): Preferences {
  const usual: Preferences = {
    unit: prefersLetter(LOCALE) ? "in" : "mm",
    screenScale: 1,
    trimmer: USUAL_TRIMMER,
    singleKeys: true,
    sizes: [],
    packages: [],
    rules: [],
  };
  try {
    const kept = JSON.parse(localStorage.getItem(STORED) ?? "{}") as Partial<Preferences>;
    return {
      unit: UNITS.find((unit) => unit === kept.unit) ?? usual.unit,
      screenScale:
        typeof kept.screenScale === "number" && kept.screenScale > 0.2 && kept.screenScale < 5
          ? kept.screenScale
          : usual.screenScale,
      trimmer: isTrimmer(kept.trimmer) ? kept.trimmer : usual.trimmer,
      singleKeys: typeof kept.singleKeys === "boolean" ? kept.singleKeys : usual.singleKeys,
      sizes: Array.isArray(kept.sizes) ? kept.sizes.filter(isSize) : usual.sizes,
      packages: Array.isArray(kept.packages) ? kept.packages.filter(isPackage) : usual.packages,
      rules: Array.isArray(kept.rules)
        ? kept.rules.filter((rule) => documentRuleSchema.safeParse(rule).success)
        : usual.rules,
    };
  } catch {
    return usual;
  }
}

/** Currencies that are offered (ISO 4217), and the countries that have another one than the euro. */
export const CURRENCIES = [
  "EUR",
  "USD",
  "GBP",
  "CHF",
  "CAD",
  "AUD",
  "JPY",
  "SEK",
  "NOK",
  "DKK",
  "PLN",
] as const;
const BY_COUNTRY: Record<string, string> = {
  US: "USD",
  GB: "GBP",
  CH: "CHF",
  CA: "CAD",
  AU: "AUD",
  JP: "JPY",
  SE: "SEK",
  NO: "NOK",
  DK: "DKK",
  PL: "PLN",
};

/** The money of the reader’s country, which a new printer’s prices are in. */
export function currencyOf(locale: string): string {
  const country = locale.split("-").find((part) => /^[A-Z]{2}$/.test(part)) ?? "";
  return BY_COUNTRY[country] ?? "EUR";
}

// What was kept may be of another version, or damaged: whatever is not as it should be is forgotten by itself.
const isSize = (kept: Size | null): boolean =>
  Number.isInteger(kept?.width) && Number.isInteger(kept?.height);

const isTrimmer = (kept: Trimmer | null | undefined): kept is Trimmer =>
  (["holds", "paper"] as const).every((part) => {
    const { least, most } = TRIMMER_RANGES[part];
    return Number.isInteger(kept?.[part]) && kept![part] >= least && kept![part] <= most;
  });

const isPackage = (kept: PrintPackage | null): boolean =>
  typeof kept?.name === "string" && Array.isArray(kept.pieces) && kept.pieces.every(isSize);

export const preferences = createSlice({
  name: "preferences",
  initialState: stored,
  reducers: {
    preferred: (state, { payload }: PayloadAction<Partial<Preferences>>) => Object.assign(state, payload),
  },
});

export const { preferred } = preferences.actions;

export const keepPreferences = (now: Preferences): void => {
  try {
    localStorage.setItem(STORED, JSON.stringify(now));
  } catch {
    // A browser that keeps nothing still works; it only forgets the unit.
  }
};
