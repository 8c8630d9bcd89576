import { LIMITS, um, waysToLie, type Size } from "@wide-quilt/core";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { SizeFields } from "../../views/table/ticket/panels/SizeFields.tsx";
import { typedPaper } from "../../views/table/ticket/panels/typedPaper.ts";
import { panelOf } from "../panel.tsx";

const PARTS: { text: string; across: number; down: number }[] = [
  { text: "Half of it, lengthwise", across: 2, down: 1 },
  { text: "A third of it, lengthwise", across: 3, down: 1 },
  { text: "A quarter of it", across: 2, down: 2 },
  { text: "The whole of it", across: 1, down: 1 },
];

const same = (a: Size | null, b: Size | null) => a?.width === b?.width && a?.height === b?.height;

/** The size of a strip or a card: typed, or a part of the paper that the printer takes. */
export const PagePanel = panelOf("strips", ({ job, words, change }) => {
  const { impose, sheet } = job;
  const lying = waysToLie(sheet, sheet.paper)[0]!;
  const onSide = lying.width > lying.height;
  const set = (page: Size, gesture?: string) =>
    change(
      {
        do: "sheet",
        change: { paper: typedPaper(page, words), lie: page.width > page.height ? "landscape" : "portrait" },
      },
      gesture,
    );
  const parts = PARTS.map(({ text, across, down }) => {
    const upright = {
      width: um(Math.floor(impose.paper.width / across)),
      height: um(Math.floor(impose.paper.height / down)),
    };
    const value: Size = onSide ? { width: upright.height, height: upright.width } : upright;
    return { value, text, aside: words.size(value) };
  });
  return (
    <div className="flex flex-col gap-3">
      <SizeFields size={lying} range={LIMITS.paper} words={words} onChange={set} />
      <div className="border-t border-line pt-2">
        <p className="px-2 pb-1 text-[12.5px] text-ink-2">
          Of the paper that the printer takes, {impose.paper.name}:
        </p>
        <ChoiceList
          label="Part of the paper"
          by={same}
          value={{ width: lying.width, height: lying.height }}
          onChange={set}
          choices={parts}
        />
      </div>
    </div>
  );
});
