import { nearest, umPer, type Job, type SheetPlan } from "@wide-quilt/core";
import { useRef, type PointerEvent } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { selectJob } from "../../../table/sheets.ts";
import { useWords } from "../../../words/words.ts";

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
}

const NO_GUIDES: Job["guides"] = { x: [], y: [] };

/** Breadth of a ruler, in CSS pixels. */
const BREADTH = 16;
/** The least distance of two figures, in CSS pixels. */
const ROOMY = 44;
const STEPS = [1, 2, 5, 10, 20, 50, 100, 200, 500];

/** Rulers along the paper in the reader's unit. A guide is dragged out of one, and back over the edge to be rid of it. */
export function Rulers({ sheet, px }: Props) {
  return (
    <>
      <Ruler along="x" length={sheet.paper.width} beside={sheet.paper.height} px={px} ppi={sheet.ppi} />
      <Ruler along="y" length={sheet.paper.height} beside={sheet.paper.width} px={px} ppi={sheet.ppi} />
    </>
  );
}

interface RulerProps {
  along: "x" | "y";
  length: number;
  /** The paper's other side, at whose end the ruler lies: measures stand at the top and at the left. */
  beside: number;
  px(um: number): number;
  ppi: number;
}

function Ruler({ along, length, beside, px, ppi }: RulerProps) {
  const words = useWords(ppi);
  const dispatch = useAppDispatch();
  const dragged = useRef<number | null>(null);
  const unit = umPer(words.unit, ppi);
  const step = (STEPS.find((n) => px(n * unit) >= ROOMY) ?? 1000) * unit;
  const ticks = Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => i * step);
  const long = px(length);
  const other = along === "x" ? "y" : "x";

  const guidesNow = () => selectJob(store.getState())?.guides ?? NO_GUIDES;
  const follow = (event: PointerEvent<SVGSVGElement>) => {
    if (dragged.current === null) return;
    const box = event.currentTarget.getBoundingClientRect();
    const perPixel = 1000 / px(1000);
    // The ruler begins where the paper ends.
    const at = nearest(
      beside + (along === "x" ? event.clientY - box.top : event.clientX - box.left) * perPixel,
    );
    const guides = guidesNow();
    const list = guides[other].filter((_, i) => i !== dragged.current);
    const rounded = nearest(Math.round(at / 500) * 500);
    dispatch(held({ do: "guides", guides: { ...guides, [other]: at < beside ? [...list, rounded] : list } }));
    dragged.current = list.length;
  };

  return (
    <svg
      role="img"
      aria-label={`Ruler, ${words.unit}; drag a guide out of it`}
      className="absolute cursor-crosshair touch-none overflow-visible bg-white/80"
      style={
        along === "x"
          ? { left: 0, top: px(beside), width: long, height: BREADTH }
          : { left: px(beside), top: 0, width: BREADTH, height: long }
      }
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        dragged.current = guidesNow()[other].length;
      }}
      onPointerMove={follow}
      onPointerUp={() => {
        const made = store.getState().openJob.held;
        if (dragged.current !== null && made) dispatch(edit(made));
        dragged.current = null;
      }}
    >
      {ticks.map((at) => (
        <g key={at} transform={along === "x" ? `translate(${px(at)} 0)` : `translate(0 ${px(at)})`}>
          <path d={along === "x" ? "M0 0V11" : "M0 0H11"} stroke="#4a515d" />
          {long - px(at) > 14 && (
            <text
              fontSize="9"
              fill="#20242c"
              transform={along === "x" ? "translate(3 13)" : "translate(5 3) rotate(90)"}
            >
              {Math.round(at / unit)}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
