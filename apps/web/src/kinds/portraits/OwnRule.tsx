import {
  documentRuleSchema,
  FIGURE_WORDS,
  LIMITS,
  mm,
  ruleTitle,
  type DocumentRule,
  type FigureName,
  type RuleSpan,
} from "@wide-quilt/core";
import { useState } from "react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { preferred } from "../../app/preferences.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { button } from "../../ui/button.ts";
import type { Words } from "../../words/words.ts";

interface Props {
  from: DocumentRule;
  words: Words;
  /** The rule that was made and kept, or null where nothing was made. */
  onDone(rule: DocumentRule | null): void;
}

/** A rule of one's own, begun as a copy of another: a club’s badge, a school’s card. */
export function OwnRule({ from, words, onDone }: Props) {
  const dispatch = useAppDispatch();
  const kept = useAppSelector((state) => state.preferences.rules);
  const [rule, setRule] = useState<DocumentRule>(() => copyOf(from, kept));
  const [why, setWhy] = useState<string | null>(null);
  const put = (change: Partial<DocumentRule>) => setRule((before) => ({ ...before, ...change }));
  const keep = () => {
    const reading = documentRuleSchema.safeParse(rule);
    if (!reading.success) {
      const { path, message } = reading.error.issues[0]!;
      const figure = FIGURE_WORDS[path[0] as FigureName];
      setWhy(`${figure ?? "The name"} ${message}.`);
      return;
    }
    dispatch(preferred({ rules: [reading.data, ...kept.filter(({ id }) => id !== reading.data.id)] }));
    onDone(reading.data);
  };
  const text = (label: string, key: "place" | "name") => (
    <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
      {label}
      <input
        value={rule[key]}
        maxLength={200}
        className="rounded-md border border-edge bg-white px-2 py-1.5 text-ink"
        onChange={({ target }) => put({ [key]: target.value })}
      />
    </label>
  );
  return (
    <div className="flex max-h-[440px] flex-col gap-3 overflow-y-auto pr-1">
      <div className="grid grid-cols-2 gap-2">
        {text("For", "place")}
        {text("Document", "name")}
        <LengthField
          label="Width"
          value={rule.size.width}
          range={LIMITS.piece}
          words={words}
          onChange={(width) => put({ size: { ...rule.size, width } })}
          onPair={(size) => put({ size })}
        />
        <LengthField
          label="Height"
          value={rule.size.height}
          range={LIMITS.piece}
          words={words}
          onChange={(height) => put({ size: { ...rule.size, height } })}
          onPair={(size) => put({ size })}
        />
      </div>
      {(Object.keys(FIGURE_WORDS) as FigureName[]).map((figure) => (
        <SpanFields
          key={figure}
          name={FIGURE_WORDS[figure]}
          span={rule[figure]}
          words={words}
          onChange={(span) => put({ [figure]: span })}
        />
      ))}
      <label className="flex items-center gap-2 text-[13px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={rule.crown === "hair"}
          onChange={({ target }) => put({ crown: target.checked ? "hair" : "skull" })}
        />
        The hair counts as part of the head
      </label>
      {why !== null && (
        <p role="alert" className="text-[12.5px] text-wrong">
          {why}
        </p>
      )}
      <div className="flex gap-2">
        <button type="button" className={button.main} onClick={keep}>
          Keep and use this rule
        </button>
        <button type="button" className={button.plain} onClick={() => onDone(null)}>
          Leave it
        </button>
      </div>
    </div>
  );
}

function copyOf(from: DocumentRule, kept: readonly DocumentRule[]): DocumentRule {
  let number = kept.length + 1;
  while (kept.some(({ id }) => id === `own-${number}`)) number++;
  return {
    ...from,
    id: `own-${number}`,
    place: "Own",
    name: `${ruleTitle(from)}, changed`.slice(0, 200),
    certainty: "own",
    source: { authority: "Own rule", document: `Begun as ${ruleTitle(from)}` },
  };
}

interface SpanProps {
  name: string;
  span: RuleSpan | undefined;
  words: Words;
  onChange(span: RuleSpan | undefined): void;
}

/** A range of a figure, or none: then it is not checked. */
function SpanFields({ name, span, words, onChange }: SpanProps) {
  return (
    <fieldset className="grid grid-cols-[1fr_96px_96px] items-end gap-2">
      <label className="flex items-center gap-2 pb-1.5 text-[13px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={span !== undefined}
          onChange={({ target }) => onChange(target.checked ? { from: mm(30), to: mm(36) } : undefined)}
        />
        {name}
      </label>
      {span && (
        <>
          <LengthField
            label={`${name}, from`}
            hideLabel
            value={span.from}
            range={LIMITS.measure}
            words={words}
            onChange={(from) => onChange({ ...span, from })}
          />
          <LengthField
            label={`${name}, to`}
            hideLabel
            value={span.to}
            range={LIMITS.measure}
            words={words}
            onChange={(to) => onChange({ ...span, to })}
          />
        </>
      )}
    </fieldset>
  );
}
