import { ImagePlus, Pause, Play } from "lucide-react";
import { memo, useMemo, useRef, useState } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { newId } from "../../../app/ids.ts";
import { useLaterSelector } from "../../../app/later.ts";
import { edit } from "../../../table/edits.ts";
import { pauseHeads, selectLooking } from "../../../table/heads.ts";
import { selectEmpty, selectPicked, selectUses } from "../../../table/sheets.ts";
import { Progress } from "../../../ui/Progress.tsx";
import { SearchField } from "../../../ui/SearchField.tsx";
import { button } from "../../../ui/button.ts";
import { PhotoActs } from "./PhotoActs.tsx";
import { PhotoGrid } from "./PhotoGrid.tsx";
import { Refused } from "./Refused.tsx";
import { ShownMenu } from "./ShownMenu.tsx";
import { PHOTO_FILES } from "./drag.ts";
import { ACCEPTED, useArrivals } from "./useArrivals.ts";

/** From this many photos on, searching and sorting are worth their room. */
const MANY = 5;

/** How far the search for heads in photos is. It waits for nobody, and nobody waits for it. */
function LookingForHeads() {
  const dispatch = useAppDispatch();
  const looking = useLaterSelector(selectLooking);
  if (!looking) return null;
  const { done, of, paused, why } = looking;
  return (
    <div className="mt-3 flex items-center gap-2 text-[12px] text-ink-2">
      <span role="status" className="min-w-0 grow">
        {why ?? `${paused ? "Heads: paused at" : "Looking for heads:"} ${done} of ${of}`}
      </span>
      <button
        type="button"
        className="rounded p-1.5 text-ink-2 hover:bg-white"
        aria-label={paused ? "Look for heads again" : "Pause looking for heads"}
        title={paused ? "Look on" : "Pause"}
        onClick={() => void dispatch(pauseHeads(!paused))}
      >
        {paused ? <Play size={13} aria-hidden /> : <Pause size={13} aria-hidden />}
      </button>
    </div>
  );
}

/** The photos of the job: brought in, found, put in cells. */
export const Stash = memo(function Stash() {
  const chooser = useRef<HTMLInputElement>(null);
  const [search, setSearch] = useState("");
  const { arriving, refused, bring, cancel, forgetRefused, isOver } = useArrivals();
  const picked = useAppSelector(selectPicked);
  const shows = useAppSelector((state) => state.view.uses);
  // Only where it matters, for it changes with every step of a drag.
  const uses = useLaterSelector((state) => (state.view.uses === "all" ? null : selectUses(state)));
  const found = useMemo(() => {
    const wanted = search.trim().toLowerCase();
    return picked.filter(
      ({ id, name }) =>
        (wanted === "" || name.toLowerCase().includes(wanted)) &&
        (uses === null || uses.has(id) === (shows === "used")),
    );
  }, [picked, search, shows, uses]);
  const count = useAppSelector((state) => state.openJob.job?.stash.length ?? 0);
  return (
    <aside aria-label="Photos" className="flex min-h-0 flex-col border-r border-line bg-chrome pb-3.5">
      <div className="px-3.5 pt-3.5">
        <h2 className="mb-2.5 flex justify-between text-[13px] font-semibold">
          Photos
          <span className="font-normal text-ink-3">
            {found.length === count
              ? count === 1
                ? "1 in this job"
                : `${count} in this job`
              : `${found.length} of ${count}`}
          </span>
        </h2>
        {count >= MANY && (
          <div className="mb-2.5 flex gap-1.5">
            <SearchField
              className="min-w-0 grow"
              label="Search photos by name"
              placeholder="Search by name"
              value={search}
              onChange={setSearch}
            />
            <ShownMenu />
          </div>
        )}
      </div>
      {found.length > 0 && <PhotoGrid photos={found} />}
      {count > 0 && found.length === 0 && (
        <p className="px-3.5 py-2 text-[12.5px] text-ink-2">
          {search.trim() === ""
            ? "No photo is left by what is shown."
            : `No photo has “${search}” in its name.`}
        </p>
      )}
      <div className="max-h-[75%] shrink-0 overflow-y-auto px-3.5">
        <PhotoActs shown={found} />
        {arriving && (
          <div className="mt-3 flex flex-col gap-2">
            <Progress label="Bringing photos in" done={arriving.done} of={arriving.of} />
            <button type="button" className={button.plain} onClick={cancel}>
              Cancel
            </button>
          </div>
        )}
        <LookingForHeads />
        <FillEmpty />
        {refused.length > 0 && <Refused refused={refused} onClose={forgetRefused} />}
        <input
          ref={chooser}
          id={PHOTO_FILES}
          type="file"
          multiple
          accept={ACCEPTED}
          aria-label="Photo files"
          tabIndex={-1}
          className="sr-only"
          onChange={(event) => {
            const files = [...(event.target.files ?? [])];
            event.target.value = "";
            void bring(files);
          }}
        />
        <button
          type="button"
          className={`gently mt-3 flex w-full flex-col items-center gap-1 rounded-lg border-[1.5px] border-dashed p-3 text-[12.5px] transition-colors ${isOver ? "border-accent bg-accent-soft text-accent" : "border-edge text-ink-2 hover:border-accent hover:text-accent"}`}
          onClick={() => chooser.current?.click()}
        >
          <ImagePlus size={18} aria-hidden />
          <span>
            Drop photos or folders here
            <br />
            or <span className="underline underline-offset-2">choose files</span>
          </span>
        </button>
      </div>
    </aside>
  );
});

/** Photos that are in no cell go into the empty cells in their order, as one step. */
function FillEmpty() {
  const dispatch = useAppDispatch();
  const picked = useAppSelector(selectPicked);
  const uses = useLaterSelector(selectUses);
  const empty = useLaterSelector(selectEmpty);
  const unused = picked.filter(({ id }) => !uses.has(id));
  const count = Math.min(unused.length, empty.length);
  if (count === 0) return null;
  const fill = () => {
    const gesture = newId();
    for (let i = 0; i < count; i++) {
      dispatch(edit({ do: "put in one", cell: empty[i]!, photo: unused[i]!.id }, gesture));
    }
  };
  return (
    <button type="button" className={`${button.plain} mt-3 w-full`} onClick={fill}>
      {count === 1 ? "Fill the empty cell" : `Fill ${count} empty cells in order`}
    </button>
  );
}
