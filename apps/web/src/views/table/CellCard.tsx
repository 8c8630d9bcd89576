import {
  kindOf,
  leastScale,
  LIMITS,
  type CellPlan,
  type Job,
  type PhotoRecord,
  type Shot,
  type Size,
} from "@wide-quilt/core";
import { RotateCw, Undo2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { newId } from "../../app/ids.ts";
import { HeadCard } from "../../portraits/HeadCard.tsx";
import { edit } from "../../table/edits.ts";
import { selectCell, selectChosen, selectJob, selectSheet } from "../../table/sheets.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import { AddCell } from "./AddCell.tsx";
import { PlaceCard } from "./PlaceCard.tsx";
import { setPlace } from "./table/chosen.ts";
import { nextTurn } from "./table/useCellKeys.ts";

const FITS: { value: Shot["fit"]; text: string }[] = [
  { value: "fill", text: "Fill cell" },
  { value: "whole", text: "Whole photo" },
  { value: "free", text: "Free" },
];

/** The largest scale that the slider reaches; keys and the wheel go further. */
const SLIDER_MOST = 5;

/** The selected cell: its size, its place, and how its photo sits. */
export function CellCard() {
  const job = useAppSelector(selectJob);
  const cell = useAppSelector(selectCell);
  const sheet = useAppSelector(selectSheet);
  const chosen = useAppSelector(selectChosen);
  const drags = useAppSelector((state) => state.view.drags);
  if (!job) return null;
  if (!cell || !sheet) {
    if (sheet && (drags === "cell" || kindOf(job).standsByHand)) return <AddCell ppi={job.target.ppi} />;
    return (
      <Card title="Cell" aside="none chosen">
        <p className="text-[12.5px] text-ink-2">
          Choose a cell on the sheet to see its measures, and to move and scale the photo in it.
        </p>
      </Card>
    );
  }
  return (
    <>
      {chosen.length === 1 && <ChosenCell key={cell.key} job={job} cell={cell} of={sheet.cells} />}
      <PlaceCard key={`place ${cell.key}`} job={job} sheet={sheet} cells={chosen} />
    </>
  );
}

function Card({ title, aside, children }: { title: string; aside: string; children: ReactNode }) {
  return (
    <section aria-labelledby="cell-card" className="mb-4 border-b border-line pb-4">
      <h2 id="cell-card" className="mb-2.5 flex justify-between gap-2 text-[13px] font-semibold">
        {title}
        <span className="truncate font-normal text-ink-3">{aside}</span>
      </h2>
      {children}
    </section>
  );
}

function ChosenCell({ job, cell, of }: { job: Job; cell: CellPlan; of: readonly CellPlan[] }) {
  const dispatch = useAppDispatch();
  const shot: Shot = { ...cell.sits, photo: cell.photo };
  const sameAll = of.every((other) => other.shot === cell.shot);
  const record = useAppSelector((state) =>
    cell.photo === null ? undefined : state.openJob.photos[cell.photo],
  );
  const change = (next: Partial<Shot>, gesture?: string) =>
    dispatch(edit({ do: "shot", shot: cell.shot, change: { ...shot, ...next } }, gesture));
  const photo = job.stash.find(({ id }) => id === cell.photo);
  return (
    <Card
      title={`Cell ${cell.number}`}
      aside={`of ${of.length}${of.length > 1 ? (sameAll ? ", same photo in all" : cell.byHand ? ", its own photo" : "") : ""}`}
    >
      <SizeRow job={job} cell={cell} />
      {photo === undefined ? (
        <p className="text-[12.5px] text-ink-2">
          This cell is empty. Drop a photo on it, or choose one at the left.
        </p>
      ) : (
        <>
          <HeadCard cell={cell} />
          <Segments
            label="How the photo sits"
            choices={FITS}
            value={shot.fit}
            onChange={(fit) => change(sitting(fit, shot))}
          />
          {shot.fit !== "whole" && <ScaleSlider shot={shot} onChange={change} />}
          <div className="mt-3 flex flex-wrap items-center gap-2">
            <button
              type="button"
              className={button.plain}
              onClick={() => change({ turn: nextTurn(shot.turn) })}
            >
              <RotateCw size={14} aria-hidden /> Turn
            </button>
            <label className="flex items-center gap-2 text-[12.5px] text-ink-2">
              <input
                type="checkbox"
                className="size-4 accent-accent"
                checked={shot.turn === "suit"}
                onChange={(event) => change({ turn: event.target.checked ? "suit" : 0 })}
              />
              where it helps
            </label>
          </div>
          <Weight job={job} photo={photo.id} />
          <Facts cell={cell} name={photo.name} record={record} />
          {cell.byHand && (
            <button
              type="button"
              className={`${button.quiet} mt-1 -ml-3`}
              onClick={() => dispatch(edit({ do: "back to computed", cell: cell.key }))}
            >
              <Undo2 size={14} aria-hidden /> Back to computed
            </button>
          )}
        </>
      )}
    </Card>
  );
}

/** The size of the piece: of all, where the ticket says it; of this cell alone, put by hand, anywhere else. */
function SizeRow({ job, cell }: { job: Job; cell: CellPlan }) {
  const dispatch = useAppDispatch();
  const words = useWords(job.target.ppi);
  const kind = kindOf(job);
  const ofAll = cell.placed ? null : kind.pieceSize(job);
  if (kind.sizedByRule && !cell.placed) return null;
  const size = ofAll ?? cell.finished;
  const set = (change: Partial<Size>, gesture?: string) =>
    ofAll
      ? dispatch(edit({ do: "ticket", change: { size: { ...ofAll, ...change } } }, gesture))
      : dispatch(setPlace(change, gesture));
  return (
    <div className="mb-3 grid grid-cols-[36px_1fr_12px_1fr] items-center gap-1.5 text-[12.5px]">
      <span className="text-ink-2">Size</span>
      <LengthField
        hideLabel
        label="Width of the piece"
        value={size.width}
        range={LIMITS.piece}
        words={words}
        onChange={(width, gesture) => set({ width }, gesture)}
      />
      <span aria-hidden className="text-center text-ink-3">
        ×
      </span>
      <LengthField
        hideLabel
        label="Height of the piece"
        value={size.height}
        range={LIMITS.piece}
        words={words}
        onChange={(height, gesture) => set({ height }, gesture)}
      />
    </div>
  );
}

/** What a change of the fit keeps: the middle always, the scale where it means the same. */
const sitting = (fit: Shot["fit"], shot: Shot): Partial<Shot> =>
  fit === "fill" ? { fit, scale: Math.max(1, shot.scale) } : { fit };

function ScaleSlider({
  shot,
  onChange,
}: {
  shot: Shot;
  onChange(next: Partial<Shot>, gesture: string): void;
}) {
  const [gesture, setGesture] = useState(() => newId());
  const words = useWords();
  return (
    <label className="mt-3 grid grid-cols-[64px_1fr_48px] items-center gap-1.5 text-[12.5px] text-ink-2">
      Scale
      <input
        type="range"
        min={leastScale(shot) * 100}
        max={Math.max(SLIDER_MOST, shot.scale) * 100}
        value={shot.scale * 100}
        step={1}
        className="w-full accent-accent"
        aria-valuetext={words.percent(shot.scale)}
        onPointerDown={() => setGesture(newId())}
        onChange={(event) => onChange({ scale: Number(event.target.value) / 100 }, gesture)}
      />
      <span className="measure text-right text-ink">{words.percent(shot.scale)}</span>
    </label>
  );
}

/** How large a photo is to be against the others of a collage that crops nothing. */
function Weight({ job, photo }: { job: Job; photo: string }) {
  const dispatch = useAppDispatch();
  const words = useWords();
  const own = kindOf(job).weights(job);
  if (!own) return null;
  const weight = own[photo] ?? 1;
  const set = (next: number) => {
    const { [photo]: _before, ...others } = own;
    const weights = next === 1 ? others : { ...others, [photo]: next };
    dispatch(edit({ do: "ticket", change: { weights, arrangement: null } }));
  };
  return (
    <label className="mt-3 flex items-center justify-between gap-2 text-[12.5px] text-ink-2">
      Against the others
      <select
        className="rounded-md border border-edge bg-white px-2 py-1 text-ink"
        value={weight}
        onChange={({ target }) => set(Number(target.value))}
      >
        {[0.5, 1, 2, 3, 4].map((times) => (
          <option key={times} value={times}>
            {times === 1 ? "as large" : `${words.number(times, 0, 1)} times as large`}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is lost, how finely it prints, and what the photo is. */
function Facts({ cell: { picture }, name, record }: { cell: CellPlan; name: string; record?: PhotoRecord }) {
  const words = useWords();
  return (
    <div className="mt-3 flex flex-col gap-0.5 text-[12.5px] text-ink-2">
      {picture && (
        <p>
          {picture.loss < 0.0005 ? (
            "Nothing is cropped"
          ) : (
            <>
              Crops <b className="measure font-medium text-ink">{words.percent(picture.loss)}</b>
            </>
          )}
          , prints at <b className="measure font-medium text-ink">{words.number(picture.ppi)} ppi</b>.
        </p>
      )}
      <p className="truncate" title={name}>
        {name}
        {record && (
          <>
            , <span className="measure">{`${record.width} × ${record.height} px`}</span>
          </>
        )}
      </p>
      {record && <p>{record.profile ?? "No colour profile: taken as sRGB"}</p>}
    </div>
  );
}
