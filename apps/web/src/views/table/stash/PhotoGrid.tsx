import { useVirtualizer } from "@tanstack/react-virtual";
import { baseName, type PhotoRef } from "@wide-quilt/core";
import { Star } from "lucide-react";
import { memo, useCallback, useRef, type KeyboardEvent, type MouseEvent } from "react";
import { address } from "../../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { useLaterSelector } from "../../../app/later.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { selectUses } from "../../../table/sheets.ts";
import { photoChosen, photosChosen } from "../../../table/view.ts";
import { PHOTO_DRAG } from "./drag.ts";

const COLUMNS = 2;
/** A row with the room below it, in CSS pixels. */
const ROW = 108;

/** Photos as tiles; of thousands only those are drawn that are seen. */
export function PhotoGrid({ photos }: { photos: readonly PhotoRef[] }) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- what it returns is used in this component alone
  const rows = useVirtualizer({
    count: Math.ceil(photos.length / COLUMNS),
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 5,
  });
  const shown = useRef(photos);
  shown.current = photos;
  const choose = useChoosing(shown);
  const onKeyDown = (event: KeyboardEvent) => {
    if (!(event.target instanceof HTMLElement)) return;
    const at = photos.findIndex(({ id }) => id === (event.target as HTMLElement).dataset.photo);
    const way = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -COLUMNS, ArrowDown: COLUMNS }[event.key];
    const next = way === undefined || at === -1 ? undefined : photos[at + way];
    if (!next) return;
    event.preventDefault();
    rows.scrollToIndex(Math.floor((at + way!) / COLUMNS));
    const focus = () => {
      const tile = scroller.current?.querySelector<HTMLElement>(`[data-photo="${next.id}"]`);
      tile?.focus({ preventScroll: true });
      return tile;
    };
    // A tile far away is drawn first.
    if (!focus()) requestAnimationFrame(focus);
  };
  return (
    <div ref={scroller} className="min-h-[120px] overflow-y-auto px-3.5 pt-1" onKeyDown={onKeyDown}>
      <ul className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().flatMap(({ index, start }) =>
          photos.slice(index * COLUMNS, (index + 1) * COLUMNS).map((photo, column) => (
            <li
              key={photo.id}
              className="absolute w-[calc(50%-4px)]"
              style={{ top: start, left: column === 0 ? 0 : "calc(50% + 4px)" }}
              aria-setsize={photos.length}
              aria-posinset={index * COLUMNS + column + 1}
            >
              <Tile photo={photo} onChoose={choose} />
            </li>
          )),
        )}
      </ul>
    </div>
  );
}

/** A click chooses one photo; with Ctrl one more or one less, with Shift all up to it. */
function useChoosing(photos: { current: readonly PhotoRef[] }) {
  const dispatch = useAppDispatch();
  return useCallback(
    (id: string, event: MouseEvent) => {
      const { photo, morePhotos } = store.getState().view;
      const all = photo === null ? [] : [photo, ...morePhotos];
      if (event.ctrlKey || event.metaKey) {
        dispatch(photosChosen(all.includes(id) ? all.filter((one) => one !== id) : [...all, id]));
      } else if (event.shiftKey && photo !== null) {
        const places = [photo, id].map((one) => photos.current.findIndex((shown) => shown.id === one));
        const [from, to] = [Math.min(...places), Math.max(...places)];
        const run = photos.current.slice(Math.max(0, from), to + 1).map((shown) => shown.id);
        dispatch(photosChosen([photo, ...run.filter((one) => one !== photo)]));
      } else dispatch(photoChosen(photo === id && morePhotos.length === 0 ? null : id));
    },
    [dispatch, photos],
  );
}

interface TileProps {
  photo: PhotoRef;
  onChoose(id: string, event: MouseEvent): void;
}

const Tile = memo(function Tile({ photo: { id, name, stars = 0 }, onChoose }: TileProps) {
  const dispatch = useAppDispatch();
  const uses = useLaterSelector((state) => selectUses(state).get(id) ?? 0);
  const here = useAppSelector((state) => id in state.openJob.photos);
  const chosen = useAppSelector(({ view }) => view.photo === id || view.morePhotos.includes(id));
  const putInAll = () => dispatch(edit({ do: "put in all", photo: id }));
  const those = () => {
    const { photo, morePhotos } = store.getState().view;
    return chosen && photo !== null ? [photo, ...morePhotos] : [id];
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") putInAll();
    else if (event.key === "Delete") dispatch(edit({ do: "remove photos", photos: those() }));
    else if (/^[0-5]$/.test(event.key) && !event.ctrlKey && !event.metaKey)
      dispatch(edit({ do: "mark photos", photos: those(), change: { stars: Number(event.key) } }));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <button
      type="button"
      data-photo={id}
      aria-pressed={chosen}
      aria-label={`${name}${here ? "" : ", file missing"}${stars > 0 ? `, ${stars} of 5 stars` : ""}, in ${uses === 1 ? "1 cell" : `${uses} cells`}`}
      draggable={here}
      className={`relative block h-[100px] w-full overflow-hidden rounded-[5px] bg-line ${chosen ? "outline-2 outline-offset-1 outline-accent" : ""}`}
      onDragStart={(event) => {
        event.dataTransfer.setData(PHOTO_DRAG, id);
        event.dataTransfer.effectAllowed = "copy";
      }}
      onClick={(event) => onChoose(id, event)}
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
      {stars > 0 && (
        <span className="absolute top-1 left-1 flex items-center gap-0.5 rounded bg-ink/75 px-1 py-0.5 text-[11px] text-white">
          <Star size={10} aria-hidden fill="currentColor" />
          {stars}
        </span>
      )}
      <span className="absolute inset-x-0 bottom-0 flex justify-between gap-1 bg-ink/75 px-1.5 py-0.5 text-[11px] text-white">
        <span className="truncate">{baseName(name)}</span>
        {uses > 0 && <span className="measure">×{uses}</span>}
      </span>
    </button>
  );
});
