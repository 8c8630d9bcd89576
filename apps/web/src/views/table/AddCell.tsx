import { LIMITS, mm, type Size, type Um } from "@wide-quilt/core";
import { Plus } from "lucide-react";
import { useState } from "react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { edit } from "../../table/edits.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import { addCell } from "./table/chosen.ts";
import { OwnSizes } from "./ticket/panels/OwnSizes.tsx";
import { SizeFields } from "./ticket/panels/SizeFields.tsx";

/** A new cell by its size, or one of a person's own sizes. */
export function AddCell({ ppi }: { ppi: number }) {
  const dispatch = useAppDispatch();
  const words = useWords(ppi);
  const [size, setSize] = useState<Size>({ width: mm(100), height: mm(150) });
  return (
    <section aria-label="Add a cell" className="mb-4 flex flex-col gap-2 border-b border-line pb-4">
      <h2 className="text-[13px] font-semibold">Add a cell</h2>
      <SizeFields size={size} range={LIMITS.piece} words={words} onChange={setSize} />
      <OwnSizes size={size} words={words} onChoose={setSize} />
      <button type="button" className={button.plain} onClick={() => dispatch(addCell(size))}>
        <Plus size={14} aria-hidden /> Add <span className="measure">{words.size(size)}</span>
      </button>
      <p className="text-[12.5px] text-ink-2">Or drag over bare paper to draw one, or drop a photo there.</p>
      <AddGuide ppi={ppi} />
    </section>
  );
}

/** Where a guide can stand. */
const GUIDE = { least: mm(0), most: LIMITS.paper.most };

/** A guide by its distance from the left or the upper edge; dragged out of a ruler it is the same. */
function AddGuide({ ppi }: { ppi: number }) {
  const dispatch = useAppDispatch();
  const words = useWords(ppi);
  const guides = useAppSelector((state) => state.openJob.job?.guides);
  const [at, setAt] = useState<Um>(mm(20));
  const add = (axis: "x" | "y") =>
    guides && dispatch(edit({ do: "guides", guides: { ...guides, [axis]: [...guides[axis], at] } }));
  return (
    <div className="flex items-end gap-1.5 border-t border-line pt-2.5">
      <LengthField
        className="min-w-0 grow"
        label="A guide at"
        value={at}
        range={GUIDE}
        words={words}
        onChange={setAt}
      />
      <button type="button" className={`${button.plain} !px-2`} onClick={() => add("x")}>
        from the left
      </button>
      <button type="button" className={`${button.plain} !px-2`} onClick={() => add("y")}>
        from the top
      </button>
    </div>
  );
}
