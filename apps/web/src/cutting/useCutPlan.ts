import { piecesInStack, type CutPlan, type SheetPlan } from "@wide-quilt/core";
import { useEffect, useState } from "react";
import { useAppSelector } from "../app/hooks.ts";
import { planCuts } from "./cutting.ts";

export interface PlannedCuts {
  sheet: SheetPlan;
  whole: boolean;
  most: number;
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
  const most = piecesInStack(useAppSelector((state) => state.preferences.trimmer));
  useEffect(() => {
    if (!sheet) return;
    let left = false;
    const soon = setTimeout(async () => {
      const { paper, trim, freed } = sheet;
      const cells = sheet.cells.map(({ finished, angle }) => ({ finished, angle }));
      const plan = await planCuts({ sheet: { paper, trim, freed, cells }, whole, most });
      if (!left) setPlanned({ sheet, whole, most, plan });
    }, REST);
    return () => {
      left = true;
      clearTimeout(soon);
    };
  }, [sheet, whole, most]);
  return planned;
}
