import type { EventEntry, EventSet } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { button } from "../../ui/button.ts";
import { SetPicture } from "./SetPicture.tsx";

interface Props {
  view: EventView;
  onShow(set: number): void;
  tell(entry: EventEntry): Promise<void>;
}

/** The sets that fill, or are looked at. */
export function OpenSets({ view, onShow, tell }: Props) {
  const open = view.state.sets.filter(({ state }) => state === "filling" || state === "shown");
  return (
    <section
      aria-label="Sets that fill"
      className="flex flex-col items-center gap-6 overflow-auto bg-table p-4"
    >
      {open.length === 0 && (
        <div className="mt-10 text-center text-[13px] text-ink-2">
          <p className="font-semibold text-ink">No set is begun</p>
          <p className="mt-1">The next photo begins set {view.state.sets.length + 1}.</p>
        </div>
      )}
      {open.map((set) => (
        <OpenSet key={set.number} view={view} set={set} onShow={onShow} tell={tell} />
      ))}
    </section>
  );
}

function OpenSet({ view, set, onShow, tell }: Props & { set: EventSet }) {
  const { number, shots, state } = set;
  const next = shots.indexOf(null) + 1;
  return (
    <article aria-label={`Set ${number}`} className="flex w-full flex-col items-center gap-3">
      <h2 className="text-[14px] font-semibold">Set {number}</h2>
      <SetPicture view={view} set={set} className="h-[min(290px,34vh)] max-w-full" label={`Set ${number}`} />
      <p className="text-[12.5px] text-ink-2">
        {state === "shown" ? "the guests look at it" : `waiting for shot ${next} of ${shots.length}`}
      </p>
      <div className="flex flex-wrap justify-center gap-1.5">
        {shots.map(
          (shot, i) =>
            shot && (
              <button
                key={i}
                type="button"
                className={button.plain}
                onClick={() => void tell({ do: "retake", set: number, place: i + 1 })}
              >
                Retake {i + 1}
              </button>
            ),
        )}
        {shots.some((shot) => shot !== null) && (
          <button type="button" className={button.plain} onClick={() => onShow(number)}>
            Crop
          </button>
        )}
        {state === "shown" && (
          <button
            type="button"
            className={button.main}
            onClick={() => void tell({ do: "accept", set: number, copies: view.state.setup.copies })}
          >
            Print it
          </button>
        )}
        <button
          type="button"
          className={button.plain}
          onClick={() => void tell({ do: "leave", set: number })}
        >
          Leave it
        </button>
      </div>
    </article>
  );
}
