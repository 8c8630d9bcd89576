import { middleFace, type Face, type PersonReport, type PhotoRecord } from "@wide-quilt/core";
import { ScanFace, UserRoundMinus, UserRoundPlus } from "lucide-react";
import { useState } from "react";
import { useAppDispatch, useAppSelector } from "../app/hooks.ts";
import { findHeads, selectHeads, setHeads, showHeads } from "../table/heads.ts";
import { OverPage } from "../ui/OverPage.tsx";
import { button } from "../ui/button.ts";
import { Checks } from "./Checks.tsx";
import { Handles } from "./Handles.tsx";
import { StateBadge } from "./StateBadge.tsx";

interface Props {
  photo: string;
  record: PhotoRecord;
  /** Whose head it is, or what its file is called. */
  name: string;
  /** How the person stands to a rule; null where no rule is about the photo. */
  report: PersonReport | null;
  onClose(): void;
}

/** Room for the photo, in CSS pixels. */
const ROOM = { width: 500, height: 560 };

/** A photo with the handles of its heads: looked at, corrected, added and taken away; and what a rule says of the first one. */
export function HeadEditor({ photo, record, name, report, onClose }: Props) {
  const dispatch = useAppDispatch();
  const heads = useAppSelector((state) => selectHeads(state, photo));
  const [chosen, setChosen] = useState(0);
  const [zoom, setZoom] = useState(1);
  const [looks, setLooks] = useState(false);
  const at = Math.min(chosen, Math.max(0, heads.length - 1));
  const face = heads[at] ?? null;
  const isKnown = record.seen !== undefined;
  const withHead = (next: Face) => (face ? heads.with(at, next) : [next]);
  const keep = (next: readonly Face[]) => void dispatch(setHeads(photo, next));
  const find = async () => {
    setLooks(true);
    await dispatch(findHeads(photo));
    setChosen(0);
    setLooks(false);
  };
  const add = () => {
    keep([...heads, middleFace(record)]);
    setChosen(heads.length);
  };
  const fitting = Math.min(ROOM.width / record.width, ROOM.height / record.height);
  const rule = report?.rule;
  return (
    <OverPage open wide title={`${heads.length > 1 ? "Heads" : "Head"} of ${name}`} onClose={onClose}>
      <div className="grid grid-cols-[minmax(0,1fr)_236px] gap-5">
        <div>
          <div
            className="relative max-h-[560px] overflow-auto rounded-lg bg-table"
            tabIndex={zoom > 1 ? 0 : undefined}
            aria-label="Photo"
            role="group"
          >
            <Handles
              key={`${photo} ${at}`}
              photo={photo}
              face={face}
              others={heads.flatMap((other, i) =>
                i === at ? [] : [{ face: other, name: `head ${i + 1}`, choose: () => setChosen(i) }],
              )}
              record={record}
              scale={fitting * zoom}
              ears={rule?.headWidth !== undefined}
              skull={rule?.crown === "skull"}
              onMove={(next) => dispatch(showHeads(photo, withHead(next)))}
              onDone={(next) => keep(withHead(next))}
              onKey={(next) => keep(withHead(next))}
            />
          </div>
          <label className="mt-3 flex items-center gap-3 text-[12.5px] text-ink-2">
            Zoom
            <input
              type="range"
              min={1}
              max={4}
              step={0.25}
              value={zoom}
              className="w-48 accent-accent"
              onChange={({ target }) => setZoom(Number(target.value))}
            />
            <span>Drag a handle, or choose it with Tab and move it with the arrow keys.</span>
          </label>
        </div>
        <div className="flex flex-col gap-3">
          {report && (
            <>
              <div className="flex items-center justify-between">
                <h3 className="text-[13px] font-semibold">On the finished piece</h3>
                <StateBadge state={report.state} />
              </div>
              {report.mendable !== undefined && <p className="text-[12.5px]">{report.advice}</p>}
              {report.measured ? (
                <Checks report={report} record={record} />
              ) : (
                <p className="text-[12.5px] text-ink-2">{report.advice}</p>
              )}
            </>
          )}
          {!report && (
            <p className="text-[12.5px] text-ink-2">
              {!isKnown
                ? "Nobody has looked at this photo yet."
                : heads.length === 0
                  ? "There is no head in this photo, or none was found."
                  : heads.length === 1
                    ? "One head. Crops that nobody set by hand keep it in."
                    : `${heads.length} heads. Crops that nobody set by hand keep them in, the largest first.`}
            </p>
          )}
          {face && !face.sure && (
            <p className="rounded-md bg-look-soft p-2 text-[12.5px] text-look">
              {face.pose?.cut
                ? "The photo seems to cut the top of the head off. "
                : "This head was not found beyond doubt. "}
              Look whether the handles are where they should be.
            </p>
          )}
          {face && !face.sure && (
            <button
              type="button"
              className={button.main}
              onClick={() => keep(withHead({ ...face, sure: true }))}
            >
              They are where they should be
            </button>
          )}
          <button type="button" className={button.plain} disabled={looks} onClick={() => void find()}>
            <ScanFace size={15} aria-hidden /> {looks ? "Looking …" : "Find heads again"}
          </button>
          <button type="button" className={heads.length === 0 ? button.main : button.plain} onClick={add}>
            <UserRoundPlus size={15} aria-hidden />
            {heads.length === 0 ? "Set the handles by hand" : "Add a head"}
          </button>
          {face && (
            <button type="button" className={button.quiet} onClick={() => keep(heads.toSpliced(at, 1))}>
              <UserRoundMinus size={15} aria-hidden /> This is no head
            </button>
          )}
          <p className="mt-auto text-[12px] text-ink-2">
            {rule
              ? rule.crown === "skull"
                ? "This rule measures to the skull: put that handle where the head ends under the hair."
                : "This rule measures to the hair as it is seen."
              : "The heads are the photo’s, in every job."}
          </p>
        </div>
      </div>
    </OverPage>
  );
}
