import { FIGURE_WORDS, um, type FaceOnPiece, type Figure, type PersonState } from "@wide-quilt/core";
import { Check, CircleHelp, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Words } from "../words/words.ts";

/** The figures of a rule as they are on the finished piece, each with its range and a word. */
export function Figures({ measured, words }: { measured: FaceOnPiece; words: Words }) {
  if (measured.figures.length === 0) {
    return <p className="text-[12.5px] text-ink-2">This rule states a size and no measures of the head.</p>;
  }
  return (
    <dl className="flex flex-col gap-1.5 text-[12.5px]">
      {measured.figures.map((figure) => (
        <FigureRow key={figure.name} figure={figure} words={words} />
      ))}
    </dl>
  );
}

function FigureRow({ figure: { name, value, allowed, passes }, words }: { figure: Figure; words: Words }) {
  const tenth = (length: number) => words.measure(um(Math.round(length / 100) * 100));
  const range = words.span(allowed);
  return (
    <div className="grid grid-cols-[1fr_auto] gap-x-2">
      <dt className="text-ink-2">{FIGURE_WORDS[name]}</dt>
      <dd className="measure text-right font-medium">{value === null ? "not set" : tenth(value)}</dd>
      <dd className="measure text-[11.5px] text-ink-2">{range}</dd>
      <dd className="text-right text-[11.5px]">
        {passes ? (
          <Right>inside</Right>
        ) : (
          <Wrong>{value === null ? "unknown" : value > allowed.to ? "too much" : "too little"}</Wrong>
        )}
      </dd>
    </div>
  );
}

const Right = ({ children }: { children: ReactNode }) => (
  <span className="inline-flex items-center gap-1 font-semibold text-good">
    <Check size={13} aria-hidden />
    {children}
  </span>
);

const Wrong = ({ children }: { children: ReactNode }) => (
  <span className="inline-flex items-center gap-1 font-semibold text-wrong">
    <X size={13} aria-hidden />
    {children}
  </span>
);

const STATES: Record<PersonState, { text: string; look: string }> = {
  passes: { text: "passes", look: "bg-good-soft text-good" },
  fails: { text: "does not pass", look: "bg-wrong-soft text-wrong" },
  unsure: { text: "look at it", look: "bg-look-soft text-look" },
  "not measured": { text: "partly measured", look: "bg-look-soft text-look" },
  "no handles": { text: "not measured", look: "bg-look-soft text-look" },
  "no photo": { text: "no photo", look: "bg-chrome text-ink-2" },
};

/** Whether someone passes, as a word with a sign. */
export function StateBadge({ state }: { state: PersonState }) {
  const { text, look } = STATES[state];
  const Sign = state === "passes" ? Check : state === "fails" ? X : CircleHelp;
  return (
    <span
      className={`inline-flex items-center gap-1 rounded-full px-2 py-0.5 text-[12px] font-semibold whitespace-nowrap ${look}`}
    >
      <Sign size={13} aria-hidden />
      {text}
    </span>
  );
}
