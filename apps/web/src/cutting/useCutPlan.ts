import { useEffect, useState } from "react";
import type { CutPlan, SheetPlan } from "@wide-quilt/core";
import { planCuts } from "./cutting.ts";

export interface PlannedCuts {
  sheet: SheetPlan;
  whole: boolean;
  plan: CutPlan;
}

/** Milliseconds that a sheet stays as it is before its cuts are worked out. */
const REST = 120;

/**
 * The cuts of a sheet, worked out once it comes to rest; until then those that were worked out before, null where there
 * are none. Of a sheet that is null nothing is worked out anew.
 */
export function useCutPlan(sheet: SheetPlan | null, whole = false): PlannedCuts | null {
  const [planned, setPlanned] = useState<PlannedCuts | null>(null);
  useEffect(() => {
    if (!sheet) return;
    let left = false;
    const soon = setTimeout(async () => {
      const { paper, trim } = sheet;
      const cells = sheet.cells.map(({ finished, angle }) => ({ finished, angle }));
      const plan = await planCuts({ sheet: { paper, trim, cells }, whole });
      if (!left) setPlanned({ sheet, whole, plan });
    }, REST);
    return () => {
      left = true;
      clearTimeout(soon);
    };
  }, [sheet, whole]);
  return planned;
}
