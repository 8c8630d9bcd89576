import type { BackdropFill, BackdropStroke, Evenness, PersonReport, PhotoRecord } from "@wide-quilt/core";
import { Check, Undo2, X } from "lucide-react";
import { useState } from "react";
import { useAppDispatch, useAppSelector } from "../app/hooks.ts";
import { edit } from "../table/edits.ts";
import { OverPage } from "../ui/OverPage.tsx";
import { Segments } from "../ui/Segments.tsx";
import { button } from "../ui/button.ts";
import type { Words } from "../words/words.ts";
import { StrokePad } from "./StrokePad.tsx";
import { useCutout } from "./useCutout.ts";

interface Props {
  report: PersonReport;
  record: PhotoRecord;
  words: Words;
  onClose(): void;
}

const TOOLS: { value: "keep" | "remove"; text: string }[] = [
  { value: "keep", text: "Keep" },
  { value: "remove", text: "Remove" },
];

/** Where a rule says nothing of the background. */
const USUAL = { colour: "#e9ebee", tolerance: 15, words: "plain and light" };

const NO_STROKES: BackdropStroke[] = [];

/** Something else behind the person: found by itself, put right by strokes, plain or from one colour to another. */
export function BackdropEditor({ report, record, words, onClose }: Props) {
  const dispatch = useAppDispatch();
  const photo = report.photo!;
  const wanted = report.rule.background ?? USUAL;
  const kept = useAppSelector((state) => state.openJob.job?.backdrops[photo]);
  const [strokes, setStrokes] = useState<BackdropStroke[]>(kept?.strokes ?? NO_STROKES);
  const [fill, setFill] = useState<BackdropFill>(kept?.fill ?? { kind: "flat", colour: wanted.colour });
  const [tool, setTool] = useState<"keep" | "remove">("keep");
  const [breadth, setBreadth] = useState(0.03);
  const [zoom, setZoom] = useState(1);
  const cutout = useCutout(photo, strokes, fill, wanted.colour);
  const { shown, busy, failed, keeping } = cutout;
  const done = async () => {
    if (await cutout.keep()) onClose();
  };
  return (
    <OverPage open wide title={`Background of ${report.name}`} onClose={onClose}>
      <div className="grid grid-cols-[minmax(0,1fr)_236px] gap-5">
        <div>
          <StrokePad
            image={shown?.image ?? null}
            record={record}
            strokes={strokes}
            keeps={tool === "keep"}
            breadth={breadth}
            zoom={zoom}
            onStroke={(stroke) => setStrokes((before) => [...before, stroke].slice(-100))}
            onUndo={() => setStrokes((before) => before.slice(0, -1))}
          />
          <div className="mt-3 flex items-center gap-5 text-[12.5px] text-ink-2">
            <Slider label="Zoom" min={1} max={5} step={0.25} value={zoom} onChange={setZoom} />
            <Slider
              label="Breadth"
              min={0.005}
              max={0.12}
              step={0.005}
              value={breadth}
              onChange={setBreadth}
            />
            <span role="status" className="ml-auto">
              {busy ? "Working it out …" : strokes.length === 1 ? "1 stroke" : `${strokes.length} strokes`}
            </span>
          </div>
        </div>
        <div className="flex flex-col gap-3 text-[12.5px]">
          <Segments label="A stroke says" choices={TOOLS} value={tool} onChange={(next) => setTool(next)} />
          <p className="text-ink-2">
            Draw over what was taken wrongly. Short strokes will do: colours and edges do the rest.
          </p>
          <div className="flex gap-2">
            <button
              type="button"
              className={button.plain}
              disabled={strokes.length === 0}
              onClick={() => setStrokes(strokes.slice(0, -1))}
            >
              <Undo2 size={14} aria-hidden /> Last stroke
            </button>
            <button
              type="button"
              className={button.quiet}
              disabled={strokes.length === 0}
              onClick={() => setStrokes(NO_STROKES)}
            >
              None
            </button>
          </div>
          <FillFields fill={fill} wanted={wanted.colour} onChange={setFill} />
          <EvennessOf title="As photographed" even={shown?.before ?? null} wanted={wanted} words={words} />
          <EvennessOf title="As it will be" even={shown?.now ?? null} wanted={wanted} words={words} />
          {failed && (
            <p role="alert" className="rounded-md bg-wrong-soft p-2 text-wrong">
              {failed}
            </p>
          )}
          <div className="mt-auto flex flex-col gap-2">
            <button
              type="button"
              className={button.main}
              disabled={busy || keeping || failed !== null}
              onClick={() => void done()}
            >
              {keeping ? "Making it at full size …" : "Put this behind"}
            </button>
            {kept && (
              <button
                type="button"
                className={button.plain}
                onClick={() => {
                  dispatch(edit({ do: "backdrops", backdrops: { [photo]: null } }));
                  onClose();
                }}
              >
                Back to the photo’s own
              </button>
            )}
          </div>
        </div>
      </div>
    </OverPage>
  );
}

