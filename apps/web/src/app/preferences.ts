import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import {
  documentRuleSchema,
  prefersLetter,
  UNITS,
  type DocumentRule,
  type PrintPackage,
  type Size,
  type Unit,
} from "@wide-quilt/core";

/** What one person likes, on this machine; no part of any job. */
export interface Preferences {
  unit: Unit;
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
    singleKeys: true,
    sizes: [],
    packages: [],
    rules: [],
  };
  try {
    const kept = JSON.parse(localStorage.getItem(STORED) ?? "{}") as Partial<Preferences>;
    return {
      unit: UNITS.find((unit) => unit === kept.unit) ?? usual.unit,
      singleKeys: kept.singleKeys ?? usual.singleKeys,
      sizes: Array.isArray(kept.sizes) ? kept.sizes.filter(isSize) : usual.sizes,
      packages: Array.isArray(kept.packages)
        ? kept.packages.filter(({ name, pieces }) => typeof name === "string" && pieces.every(isSize))
        : usual.packages,
      rules: Array.isArray(kept.rules)
        ? kept.rules.filter((rule) => documentRuleSchema.safeParse(rule).success)
        : usual.rules,
    };
  } catch {
    return usual;
  }
}

const isSize = ({ width, height }: Size): boolean => Number.isInteger(width) && Number.isInteger(height);

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
