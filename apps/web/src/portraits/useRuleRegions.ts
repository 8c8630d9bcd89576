import { RULE_REGIONS, type RuleRegion } from "@wide-quilt/core";
import { useMemo } from "react";
import { useAppSelector } from "../app/hooks.ts";

/** Every rule there is: one’s own first, where there are any, then those that ship with Wide Quilt. */
export function useRuleRegions(): readonly RuleRegion[] {
  const own = useAppSelector((state) => state.preferences.rules);
  return useMemo(
    () => (own.length > 0 ? [{ name: "Own rules", rules: own }, ...RULE_REGIONS] : RULE_REGIONS),
    [own],
  );
}
