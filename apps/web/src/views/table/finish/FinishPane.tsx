import type { StylePart } from "@wide-quilt/core";
import { ArrowLeft, ChevronRight, Hand, Undo2 } from "lucide-react";
import { useState, type ComponentType } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { selectChosen, selectJob } from "../../../table/sheets.ts";
import { finishing, type FinishPart } from "../../../table/view.ts";
import { Segments } from "../../../ui/Segments.tsx";
import { button } from "../../../ui/button.ts";
import { useFocusThatIsLost } from "../../../ui/useFocusThatIsLost.ts";
import { BlocksEditor } from "./BlocksEditor.tsx";
import { BorderEditor } from "./BorderEditor.tsx";
import { GraphicsEditor } from "./GraphicsEditor.tsx";
import { GroundEditor } from "./GroundEditor.tsx";
import { LookEditor } from "./LookEditor.tsx";
import { MatEditor } from "./MatEditor.tsx";
import { SharpeningEditor } from "./SharpeningEditor.tsx";
import { ShapesEditor } from "./ShapesEditor.tsx";
import { StyleEditor } from "./StyleEditor.tsx";
import { TextsEditor } from "./TextsEditor.tsx";
import { WordsEditor } from "./WordsEditor.tsx";
import { summaryOf } from "./summaries.ts";
import { useFinish, type EditorProps } from "./useFinish.ts";

interface Part {
  title: string;
  Editor: ComponentType<EditorProps>;
  /** The part of a style that it is, where single cells can have their own. */
  style?: StylePart;
}

const PARTS: Record<FinishPart, Part> = {
  style: { title: "Style", Editor: StyleEditor },
  border: { title: "Border", Editor: BorderEditor, style: "border" },
  mat: { title: "Mat", Editor: MatEditor, style: "mat" },
  caption: { title: "Words", Editor: WordsEditor, style: "caption" },
  look: { title: "Look", Editor: LookEditor, style: "look" },
  sharpening: { title: "Sharpening", Editor: SharpeningEditor, style: "sharpening" },
  ground: { title: "Sheet colour", Editor: GroundEditor },
  graphics: { title: "Graphics", Editor: GraphicsEditor },
  shapes: { title: "Shapes", Editor: ShapesEditor },
  texts: { title: "Words on the sheet", Editor: TextsEditor },
  blocks: { title: "Tables and months", Editor: BlocksEditor },
};

const OF_CELLS: readonly FinishPart[] = ["border", "mat", "caption", "look", "sharpening"];
const OF_SHEETS: readonly FinishPart[] = ["ground", "graphics", "shapes", "texts", "blocks"];

/** What cells and sheets are finished with: a short list, each part with an editor of its own. */
export default function FinishPane() {
  const finish = useFinish();
  const part = useAppSelector((state) => state.view.finishes.part);
  const [left, setLeft] = useState<FinishPart | null>(null);
  if (part !== null && part !== left) setLeft(part);
  if (!finish) return null;
  return part === null ? (
    <Parts finish={finish} left={left} />
  ) : (
    <Open key={part} part={part} finish={finish} />
  );
}

/** `left` is the part whose editor was left, to whose row the keyboard comes back. */
function Parts({ finish, left }: EditorProps & { left: FinishPart | null }) {
  return (
    <section aria-label="Finish" className="mb-4 flex flex-col gap-3 border-b border-line pb-4">
      <Scope finish={finish} />
      {finish.scope === "all" && <Row part="style" finish={finish} back={left === "style"} />}
      <ul className="flex flex-col gap-1">
        {OF_CELLS.map((part) => (
          <li key={part}>
            <Row part={part} finish={finish} back={left === part} />
          </li>
        ))}
      </ul>
      {finish.scope === "all" && (
        <>
          <h3 className="text-[12px] text-ink-3">The sheet</h3>
          <ul className="-mt-2 flex flex-col gap-1">
            {OF_SHEETS.map((part) => (
              <li key={part}>
                <Row part={part} finish={finish} back={left === part} />
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** For whom the finish is set. */
function Scope({ finish: { scope } }: EditorProps) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector(selectChosen);
  const [first] = chosen;
  if (!first) {
    return (
      <p className="text-[12.5px] text-ink-2">
        For all cells. Choose one on the sheet to finish it by itself.
      </p>
    );
  }
  return (
    <Segments
      label="For which cells"
      value={scope}
      onChange={(next) => dispatch(finishing({ scope: next }))}
      choices={[
        { value: "all", text: "All cells" },
        {
          value: "chosen",
          text: chosen.length === 1 ? `Cell ${first.number} alone` : `${chosen.length} cells alone`,
        },
      ]}
    />
  );
}

function Row({ part, finish, back }: EditorProps & { part: FinishPart; back: boolean }) {
  const dispatch = useAppDispatch();
  const row = useFocusThatIsLost(back);
  const job = useAppSelector(selectJob);
  const { title, style } = PARTS[part];
  const byHand = style !== undefined && finish.byHand.includes(style);
  return (
    <button
      ref={row}
      type="button"
      className="flex w-full items-center gap-2 rounded-md border border-line bg-white px-2.5 py-1.5 text-left hover:border-edge"
      onClick={() => dispatch(finishing({ part }))}
    >
      <span className="shrink-0 text-[13px] font-semibold">{title}</span>
      <span className="min-w-0 grow truncate text-right text-[12.5px] text-ink-2">
        {job && summaryOf(part, job, finish.style, finish.words)}
      </span>
      {byHand && (
        <span className="flex items-center gap-1 text-[11.5px] text-accent">
          <Hand size={12} aria-hidden /> by hand
        </span>
      )}
      <ChevronRight size={15} aria-hidden className="shrink-0 text-ink-3" />
    </button>
  );
}

function Open({ part, finish }: EditorProps & { part: FinishPart }) {
  const dispatch = useAppDispatch();
  const { title, Editor, style } = PARTS[part];
  const byHand = style !== undefined && finish.byHand.includes(style);
  const back = useFocusThatIsLost(true);
  return (
    <section aria-label={title} className="mb-4 flex flex-col gap-3 border-b border-line pb-4">
      <div className="flex items-center gap-1">
        <button
          ref={back}
          type="button"
          aria-label="Back to the finish"
          title="Back to the finish"
          className="-ml-1 rounded p-1 text-ink-2 hover:bg-chrome"
          onClick={() => dispatch(finishing({ part: null }))}
        >
          <ArrowLeft size={16} aria-hidden />
        </button>
        <h2 className="text-[13px] font-semibold">{title}</h2>
      </div>
      {style !== undefined && <Scope finish={finish} />}
      <Editor finish={finish} />
      {byHand && (
        <button
          type="button"
          className={`${button.quiet} -ml-3 self-start`}
          onClick={() => finish.giveBack([style])}
        >
          <Undo2 size={14} aria-hidden /> As all cells
        </button>
      )}
    </section>
  );
}
