import { listed } from "../../../base/listed.ts";
import { toWorkOut } from "../../../kinds/index.ts";
import type { Rule } from "../finding.ts";

/** Days that were worked out for other months than those that are shown. */
export const calendarDays: Rule = ({ job }) => {
  const names = toWorkOut(job).flatMap(([, { shown, name }]) => (shown ? [`“${name}”`] : []));
  if (names.length === 0) return [];
  return [
    {
      rule: "days-not-worked-out",
      level: "wrong",
      sentence: `${listed(names)} ${names.length === 1 ? "was" : "were"} worked out for other months than those that are shown, so days are missing. Choose “Work them out again” where days are set.`,
      cells: [],
    },
  ];
};
