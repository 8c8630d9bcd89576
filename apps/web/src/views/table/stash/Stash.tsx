import { ImagePlus, X } from "lucide-react";
import { memo, useMemo, useRef, useState, type KeyboardEvent } from "react";
import type { PhotoRef } from "@wide-quilt/core";
import { address } from "../../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { selectCell, selectEmpty, selectUses } from "../../../table/sheets.ts";
import { photoChosen } from "../../../table/view.ts";
import { button } from "../../../ui/button.ts";
import { SearchField } from "../../../ui/SearchField.tsx";
import { Progress } from "../../../ui/Progress.tsx";
import { PHOTO_DRAG, PHOTO_FILES } from "./drag.ts";
import { ACCEPTED, useArrivals } from "./useArrivals.ts";

/** From this many photos on, searching is worth a field. */
const MANY = 5;
/** What the file chooser offers; the server looks at the content. */

/** The photos of the job: brought in, found, put in cells. */
export const Stash = memo(function Stash({ stash }: { stash: readonly PhotoRef[] }) {
  const chooser = useRef<HTMLInputElement>(null);
  const [search, setSearch] = useState("");
  const { arriving, refused, bring, cancel, forgetRefused, isOver } = useArrivals();
  const found = useMemo(() => {
    const wanted = search.trim().toLowerCase();
    return wanted === "" ? stash : stash.filter(({ name }) => name.toLowerCase().includes(wanted));
  }, [stash, search]);
  const count = stash.length;
  return (
    <aside aria-label="Photos" className="flex min-h-0 flex-col border-r border-line bg-chrome">
      <div className="px-3.5 pt-3.5">
        <h2 className="mb-2.5 flex justify-between text-[13px] font-semibold">
          Photos
          <span className="font-normal text-ink-3">
            {count === 1 ? "1 in this job" : `${count} in this job`}
          </span>
        </h2>
        {count >= MANY && (
          <SearchField
            className="mb-2.5"
            label="Search photos by name"
            placeholder="Search by name"
            value={search}
            onChange={setSearch}
          />
        )}
      </div>
      <div className="min-h-0 grow overflow-y-auto px-3.5 pb-3.5">
        {found.length > 0 && <PhotoGrid photos={found} />}
        {count > 0 && found.length === 0 && (
          <p className="py-2 text-[12.5px] text-ink-2">No photo has “{search}” in its name.</p>
        )}
        {arriving && (
          <div className="mt-3 flex flex-col gap-2">
            <Progress label="Bringing photos in" done={arriving.done} of={arriving.of} />
            <button type="button" className={button.plain} onClick={cancel}>
              Cancel
            </button>
          </div>
        )}
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
          className={`gently mt-3 flex w-full flex-col items-center gap-1 rounded-lg border-[1.5px] border-dashed p-3.5 text-[12.5px] transition-colors ${isOver ? "border-accent bg-accent-soft text-accent" : "border-edge text-ink-2 hover:border-accent hover:text-accent"}`}
          onClick={() => chooser.current?.click()}
        >
          <ImagePlus size={18} aria-hidden />
          <span>
            Drop photos here
            <br />
            or <span className="underline underline-offset-2">choose files</span>
          </span>
        </button>
      </div>
    </aside>
  );
});

function PhotoGrid({ photos }: { photos: readonly PhotoRef[] }) {
  const chosen = useAppSelector((state) => state.view.photo);
  return (
    <ul className="grid grid-cols-2 gap-2">
      {photos.map((photo) => (
        <Photo key={photo.id} photo={photo} chosen={photo.id === chosen} />
      ))}
    </ul>
  );
}

