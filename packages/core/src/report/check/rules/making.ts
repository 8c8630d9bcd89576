import { madeNow } from "../../../impose/index.ts";
import type { Rule } from "../finding.ts";

/** Sheets that are left out of what is printed and written, and names that no sheet has any more. */
export const making: Rule = ({ job, printed }) => {
  const { only } = job.making;
  if (!only || printed.length === 0) return [];
  const made = madeNow(job, printed).length;
  if (made === printed.length) return [];
  const mend = { label: "Make all sheets", edit: { do: "making" as const, only: null } };
  if (made === 0) {
    return [
      {
        rule: "no-such-sheets",
        level: "wrong",
        sentence: `None of the sheets that are to be made is there any more: ${listed(only)}.`,
        cells: [],
        mend,
      },
    ];
  }
  return [
    {
      rule: "some-sheets",
      level: "look",
      sentence: `Only ${made} of ${printed.length} sheets ${made === 1 ? "is" : "are"} printed and written: ${listed(only)}.`,
      cells: [],
      mend,
    },
  ];
};

const MOST = 12;
const listed = (names: readonly string[]) =>
  names.length > MOST
    ? `${names.slice(0, MOST).join(", ")} and ${names.length - MOST} more`
    : names.join(", ");
