import { EVENT_LIMITS, type EventEntry, type EventSet, type Sits } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { Crop } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { button } from "../../ui/button.ts";
import { NumberField } from "../../ui/NumberField.tsx";
import { OverPage } from "../../ui/OverPage.tsx";
import { CropByHand } from "./CropByHand.tsx";
import { SetPicture } from "./SetPicture.tsx";
import { useSetLink } from "./useSetLink.ts";

const GuestsCode = lazy(() => import("./GuestsCode.tsx"));

interface Props {
  view: EventView;
  /** Null while none is looked at. */
  set: EventSet | null;
  tell(entry: EventEntry): Promise<void>;
  onClose(): void;
}

/** A set by itself: as it is printed, cropped otherwise, printed again, taken along. */
export function SetPanel({ view, set, tell, onClose }: Props) {
  return (
    <OverPage title={set ? `Set ${set.number}` : ""} open={set !== null} onClose={onClose}>
      {set && <OfSet key={set.number} view={view} set={set} tell={tell} onClose={onClose} />}
    </OverPage>
  );
}

function OfSet({ view, set, tell, onClose }: Props & { set: EventSet }) {
  const [copies, setCopies] = useState(1);
  const [crop, setCrop] = useState<{ place: number; sits: Sits | null } | null>(null);
  const link = useSetLink(view.id, view.state.ended ? null : set.number);
  const prints = view.state.prints.filter((print) => print.set === set.number);
  const out = prints.filter(({ state }) => state === "printed").length;
  const shown: EventSet = crop?.sits ? { ...set, crops: { ...set.crops, [crop.place]: crop.sits } } : set;
  const keepCrop = () => {
    if (crop?.sits) void tell({ do: "crop", set: set.number, place: crop.place, sits: crop.sits });
    setCrop(null);
  };
  return (
    <div className="grid grid-cols-[auto_1fr] gap-6">
      <div className="flex min-w-[240px] justify-center self-start rounded-lg bg-table p-5">
        {crop ? (
          <CropByHand
            view={view}
            set={shown}
            place={crop.place}
            onCrop={(sits) => setCrop({ place: crop.place, sits })}
          />
        ) : (
          <SetPicture
            view={view}
            set={set}
            pixels={800}
            className="h-[420px] max-w-[200px]"
            label={`Set ${set.number} as it is printed`}
          />
        )}
      </div>
      <div className="flex min-w-0 flex-col gap-4 text-[13.5px]">
        <p>
          {out === 0 ? "No print of it came out yet." : `${out} ${out === 1 ? "print" : "prints"} came out.`}
          {prints.length > out && ` ${prints.length - out} more are asked for.`}
        </p>
        <ol className="flex flex-col gap-1.5 text-ink-2" aria-label="Its shots">
          {set.shots.map((shot, i) => (
            <li key={i} className="flex items-center gap-2">
              <span className="measure w-5 shrink-0">{i + 1}</span>
              <span className="min-w-0 grow truncate" title={shot?.name}>
                {shot?.name ?? "no shot"}
              </span>
              {shot && (
                <button
                  type="button"
                  aria-label={`Crop shot ${i + 1}`}
                  aria-pressed={crop?.place === i + 1}
                  className={crop?.place === i + 1 ? button.main : button.plain}
                  onClick={() => setCrop({ place: i + 1, sits: null })}
                >
                  <Crop size={14} aria-hidden /> Crop
                </button>
              )}
            </li>
          ))}
        </ol>
        {crop ? (
          <div className="flex flex-wrap gap-2">
            <button type="button" className={button.main} disabled={!crop.sits} onClick={keepCrop}>
              Keep this crop
            </button>
            <button type="button" className={button.plain} onClick={() => setCrop(null)}>
              Leave it as it was
            </button>
            <p className="text-[12.5px] text-ink-2">
              Drag the framed photo, or move it with the arrow keys. Prints that are still to come show it so.
            </p>
          </div>
        ) : (
          set.full !== null &&
          set.state !== "shown" && (
            <div className="flex items-end gap-2">
              <NumberField
                label="Prints"
                value={copies}
                least={1}
                most={EVENT_LIMITS.most.most}
                whole
                onChange={setCopies}
              />
              <button
                type="button"
                className={button.main}
                onClick={() => {
                  void tell({ do: "again", set: set.number, copies });
                  onClose();
                }}
              >
                Print it again
              </button>
            </div>
          )
        )}
        {link && !crop && (
          <div className="flex items-center gap-3 rounded-lg bg-chrome p-2.5">
            <Suspense fallback={null}>
              <GuestsCode address={link} className="size-24 shrink-0 rounded bg-white" />
            </Suspense>
            <p className="min-w-0 text-[12.5px] text-ink-2">
              Guests take this set along by{" "}
              <a href={link} target="_blank" rel="noreferrer" className="text-accent underline">
                its own page
              </a>
              , until the event ends.
            </p>
          </div>
        )}
      </div>
    </div>
  );
}
