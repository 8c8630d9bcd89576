import { writeNumber } from "../../base/length/index.ts";
import type { CutPlan } from "./plan.ts";

const HEADINGS = [
  "pass",
  "pieces in the stack",
  "width mm",
  "height mm",
  "edge at the stop",
  "stop mm",
  "frees",
];

/** The cut plan as comma separated values (RFC 4180): one pass a line, lengths in millimetres with a point. */
export function cutPlanCsv({ steps }: Extract<CutPlan, { ok: true }>): string {
  const mm = (um: number) => writeNumber(um / 1000, "en", 0, 3).replaceAll(",", "");
  const lines = steps.map(({ number, hand, atStop, stop, frees }) =>
    [number, hand.length, mm(hand[0]!.width), mm(hand[0]!.height), atStop, mm(stop), frees].join(","),
  );
  return [HEADINGS.join(","), ...lines, ""].join("\r\n");
}
