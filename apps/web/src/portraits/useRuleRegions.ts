import { RULE_REGIONS, type RuleRegion } from "@wide-quilt/core";
import { useMemo } from "react";
import { useAppSelector } from "../app/hooks.ts";

/** Rules as one looks for them: by country, then by document. */
const SHIPPED: readonly RuleRegion[] = RULE_REGIONS.map(({ name, rules }) => ({
  name,
  rules: rules.toSorted((a, b) => a.place.localeCompare(b.place, "en") || a.name.localeCompare(b.name, "en")),
}));

/** Every rule there is: one’s own first, where there are any, then those that ship with Wide Quilt. */
export function useRuleRegions(): readonly RuleRegion[] {
  const own = useAppSelector((state) => state.preferences.rules);
  return useMemo(() => (own.length > 0 ? [{ name: "Own rules", rules: own }, ...SHIPPED] : SHIPPED), [own]);
}
