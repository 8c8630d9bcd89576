import { LIMITS, paperById, PAPERS, type Impose } from "@wide-quilt/core";
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

/** The paper that the printer takes, where a page is not a sheet. */
export function PaperFields({ impose, words, set }: ImposeProps) {
  const known = PAPERS.find(({ name }) => name === impose.paper.name);
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Paper that the printer takes"
          value={known?.id ?? ""}
          choices={[
            ...(known ? [] : [{ value: "", text: impose.paper.name }]),
            ...PAPERS.map(({ id, name }) => ({ value: id, text: name })),
          ]}
          onChange={(id) => {
            const { name, width, height } = paperById(id);
            set({ paper: { name, width, height } });
          }}
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
