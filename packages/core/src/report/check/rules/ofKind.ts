import { kindOf, type KindFinding } from "../../../kinds/index.ts";
import type { Finding, Mend, Rule } from "../finding.ts";

/** What only the kind of the job knows. */
export const ofKind: Rule = ({ job, layout, words }) =>
  kindOf(job).check(job, { layout, words }).map(asFinding);

/** What a kind found in its ticket, which is about no single cell. */
export const asFinding = ({ mend, ...found }: KindFinding): Finding => ({
  ...found,
  cells: [],
  ...(mend && { mend: asMend(mend) }),
});

export const asMend = (mend: NonNullable<KindFinding["mend"]>): Mend => ({
  label: mend.label,
  edit: "ticket" in mend ? { do: "ticket", change: mend.ticket } : { do: "sheet", change: mend.sheet },
});
