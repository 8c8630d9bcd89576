import { FIGURE_WORDS, ruleFor, ruleTitle, type DocumentRule, type FigureName } from "@wide-quilt/core";
import { useState } from "react";
import { LOCALE } from "../../app/preferences.ts";
import { useRuleRegions } from "../../portraits/useRuleRegions.ts";
import { SearchField } from "../../ui/SearchField.tsx";
import { button } from "../../ui/button.ts";
import type { Words } from "../../words/words.ts";
import { panelOf, type KindPanelProps } from "../panel.tsx";
import { OwnRule } from "./OwnRule.tsx";

/** The rule of everyone who has none of their own: found by country or document, looked at, copied into an own one. */
export const RulePanel = panelOf("portraits", (props) => {
  const { ticket, words } = props;
  const [sought, setSought] = useState("");
  const [makes, setMakes] = useState(false);
  const regions = useRuleRegions();
  const rule = ruleFor(ticket, undefined);
  if (makes)
    return (
      <OwnRule from={rule} words={words} onDone={(made) => (setMakes(false), made && take(props, made))} />
    );
  const found = regions
    .map(({ name, rules }) => ({
      name,
      rules: rules.filter((one) => isMeant(one, `${name} ${words.size(one.size)}`, sought)),
    }))
    .filter(({ rules }) => rules.length > 0);
  return (
    <div className="flex flex-col gap-3">
      <SearchField
        label="Find a rule"
        placeholder="Country, document or size: visa 35 x 45"
        value={sought}
        onChange={setSought}
      />
      <div className="max-h-[210px] overflow-y-auto rounded-md border border-line" tabIndex={-1}>
        {found.length === 0 && (
          <p className="p-3 text-[13px] text-ink-2">
            There is no rule for “{sought}”. Make your own from the one that is chosen.
          </p>
        )}
        {found.map(({ name, rules }) => (
          <section key={name} aria-label={name}>
            <h3 className="sticky top-0 bg-chrome px-2.5 py-1 text-[12px] font-semibold text-ink-2">
              {name}
            </h3>
            {rules.map((one) => (
              <button
                key={one.id}
                type="button"
                aria-pressed={one.id === rule.id}
                className="flex w-full items-baseline justify-between gap-3 px-2.5 py-1.5 text-left text-[13px] hover:bg-chrome aria-pressed:bg-accent-soft aria-pressed:font-semibold aria-pressed:text-accent"
                onClick={() => take(props, one)}
              >
                <span>{ruleTitle(one)}</span>
                <span className="measure text-[12px] font-normal">{words.size(one.size)}</span>
              </button>
            ))}
          </section>
        ))}
      </div>
      <RuleFacts rule={rule} words={words} />
      <button type="button" className={`${button.plain} self-start`} onClick={() => setMakes(true)}>
        Make an own rule from this one
      </button>
    </div>
  );
});

/** Whether every word that is sought is in what a rule is called, or in its size: “Japan”, “visa”, “35x45”, “50 70”. */
function isMeant(rule: DocumentRule, also: string, sought: string): boolean {
  const plain = (text: string) =>
    text
      .normalize("NFD")
      .replaceAll(/\p{M}/gu, "")
      .toLowerCase()
      .replaceAll(/(\d)\s*[x×*]\s*(\d)/g, "$1 $2");
  const own = ` ${plain(`${ruleTitle(rule)} ${also}`)}`;
  return plain(sought)
    .split(/[\s,]+/)
    .every((word) => own.includes(/^\d/.test(word) ? ` ${word}` : word));
}

/** Takes a rule for everyone who has none of their own; the job keeps those that are used, as they are now. */
function take({ ticket, set }: KindPanelProps<"portraits">, rule: DocumentRule): void {
  const used = new Set([rule.id, ...ticket.people.flatMap((person) => person.rule ?? [])]);
  const rules = [rule, ...ticket.rules.filter(({ id }) => id !== rule.id && used.has(id))];
  set({ rule: rule.id, rules });
}

/** What a rule asks, where that comes from, and that the office has the last word. */
export function RuleFacts({ rule, words }: { rule: DocumentRule; words: Words }) {
  const figures = (Object.keys(FIGURE_WORDS) as FigureName[]).filter((figure) => rule[figure]);
  const { source, digital } = rule;
  return (
    <div className="text-[12.5px]">
      <dl className="grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5">
        {figures.map((figure) => {
          const { from, to } = rule[figure]!;
          return (
            <Fact key={figure} name={FIGURE_WORDS[figure]}>
              {words.span({ from, to })}
            </Fact>
          );
        })}
        {rule.copies !== undefined && (
          <Fact name="Asked for">{rule.copies === 1 ? "one print" : `${rule.copies} prints`}</Fact>
        )}
        {rule.onlyDigital && <Fact name="Handed in">as a file only</Fact>}
        {figures.length === 0 && <Fact name="Measures of the head">not stated here</Fact>}
        {rule.background && <Fact name="Background">{rule.background.words}</Fact>}
        {digital && (
          <Fact name="As a file">
            {digital.width.from === digital.width.to
              ? `${digital.width.from} × ${digital.height.from} px`
              : `from ${digital.width.from} × ${digital.height.from} px`}
          </Fact>
        )}
      </dl>
      <p className="mt-2 text-[12px] text-ink-2">
        {rule.certainty === "own" ? "Your own rule." : `${source.authority}: ${source.document}`}
        {source.date && `, ${source.date}`}
        {source.clause && `, ${source.clause}`}
        {rule.certainty !== "own" &&
          `. ${CERTAINTY[rule.certainty]} Check with the authority.${rule.checked === undefined ? "" : ` Entry of ${monthOf(rule.checked)}.`}`}
      </p>
      {rule.note && <p className="mt-1 text-[12px] text-ink-2">{rule.note}</p>}
    </div>
  );
}

/** "2026-11" as "November 2026". */
const monthOf = (month: string): string =>
  new Date(`${month}-15T12:00:00Z`).toLocaleDateString(LOCALE, { month: "long", year: "numeric" });

const CERTAINTY: Record<Exclude<DocumentRule["certainty"], "own">, string> = {
  standard: "Stated by a standard.",
  published: "Published by the authority.",
  "commonly stated": "Commonly stated, not confirmed.",
};

const Fact = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <>
    <dt className="text-ink-2">{name}</dt>
    <dd className="measure text-right">{children}</dd>
  </>
);
