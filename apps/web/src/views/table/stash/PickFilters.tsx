import type { Pick } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";

/** Narrows the photos that are shown by rating, tag and folder, as far as the stash has any. */
export function PickFilters() {
  const dispatch = useAppDispatch();
  const pick = useAppSelector((state) => state.openJob.job?.pick);
  const stash = useAppSelector((state) => state.openJob.job?.stash);
  if (!pick || !stash) return null;
  const change = (next: Partial<Pick>) => dispatch(edit({ do: "pick", change: next }));
  const tags = [...new Set(stash.flatMap((photo) => photo.tags ?? []))].sort();
  const folders = [...new Set(stash.map((photo) => photo.folder ?? ""))].sort();
  return (
    <div className="flex flex-col gap-2">
      <Choice
        label="Rating"
        value={String(pick.stars)}
        onChange={(stars) => change({ stars: Number(stars) })}
      >
        <option value="0">any rating</option>
        {[1, 2, 3, 4].map((stars) => (
          <option key={stars} value={stars}>
            {stars === 1 ? "1 star or more" : `${stars} stars or more`}
          </option>
        ))}
        <option value="5">5 stars</option>
      </Choice>
      {tags.length > 0 && (
        <Choice
          label="Tag"
          value={pick.tag ?? ""}
          onChange={(tag) => change({ tag: tag === "" ? null : tag })}
        >
          <option value="">any tag</option>
          {tags.map((tag) => (
            <option key={tag}>{tag}</option>
          ))}
        </Choice>
      )}
      {folders.length > 1 && (
        <Choice
          label="Folder"
          value={pick.folder === null ? "*" : `/${pick.folder}`}
          onChange={(folder) => change({ folder: folder === "*" ? null : folder.slice(1) })}
        >
          <option value="*">any folder</option>
          {folders.map((folder) => (
            <option key={folder} value={`/${folder}`}>
              {folder === "" ? "in no folder" : folder}
            </option>
          ))}
        </Choice>
      )}
    </div>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  onChange(value: string): void;
  children: React.ReactNode;
}

export function Choice({ label, value, onChange, children }: ChoiceProps) {
  return (
    <label className="grid grid-cols-[54px_minmax(0,1fr)] items-center gap-1.5 text-[12.5px] text-ink-2">
      {label}
      <select
        className="w-full rounded-md border border-edge bg-white px-1.5 py-1 text-ink"
        value={value}
        onChange={({ target }) => onChange(target.value)}
      >
        {children}
      </select>
    </label>
  );
}