interface SliderProps {
  label: string;
  min: number;
  max: number;
  step: number;
  value: number;
  onChange(value: number): void;
}

const Slider = ({ label, onChange, ...range }: SliderProps) => (
  <label className="flex items-center gap-2">
    {label}
    <input
      type="range"
      {...range}
      className="w-28 accent-accent"
      onChange={({ target }) => onChange(Number(target.value))}
    />
  </label>
);

interface FillProps {
  fill: BackdropFill;
  wanted: string;
  onChange(fill: BackdropFill): void;
}

const KINDS: { value: BackdropFill["kind"]; text: string }[] = [
  { value: "flat", text: "One colour" },
  { value: "gradient", text: "Soft gradient" },
];

/** What goes behind: one colour, or one that passes into another. */
function FillFields({ fill, wanted, onChange }: FillProps) {
  const become = (kind: BackdropFill["kind"]) =>
    onChange(
      kind === "flat"
        ? { kind, colour: fill.kind === "flat" ? fill.colour : fill.top }
        : { kind, top: fill.kind === "flat" ? fill.colour : fill.top, bottom: wanted },
    );
  return (
    <div className="flex flex-col gap-2">
      <Segments label="Background" choices={KINDS} value={fill.kind} onChange={become} />
      {fill.kind === "flat" ? (
        <Colour label="Colour" value={fill.colour} onChange={(colour) => onChange({ ...fill, colour })} />
      ) : (
        <>
          <Colour label="At the top" value={fill.top} onChange={(top) => onChange({ ...fill, top })} />
          <Colour
            label="At the bottom"
            value={fill.bottom}
            onChange={(bottom) => onChange({ ...fill, bottom })}
          />
        </>
      )}
    </div>
  );
}

const Colour = ({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange(value: string): void;
}) => (
  <label className="flex items-center justify-between gap-2 text-ink-2">
    {label}
    <span className="flex items-center gap-2">
      <span className="measure text-ink">{value}</span>
      <input
        type="color"
        value={value}
        className="h-7 w-10 rounded border border-edge bg-white"
        onChange={({ target }) => onChange(target.value)}
      />
    </span>
  </label>
);

interface EvennessProps {
  title: string;
  even: Evenness | null;
  wanted: { tolerance: number; words: string };
  words: Words;
}

/** How far a background is from what the rule wants, and where it is worst. */
function EvennessOf({ title, even, wanted, words }: EvennessProps) {
  if (!even) return null;
  const passes = even.worst.deviation <= wanted.tolerance;
  const figure = (value: number) => words.number(value, 1, 1);
  return (
    <div className="rounded-md bg-chrome p-2">
      <p className="flex items-center justify-between font-semibold">
        {title}
        <span className={`inline-flex items-center gap-1 ${passes ? "text-good" : "text-wrong"}`}>
          {passes ? <Check size={13} aria-hidden /> : <X size={13} aria-hidden />}
          {passes ? "passes" : "does not pass"}
        </span>
      </p>
      <p className="mt-0.5 text-ink-2">
        ΔE 2000 <b className="measure font-medium text-ink">{figure(even.deviation)}</b> from {wanted.words},
        at worst <b className="measure font-medium text-ink">{figure(even.worst.deviation)}</b>{" "}
        {placeOf(even.worst)}; up to <span className="measure">{figure(wanted.tolerance)}</span> will do.
      </p>
    </div>
  );
}

/** "at the upper left" */
function placeOf({ x, y }: { x: number; y: number }): string {
  const down = y < 0.4 ? "upper" : y > 0.6 ? "lower" : "";
  const across = x < 0.4 ? "left" : x > 0.6 ? "right" : "middle";
  return down === ""
    ? across === "middle"
      ? "in the middle"
      : `at the ${across}`
    : `at the ${down} ${across}`;
}
