import {
  kindOf,
  LIMITS,
  um,
  unitOf,
  writeFigure,
  type CellPlan,
  type LengthRange,
  type SheetPlan,
  type Um,
} from "@wide-quilt/core";
import { useState } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { selectJob } from "../../../table/sheets.ts";
import { LengthField } from "../../../ui/LengthField.tsx";
import { useWords } from "../../../words/words.ts";
import { setPlace } from "./chosen.ts";
import { neighbour } from "./neighbour.ts";

interface Props {
  sheet: SheetPlan;
  cell: CellPlan;
  px(um: number): number;
}

/** Distance of the two rows of dimension lines from the paper, in CSS pixels. */
const OUTER = 34;
const INNER = 14;

/**
 * The measures of the selected cell, as on a workshop drawing: size in the outer rows, distances to the paper's edge and
 * to the next cell in the inner ones. All of them can be clicked and typed into.
 *
 *              |<-- 35.0 -->|            outer row
 *     |-- 77.2 --|          |2|          inner row
 */
export function Dimensions({ sheet, cell, px }: Props) {
  const job = useAppSelector(selectJob);
  const words = useWords(sheet.ppi);
  const dispatch = useAppDispatch();
  if (!job) return null;
  const { x, y, width, height } = cell.finished;
  const rightward = neighbour(sheet.cells, cell, "ArrowRight");
  const below = neighbour(sheet.cells, cell, "ArrowDown");
  // What the ticket says is changed there, for all cells; anything else puts this cell by hand.
  const kind = kindOf(job);
  const ofAll = cell.placed ? null : kind.pieceSize(job);
  const lies = cell.turn % 180 !== 0;
  const setSide = (side: "width" | "height") => (length: Um) => {
    if (!ofAll) return dispatch(setPlace({ [side]: length }));
    const real = lies ? (side === "width" ? "height" : "width") : side;
    dispatch(edit({ do: "ticket", change: { size: { ...ofAll, [real]: length } } }));
  };
  const setFrom = (side: "x" | "y") => (length: Um) => dispatch(setPlace({ [side]: length }));
  const setGap = (length: Um) => dispatch(edit({ do: "ticket", change: { gap: length } }));
  const byHand = (side: "x" | "y", next: CellPlan) => (length: Um) => {
    const own = side === "x" ? cell.finished.width : cell.finished.height;
    dispatch(setPlace({ [side]: um(next.finished[side] - length - own) }));
  };
  const gapOf = (side: "x" | "y", next: CellPlan) =>
    cell.placed || kind.gapsByHand ? byHand(side, next) : setGap;
  const common = { px, words };
  return (
    <>
      <svg
        aria-hidden
        className="pointer-events-none absolute top-0 left-0 overflow-visible"
        width={1}
        height={1}
      >
        <Line along="x" from={px(x)} to={px(x + width)} at={-OUTER} strong />
        <Line along="y" from={px(y)} to={px(y + height)} at={-OUTER} strong />
        {x > 0 && <Line along="x" from={0} to={px(x)} at={-INNER} />}
        {y > 0 && <Line along="y" from={0} to={px(y)} at={-INNER} />}
        {rightward && rightward.finished.x >= x + width && (
          <Line along="x" from={px(x + width)} to={px(rightward.finished.x)} at={-INNER} />
        )}
        {below && below.finished.y >= y + height && (
          <Line along="y" from={px(y + height)} to={px(below.finished.y)} at={-INNER} />
        )}
      </svg>
      <Measure
        {...common}
        label="Width"
        along="x"
        at={-OUTER}
        from={x}
        to={um(x + width)}
        range={LIMITS.piece}
        onType={setSide("width")}
      />
      <Measure
        {...common}
        label="Height"
        along="y"
        at={-OUTER}
        from={y}
        to={um(y + height)}
        range={LIMITS.piece}
        onType={setSide("height")}
      />
      <Measure
        {...common}
        label="From the left edge"
        along="x"
        at={-INNER}
        from={um(0)}
        to={x}
        range={LIMITS.away}
        onType={setFrom("x")}
      />
      <Measure
        {...common}
        label="From the top edge"
        along="y"
        at={-INNER}
        from={um(0)}
        to={y}
        range={LIMITS.away}
        onType={setFrom("y")}
      />
      {rightward && (
        <Measure
          {...common}
          label="To the next cell"
          along="x"
          at={-INNER}
          from={um(x + width)}
          to={rightward.finished.x}
          range={LIMITS.gap}
          onType={gapOf("x", rightward)}
        />
      )}
      {below && (
        <Measure
          {...common}
          label="To the cell below"
          along="y"
          at={-INNER}
          from={um(y + height)}
          to={below.finished.y}
          range={LIMITS.gap}
          onType={gapOf("y", below)}
        />
      )}
    </>
  );
}

