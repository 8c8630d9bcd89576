import {
  inch,
  LIMITS,
  mm,
  paperById,
  PAPERS,
  prefersLetter,
  um,
  type Impose,
  type Um,
} from "@wide-quilt/core";
import { LOCALE } from "../../../../../app/preferences.ts";
import { Check } from "../../../../../ui/Check.tsx";
import { Segments } from "../../../../../ui/Segments.tsx";
import { LengthField } from "../../../../../ui/LengthField.tsx";
import { SelectField } from "../../../../../ui/SelectField.tsx";
import type { Words } from "../../../../../words/words.ts";
import { SizeFields } from "../SizeFields.tsx";
import { typedPaper } from "../typedPaper.ts";

export interface ImposeProps {
  impose: Impose;
  words: Words;
  set(next: Partial<Impose>, gesture?: string): void;
}

const LIES: { value: Impose["lie"]; text: string }[] = [
  { value: "most", text: "as it holds the most" },
  { value: "portrait", text: "upright" },
  { value: "landscape", text: "on its side" },
];

/** Widths that rolls of printing paper come in, in inches: 13, 17, 24, 36, 44 and 60. */
const ROLLS = [13, 17, 24, 36, 44, 60].map((inches) => inch(inches));
/** Where nothing else is said a roll is as long as this. */
const ROLL_LENGTH = prefersLetter(LOCALE) ? inch(600) : mm(15_000);

/** The paper that the printer takes, where a page is not a sheet. */
export function PaperFields({ impose, words, set }: ImposeProps) {
  const known = PAPERS.find(({ name }) => name === impose.paper.name);
  const onRoll = (width: Um, length: Um, gesture?: string) =>
    set(
      { roll: true, paper: { name: `Roll, ${words.measure(width)} wide`, width, height: length } },
      gesture,
    );
  return (
    <>
      {impose.way === "tiles" && (
        <Segments
          label="Sheets or a roll"
          value={impose.roll ? "roll" : "sheets"}
          choices={[
            { value: "sheets", text: "Sheets" },
            { value: "roll", text: "From a roll" },
          ]}
          onChange={(to) => {
            if (to === "roll") onRoll(inch(24), ROLL_LENGTH);
            else set({ roll: false, paper: usualPaper() });
          }}
        />
      )}
      {impose.roll && impose.way === "tiles" ? (
        <Roll impose={impose} words={words} set={set} onRoll={onRoll} />
      ) : (
        <>
          <div className="grid grid-cols-2 gap-2">
            <SelectField
              label="Paper that the printer takes"
              value={known?.id ?? ""}
              choices={[
                ...(known ? [] : [{ value: "", text: impose.paper.name }]),
                ...PAPERS.map(({ id, name }) => ({ value: id, text: name })),
              ]}
              onChange={(id) => set({ paper: paperOf(id) })}
            />
            <SelectField label="It lies" value={impose.lie} choices={LIES} onChange={(lie) => set({ lie })} />
          </div>
          <SizeFields
            size={impose.paper}
            range={LIMITS.paper}
            words={words}
            onChange={(size, gesture) => set({ paper: typedPaper(size, words) }, gesture)}
          />
        </>
      )}
    </>
  );
}

const paperOf = (id: string): Impose["paper"] => {
  const { name, width, height } = paperById(id);
  return { name, width, height };
};

const usualPaper = () => paperOf(prefersLetter(LOCALE) ? "letter" : "a4");

/** A roll: its width is fixed, and so much is cut off as the pieces take that are nested on it. */
function Roll({
  impose,
  words,
  set,
  onRoll,
}: ImposeProps & { onRoll(width: Um, length: Um, gesture?: string): void }) {
  const { paper, gap, mayTurn } = impose;
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Width of the roll"
          value={`${ROLLS.find((width) => width === paper.width) ?? ""}`}
          choices={[
            ...(ROLLS.includes(paper.width) ? [] : [{ value: "", text: words.measure(paper.width) }]),
            ...ROLLS.map((width) => ({ value: `${width}`, text: words.measure(width) })),
          ]}
          onChange={(width) => onRoll(um(Number(width)), paper.height)}
        />
        <LengthField
          label="Its width, typed"
          value={paper.width}
          range={LIMITS.paper}
          words={words}
          onChange={(width, g) => onRoll(width, paper.height, g)}
        />
        <LengthField
          label="Cut off at most"
          value={paper.height}
          range={LIMITS.paper}
          words={words}
          onChange={(length, g) => onRoll(paper.width, length, g)}
        />
        <LengthField
          label="Between pieces"
          value={gap}
          range={LIMITS.gap}
          words={words}
          onChange={(to, g) => set({ gap: to }, g)}
        />
      </div>
      <Check label="Pieces may lie on their side" checked={mayTurn} onChange={(on) => set({ mayTurn: on })} />
    </>
  );
}

/** What is kept free at the edges of that paper. */
export const MarginField = ({ impose, words, set }: ImposeProps) => (
  <LengthField
    label="Kept free at the edges"
    value={impose.margin}
    range={LIMITS.margin}
    words={words}
    onChange={(margin, g) => set({ margin }, g)}
  />
);
