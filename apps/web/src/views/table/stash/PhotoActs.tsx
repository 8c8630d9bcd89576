import type { PhotoRef } from "@wide-quilt/core";
import { Replace, ScanFace, Star, X } from "lucide-react";
import { useState } from "react";
import { server } from "../../../api/client.ts";
import { sentenceOf } from "../../../api/problem.ts";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { noticed } from "../../../app/noticeSlice.ts";
import { HeadEditor } from "../../../portraits/HeadEditor.tsx";
import { edit } from "../../../table/edits.ts";
import { putInCell } from "../../../table/putIn.ts";
import { photosCame } from "../../../table/openJob.ts";
import { selectCell, selectPlaces } from "../../../table/sheets.ts";
import { cellSelected, photoChosen, photosChosen, sheetTurned } from "../../../table/view.ts";
import { FileButton } from "../../../ui/FileButton.tsx";
import { button } from "../../../ui/button.ts";
import { ACCEPTED } from "./useArrivals.ts";

const small = "!px-2 !py-1 !text-[12px]";

/** What can be done with the photos that are chosen in the stash. */
export function PhotoActs({ shown }: { shown: readonly PhotoRef[] }) {
  const dispatch = useAppDispatch();
  const first = useAppSelector((state) => state.view.photo);
  const more = useAppSelector((state) => state.view.morePhotos);
  const stash = useAppSelector((state) => state.openJob.job?.stash);
  const cell = useAppSelector(selectCell);
  const photo = stash?.find(({ id }) => id === first);
  if (!photo) return null;
  const ids = [photo.id, ...more];
  const one = ids.length === 1;
  return (
    <section aria-label="Chosen photos" className="mt-2 flex flex-col gap-2 border-t border-line pt-2">
      <p className="flex items-center justify-between gap-1 text-[12px]">
        <span className="truncate font-semibold" title={photo.name}>
          {one ? photo.name : `${ids.length} photos`}
        </span>
        <button
          type="button"
          aria-label="Choose none"
          title="Choose none"
          className="-my-1 rounded p-1.5 text-ink-3 hover:bg-white"
          onClick={() => dispatch(photoChosen(null))}
        >
          <X size={13} aria-hidden />
        </button>
      </p>
      <div className="flex flex-wrap gap-1.5">
        {one && (
          <button
            type="button"
            className={`${button.main} ${small} grow`}
            onClick={() => dispatch(edit({ do: "put in all", photo: photo.id }))}
          >
            Put in all
          </button>
        )}
        {one && cell && (
          <button
            type="button"
            className={`${button.plain} ${small}`}
            onClick={() => dispatch(putInCell(cell, photo.id))}
          >
            In cell {cell.number}
          </button>
        )}
        {shown.length > ids.length && (
          <button
            type="button"
            className={`${button.plain} ${small}`}
            onClick={() => dispatch(photosChosen(shown.map(({ id }) => id)))}
          >
            All {shown.length}
          </button>
        )}
        <button
          type="button"
          className={`${button.plain} ${small}`}
          onClick={() => {
            dispatch(edit({ do: "remove photos", photos: ids }));
            dispatch(photoChosen(null));
          }}
        >
          Remove
        </button>
      </div>
      <Stars ids={ids} stars={photo.stars ?? 0} />
      <Tags ids={ids} photo={photo} />
      {one && <Places id={photo.id} />}
      {one && (
        <div className="-ml-2 flex flex-wrap">
          <Heads photo={photo} />
          <ReplaceEverywhere photo={photo} />
        </div>
      )}
    </section>
  );
}

/** The rating of the chosen photos. */
function Stars({ ids, stars }: { ids: string[]; stars: number }) {
  const dispatch = useAppDispatch();
  return (
    <div role="group" aria-label="Rating" className="flex items-center">
      {[1, 2, 3, 4, 5].map((number) => (
        <button
          key={number}
          type="button"
          aria-label={number === 1 ? "1 star" : `${number} stars`}
          aria-pressed={number === stars}
          title={number === stars ? "Take the rating away" : `${number} of 5`}
          className="rounded p-1.5 text-ink-2 hover:text-accent"
          onClick={() =>
            dispatch(
              edit({ do: "mark photos", photos: ids, change: { stars: number === stars ? 0 : number } }),
            )
          }
        >
          <Star size={16} aria-hidden fill={number <= stars ? "currentColor" : "none"} />
        </button>
      ))}
    </div>
  );
}

