import { describe, expect, it } from "vitest";
import { DOCUMENT_RULES, documentRuleSchema, RULE_REGIONS, ruleById } from "./index.ts";

describe("document-photo rules", () => {
  it.each(DOCUMENT_RULES.map((rule) => [rule.id, rule] as const))("%s keeps the schema", (_, rule) => {
    expect(documentRuleSchema.safeParse(rule).error?.issues ?? []).toEqual([]);
  });

  it("has at least forty, from every inhabited continent, each id once", () => {
    expect(DOCUMENT_RULES.length).toBeGreaterThanOrEqual(40);
    expect(new Set(DOCUMENT_RULES.map(({ id }) => id)).size).toBe(DOCUMENT_RULES.length);
    expect(RULE_REGIONS.map(({ name }) => name)).toEqual([
      "International",
      "Africa",
      "Asia",
      "Europe",
      "North America",
      "Oceania",
      "South America",
    ]);
    for (const { rules } of RULE_REGIONS) expect(rules.length).toBeGreaterThan(0);
  });

  it("leaves room on the piece for the head that it asks for", () => {
    for (const { id, size, headHeight, aboveCrown, eyeLine, headWidth, belowChin } of DOCUMENT_RULES) {
      const least = (headHeight?.from ?? 0) + (aboveCrown?.from ?? 0) + (belowChin?.from ?? 0);
      expect(least, id).toBeLessThanOrEqual(size.height);
      expect(eyeLine?.to ?? 0, id).toBeLessThan(size.height);
      expect(headWidth?.to ?? 0, id).toBeLessThan(size.width);
    }
  });

  it("takes what ICAO Doc 9303 says: crown to chin 70 to 80 % of 45 mm", () => {
    expect(ruleById("icao-portrait").headHeight).toEqual({
      from: (45_000 * 70) / 100,
      to: (45_000 * 80) / 100,
    });
  });

  it("takes what 22 CFR 51.26 and its template say, in inches: 2 × 2, head 1 to 1 3/8, eyes 1 1/8 to 1 3/8", () => {
    const inch = 25_400;
    expect(ruleById("us-passport")).toMatchObject({
      size: { width: 2 * inch, height: 2 * inch },
      headHeight: { from: inch, to: 1.375 * inch },
      eyeLine: { from: 1.125 * inch, to: 1.375 * inch },
    });
  });
});

it("measures to the skull where the office says so: hair above it does not count there", () => {
  const toSkull = DOCUMENT_RULES.filter(({ crown }) => crown === "skull").map(({ id }) => id);
  // As their photo guides put it, each named in its source; ICAO and ISO figures are of the head without hair,
  // and so are those of offices that name ICAO Doc 9303 as their source.
  expect(toSkull.sort()).toEqual(
    [
      "au-passport",
      "be-identity",
      "ca-citizenship",
      "ca-passport",
      "ca-resident",
      "ca-visa",
      "de-passport",
      "fi-passport",
      "fr-passport",
      "icao-portrait",
      "icao-portrait-small",
      "iso-full-frontal",
      "it-passport",
      "kr-passport",
      "schengen-visa",
    ].sort(),
  );
});
