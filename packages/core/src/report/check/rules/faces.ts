import { writing } from "../../../kinds/say.ts";
import { reportPeople, type PersonReport, type PersonState } from "../../people/index.ts";
import type { Finding, FindingLevel, Rule } from "../finding.ts";

/** People who are named one by one; of more than this it is said once. */
const FEW = 3;

const LEVELS: Record<Exclude<PersonState, "passes" | "no photo">, FindingLevel> = {
  fails: "wrong",
  "no handles": "look",
  unsure: "look",
  "not measured": "look",
};

const SAID: Record<keyof typeof LEVELS, string> = {
  fails: "do not meet their rule",
  "no handles": "have no handles on their photo yet, so nothing is measured",
  unsure: "were found by the program, which is not sure: look at their handles",
  "not measured": "are right where they were measured, but not all that their rule states was",
};

/** Heads that an office would refuse, and those that nobody has measured. */
export const faces: Rule = ({ job, photos, sheets, words }) => {
  const reports = reportPeople(job, photos, sheets, writing(job, words));
  const states = Object.keys(LEVELS) as (keyof typeof LEVELS)[];
  return states.flatMap((state) => {
    const those = reports.filter((report) => report.state === state);
    return those.length > FEW ? [ofMany(state, those)] : those.map((report) => finding(state, report));
  });
};

function finding(state: keyof typeof LEVELS, { name, advice, cell, mendable }: PersonReport): Finding {
  return {
    rule: `face-${state.replace(" ", "-")}`,
    level: LEVELS[state],
    sentence: `${name}: ${advice}`,
    cells: cell ? [cell.key] : [],
    mend:
      mendable && cell
        ? { label: "Place by the rule", edit: { do: "back to computed", cell: cell.key } }
        : undefined,
  };
}

const ofMany = (state: keyof typeof LEVELS, those: readonly PersonReport[]): Finding => ({
  rule: `face-${state.replace(" ", "-")}`,
  level: LEVELS[state],
  sentence: `${those.length} people ${SAID[state]}: ${those
    .slice(0, FEW)
    .map(({ name }) => name)
    .join(", ")} and others. The page “People” has everyone.`,
  cells: those.flatMap(({ cell }) => (cell ? [cell.key] : [])),
});
