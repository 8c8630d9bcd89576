import { LIMITS, type Tiles } from "@wide-quilt/core";
import { Check } from "../../../../../ui/Check.tsx";
import { ChoiceList } from "../../../../../ui/ChoiceList.tsx";
import { LengthField } from "../../../../../ui/LengthField.tsx";
import { SelectField } from "../../../../../ui/SelectField.tsx";
import { MARK_KINDS } from "../MarksPanel.tsx";
import type { ImposeProps } from "./PaperFields.tsx";

const JOINTS: { value: Tiles["joint"]; text: string; about: string }[] = [
  {
    value: "glue",
    text: "Glued over each other",
    about: "the next sheet covers a strip at the right and below",
  },
  { value: "butt", text: "Edge to edge", about: "both sheets are trimmed at the seam, on a board or a wall" },
];

const UNDER: { value: Tiles["under"]; text: string }[] = [
  { value: "pale", text: "pale" },
  { value: "full", text: "like the picture" },
  { value: "bare", text: "not at all" },
];

const SHARES: { value: Tiles["share"]; text: string }[] = [
  { value: "rest", text: "last takes the rest" },
  { value: "evenly", text: "all alike" },
];

/** How sheets are put together. */
export function JointFields({ impose, words, set }: ImposeProps) {
  const { tiles } = impose;
  const change = (next: Partial<Tiles>, gesture?: string) => set({ tiles: { ...tiles, ...next } }, gesture);
  const isGlued = tiles.joint === "glue";
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="How sheets are put together"
        value={tiles.joint}
        onChange={(joint) => change({ joint })}
        choices={JOINTS}
      />
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={isGlued ? "Covered by the next" : "Trimmed at each joint"}
          value={tiles.overlap}
          range={LIMITS.overlap}
          words={words}
          onChange={(overlap, g) => change({ overlap }, g)}
        />
        <SelectField
          label="That strip is printed"
          value={tiles.under}
          choices={UNDER}
          onChange={(under) => change({ under })}
        />
        <SelectField
          label="Sheets of a row"
          value={tiles.share}
          choices={SHARES}
          onChange={(share) => change({ share })}
        />
        <SelectField
          label="Marks to trim by"
          value={impose.marks}
          choices={MARK_KINDS}
          onChange={(marks) => set({ marks })}
        />
      </div>
      <Check
        label="Letters that say where a sheet belongs"
        checked={tiles.letters}
        onChange={(letters) => change({ letters })}
      />
      <Check
        label="A sheet more that shows how they are put together"
        checked={impose.map}
        onChange={(map) => set({ map })}
      />
    </div>
  );
}
