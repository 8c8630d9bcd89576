import africa from "./data/africa.json" with { type: "json" };
import asia from "./data/asia.json" with { type: "json" };
import europe from "./data/europe.json" with { type: "json" };
import international from "./data/international.json" with { type: "json" };
import northAmerica from "./data/northAmerica.json" with { type: "json" };
import oceania from "./data/oceania.json" with { type: "json" };
import southAmerica from "./data/southAmerica.json" with { type: "json" };
import type { DocumentRule } from "./schema.ts";

export interface RuleRegion {
  name: string;
  rules: readonly DocumentRule[];
}

/** One file a region; `rules.test.ts` checks every entry against the schema. */
const region = (name: string, rules: unknown): RuleRegion => ({ name, rules: rules as DocumentRule[] });

/** The rules that ship with Wide Quilt, by region. */
export const RULE_REGIONS: readonly RuleRegion[] = [
  region("International", international),
  region("Africa", africa),
  region("Asia", asia),
  region("Europe", europe),
  region("North America", northAmerica),
  region("Oceania", oceania),
  region("South America", southAmerica),
];

export const DOCUMENT_RULES: readonly DocumentRule[] = RULE_REGIONS.flatMap(({ rules }) => rules);

/** A rule of the catalogue by its id. Throws for one that is not there: ids in the source are constants. */
export function ruleById(id: string): DocumentRule {
  const rule = DOCUMENT_RULES.find((one) => one.id === id);
  if (!rule) throw new Error(`There is no document-photo rule “${id}”.`);
  return rule;
}

/** "Germany, passport and identity card" */
export const ruleTitle = ({ place, name }: Pick<DocumentRule, "place" | "name">): string =>
  `${place}, ${name.charAt(0).toLowerCase()}${name.slice(1)}`;