/** Tags and the folder of the chosen photos. */
function Tags({ ids, photo }: { ids: string[]; photo: PhotoRef }) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState("");
  const tag = (name: string, on: boolean) => dispatch(edit({ do: "tag photos", photos: ids, tag: name, on }));
  const take = () => {
    if (typed.trim() !== "") tag(typed.trim().slice(0, 60), true);
    setTyped("");
  };
  return (
    <div className="flex flex-col gap-1.5">
      <div className="flex flex-wrap items-center gap-1">
        {(photo.tags ?? []).map((name) => (
          <button
            key={name}
            type="button"
            aria-label={`Take the tag ${name} away`}
            className="flex items-center gap-1 rounded-full bg-white px-2 py-1 text-[11.5px] text-ink-2 hover:text-wrong"
            onClick={() => tag(name, false)}
          >
            {name} <X size={10} aria-hidden />
          </button>
        ))}
        <input
          aria-label="New tag"
          placeholder="tag"
          value={typed}
          maxLength={60}
          className="w-16 grow rounded-md border border-edge bg-white px-1.5 py-1 text-[12px] placeholder:text-ink-3"
          onChange={({ target }) => setTyped(target.value)}
          onBlur={take}
          onKeyDown={(event) => event.key === "Enter" && take()}
        />
      </div>
      <input
        key={photo.id}
        aria-label="Folder"
        placeholder="in no folder"
        defaultValue={photo.folder ?? ""}
        maxLength={200}
        className="w-full rounded-md border border-edge bg-white px-1.5 py-1 text-[12px] placeholder:text-ink-3"
        onBlur={({ target }) => {
          const folder = target.value.trim();
          if (folder !== (photo.folder ?? "")) {
            dispatch(edit({ do: "mark photos", photos: ids, change: { folder } }));
          }
        }}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      />
    </div>
  );
}

/** How many places are listed. */
const MOST_PLACES = 4;

/** Where a photo is used; choosing a place goes there. */
function Places({ id }: { id: string }) {
  const dispatch = useAppDispatch();
  const places = useAppSelector((state) => selectPlaces(state).get(id));
  if (!places) return <p className="text-[12px] text-ink-3">In no cell yet.</p>;
  return (
    <p className="text-[12px] text-ink-2">
      In{" "}
      {places.slice(0, MOST_PLACES).map(({ sheet, cell }, i) => (
        <span key={cell.key}>
          {i > 0 && ", "}
          <button
            type="button"
            className="text-accent underline underline-offset-2"
            onClick={() => {
              dispatch(sheetTurned(sheet));
              dispatch(cellSelected(cell.key));
            }}
          >
            sheet {sheet} cell {cell.number}
          </button>
        </span>
      ))}
      {places.length > MOST_PLACES && ` and ${places.length - MOST_PLACES} more`}
    </p>
  );
}

/** How many heads are known in a photo; they are looked at and corrected in their editor. */
function Heads({ photo }: { photo: PhotoRef }) {
  const [open, setOpen] = useState(false);
  const record = useAppSelector((state) => state.openJob.photos[photo.id]);
  if (!record) return null;
  const count = record.seen?.heads.length;
  return (
    <>
      <button type="button" className={`${button.quiet} ${small}`} onClick={() => setOpen(true)}>
        <ScanFace size={13} aria-hidden />
        {count === undefined ? "Heads" : count === 0 ? "No head" : count === 1 ? "1 head" : `${count} heads`}
      </button>
      {open && (
        <HeadEditor
          photo={photo.id}
          record={record}
          name={photo.name}
          report={null}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}

/** Another file for a photo in every cell that shows it; everything set by hand stays. */
function ReplaceEverywhere({ photo }: { photo: PhotoRef }) {
  const dispatch = useAppDispatch();
  const replace = async ([file]: File[]) => {
    if (!file) return;
    try {
      const taken = await server.addPhoto(file);
      if ("refused" in taken) {
        dispatch(noticed(`${taken.refused.name}: ${taken.refused.why}`, "wrong"));
        return;
      }
      const { id, name, ...record } = taken.photo;
      dispatch(photosCame({ [id]: record }));
      dispatch(edit({ do: "relink photo", photo: photo.id, to: { id, name } }));
      dispatch(photoChosen(id));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  return (
    <FileButton
      label="File to replace it with"
      accept={ACCEPTED}
      className={`${button.quiet} ${small}`}
      onFiles={(files) => void replace(files)}
    >
      <Replace size={13} aria-hidden /> Replace everywhere
    </FileButton>
  );
}
