import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Preferences } from "./preferences.ts";

const kept = new Map<string, string>();
const storage = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
};

/** The preferences as a page finds them that is loaded in some language, with what was kept before. */
async function loaded(language: string, before?: unknown): Promise<Preferences> {
  kept.clear();
  if (before !== undefined)
    kept.set("wide-quilt-preferences", typeof before === "string" ? before : JSON.stringify(before));
  vi.resetModules();
  Object.assign(globalThis, { navigator: { language }, localStorage: storage });
  const { preferences } = await import("./preferences.ts");
  return preferences.getInitialState();
}

beforeEach(() => kept.clear());

describe("preferences", () => {
  it("begin with the units of the reader’s country, and new prices with its money", async () => {
    const begins = async (language: string) => {
      const { unit, screenScale } = await loaded(language);
      const { currencyOf } = await import("./preferences.ts");
      return [unit, screenScale, currencyOf(language || "en-GB")];
    };
    expect(await begins("en-US")).toEqual(["in", 1, "USD"]);
    expect(await begins("en-GB")).toEqual(["mm", 1, "GBP"]);
    expect(await begins("de-AT")).toEqual(["mm", 1, "EUR"]);
    expect(await begins("de-Latn-CH")).toEqual(["mm", 1, "CHF"]);
    expect(await begins("")).toEqual(["mm", 1, "GBP"]);
  });

  it("are found again as they were kept", async () => {
    const own = { unit: "cm", screenScale: 1.25, singleKeys: false };
    await loaded("en-GB");
    const { keepPreferences, preferences } = await import("./preferences.ts");
    keepPreferences({ ...preferences.getInitialState(), ...own } as Preferences);
    const text = kept.get("wide-quilt-preferences")!;
    expect(await loaded("en-GB", text)).toMatchObject(own);
  });

  it("forget what is damaged, and that alone", async () => {
    const size = { width: 35_000, height: 45_000 };
    const found = await loaded("en-GB", {
      unit: "furlong",
      screenScale: 90,
      trimmer: { holds: 1500, paper: 0 },
      singleKeys: "yes",
      sizes: [size, null, { width: "35" }, "35 × 45"],
      packages: [{ name: "Set", pieces: [size] }, { name: "Half", pieces: "none" }, null, { pieces: [size] }],
      rules: [{ id: "nothing" }, null],
    });
    expect(found).toEqual({
      unit: "mm",
      screenScale: 1,
      trimmer: { holds: 1500, paper: 250 },
      singleKeys: true,
      sizes: [size],
      packages: [{ name: "Set", pieces: [size] }],
      rules: [],
    });
    expect(await loaded("en-GB", "{ not JSON")).toMatchObject({ unit: "mm", sizes: [] });
    expect(await loaded("en-GB", "null")).toMatchObject({ unit: "mm", sizes: [] });
  });

  it("are used all the same where a browser keeps nothing", async () => {
    await loaded("en-GB");
    const { keepPreferences, preferences } = await import("./preferences.ts");
    const full = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
    Object.assign(globalThis, { localStorage: { ...storage, setItem: full } });
    expect(() => keepPreferences(preferences.getInitialState())).not.toThrow();
  });
});