function Photo({ photo, chosen }: { photo: PhotoRef; chosen: boolean }) {
  const dispatch = useAppDispatch();
  const { id, name } = photo;
  const uses = useAppSelector((state) => selectUses(state).get(id) ?? 0);
  const here = useAppSelector((state) => id in state.openJob.photos);
  const putInAll = () => dispatch(edit({ do: "put in all", photo: id }));
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") putInAll();
    else if (event.key === "Delete") dispatch(edit({ do: "remove photo", photo: id }));
    else return;
    event.preventDefault();
  };
  return (
    <li className={chosen ? "col-span-2" : ""}>
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`${name}${here ? "" : ", file missing"}, in ${uses === 1 ? "1 cell" : `${uses} cells`}`}
        draggable={here}
        className={`relative block h-[100px] w-full overflow-hidden rounded-[5px] bg-line ${chosen ? "outline-2 outline-offset-2 outline-accent" : ""}`}
        onDragStart={(event) => {
          event.dataTransfer.setData(PHOTO_DRAG, id);
          event.dataTransfer.effectAllowed = "copy";
        }}
        onClick={() => dispatch(photoChosen(chosen ? null : id))}
        onDoubleClick={putInAll}
        onKeyDown={onKeyDown}
      >
        {here ? (
          <img
            src={address.preview(id, 320)}
            alt=""
            loading="lazy"
            draggable={false}
            className="h-full w-full object-cover"
          />
        ) : (
          <span className="flex h-full items-center justify-center px-2 text-[12px] text-wrong">
            file missing
          </span>
        )}
        <span className="absolute inset-x-0 bottom-0 flex justify-between gap-1 bg-ink/75 px-1.5 py-0.5 text-[11px] text-white">
          <span className="truncate">{name.replace(/\.[^.]+$/, "")}</span>
          {uses > 0 && <span className="measure">×{uses}</span>}
        </span>
      </button>
      {chosen && <PhotoActs photo={photo} onAll={putInAll} />}
    </li>
  );
}

function PhotoActs({ photo: { id }, onAll }: { photo: PhotoRef; onAll(): void }) {
  const dispatch = useAppDispatch();
  const cell = useAppSelector(selectCell);
  return (
    <div className="mt-2 mb-1 flex flex-wrap gap-1.5">
      <button type="button" className={`${button.main} grow`} onClick={onAll}>
        Put in all
      </button>
      {cell && (
        <button
          type="button"
          className={button.plain}
          onClick={() => dispatch(edit({ do: "put in one", cell: cell.key, photo: id }))}
        >
          In cell {cell.number}
        </button>
      )}
      <button
        type="button"
        className={button.plain}
        onClick={() => {
          dispatch(edit({ do: "remove photo", photo: id }));
          dispatch(photoChosen(null));
        }}
      >
        Remove
      </button>
    </div>
  );
}

/** Photos that are in no cell go into the empty cells in their order, as one step. */
function FillEmpty() {
  const dispatch = useAppDispatch();
  const stash = useAppSelector((state) => state.openJob.job?.stash);
  const uses = useAppSelector(selectUses);
  const empty = useAppSelector(selectEmpty);
  const unused = stash?.filter(({ id }) => !uses.has(id)) ?? [];
  const count = Math.min(unused.length, empty.length);
  if (count === 0) return null;
  const fill = () => {
    const gesture = crypto.randomUUID();
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

function Refused({ refused, onClose }: { refused: { name: string; why: string }[]; onClose(): void }) {
  return (
    <section
      role="alert"
      aria-label="Not brought in"
      className="mt-3 rounded-lg bg-wrong-soft p-3 text-[12.5px]"
    >
      <div className="mb-1 flex items-start justify-between">
        <h3 className="font-semibold text-wrong">
          {refused.length === 1
            ? "One file was not brought in"
            : `${refused.length} files were not brought in`}
        </h3>
        <button type="button" aria-label="Close" className="rounded p-0.5 hover:bg-white" onClick={onClose}>
          <X size={14} aria-hidden />
        </button>
      </div>
      <ul className="flex flex-col gap-1.5">
        {refused.map(({ name, why }, i) => (
          <li key={i}>
            <b className="font-semibold break-all">{name}</b>: {why}
          </li>
        ))}
      </ul>
    </section>
  );
}