/** A dimension line with its two end strokes. */
function Line({
  along,
  from,
  to,
  at,
  strong = false,
}: {
  along: "x" | "y";
  from: number;
  to: number;
  at: number;
  strong?: boolean;
}) {
  const colour = strong ? "#34409c" : "#4a515d";
  const end = strong ? 6 : 4;
  const d =
    along === "x"
      ? `M${from} ${at}H${to}M${from} ${at - end}v${end * 2}M${to} ${at - end}v${end * 2}`
      : `M${at} ${from}V${to}M${at - end} ${from}h${end * 2}M${at - end} ${to}h${end * 2}`;
  return <path d={d} stroke={colour} strokeWidth={strong ? 1.3 : 1} fill="none" />;
}

interface MeasureProps {
  label: string;
  along: "x" | "y";
  at: number;
  from: Um;
  to: Um;
  px(um: number): number;
  words: ReturnType<typeof useWords>;
  range?: LengthRange;
  onType?(length: Um): void;
}

/** Shorter than its figure, a line has it behind its end. */
const SHORT = 34;

function placeOf(along: "x" | "y", at: number, from: number, to: number, short: boolean) {
  const on = short ? to + 6 : (from + to) / 2;
  return along === "x"
    ? { left: on, top: at, transform: short ? "translate(0, -50%)" : "translate(-50%, -50%)" }
    : // Figures of the inner column end where the paper begins, so that they never lie on it.
      at === -INNER
      ? { left: -4, top: on, transform: short ? "translate(-100%, 0)" : "translate(-100%, -50%)" }
      : { left: at, top: on, transform: "translate(-50%, -50%)" };
}

/** The figure of a dimension line. */
function Measure({ label, along, at, from, to, px, words, range, onType }: MeasureProps) {
  const [types, setTypes] = useState(false);
  const length = um(to - from);
  if (length < 0 || (length === 0 && !label.startsWith("To "))) return null;
  const short = px(length) < SHORT && at === -INNER;
  const place = placeOf(along, at, px(from), px(to), short);
  const unit = unitOf([length], words);
  const figure = writeFigure(length, { ...words, unit, least: 1 });
  // Figures without a unit are in the reader’s.
  const shown = unit === words.unit ? figure : `${figure} ${unit}`;
  if (types && range && onType) {
    return (
      <div
        className="absolute z-10 w-28 rounded-md bg-white p-1 shadow-lg"
        style={place}
        onBlur={() => setTypes(false)}
      >
        <LengthField
          autoFocus
          hideLabel
          label={label}
          value={length}
          range={range}
          words={words}
          onChange={(typed) => {
            onType(typed);
            setTypes(false);
          }}
        />
      </div>
    );
  }
  if (!onType) {
    return (
      <span className="measure pointer-events-none absolute bg-table px-1 text-[11px] text-ink" style={place}>
        <span className="sr-only">{label} </span>
        {shown}
      </span>
    );
  }
  const strong = at === -OUTER;
  return (
    <button
      type="button"
      title={`${label}: choose to type it`}
      aria-label={`${label} ${figure} ${unit}, change`}
      className={`measure absolute rounded px-1.5 py-px text-[11.5px] ${strong ? "bg-accent px-2.5 text-white hover:bg-accent-deep" : "bg-table text-accent underline decoration-accent/50 underline-offset-2"}`}
      style={place}
      onClick={() => setTypes(true)}
    >
      {shown}
    </button>
  );
}
