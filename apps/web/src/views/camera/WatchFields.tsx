import type { WatchView } from "@wide-quilt/server/contract";
import { FolderSearch } from "lucide-react";
import { useState } from "react";
import { button } from "../../ui/button.ts";

interface Props {
  watched: WatchView;
  onStart(folder: string): void;
  onStop(): void;
}

/** The folder that a tethered camera writes to: what comes there goes to whoever’s turn it is. */
export function WatchFields({ watched: { folder, before, fault }, onStart, onStop }: Props) {
  const [typed, setTyped] = useState("");
  if (folder !== null) {
    return (
      <div className="flex flex-col gap-1.5 text-[12.5px]">
        <p className={fault === null ? "text-ink-2" : "text-wrong"} role="status">
          {fault ?? (
            <>
              Photos that come into <b className="font-semibold break-all text-ink">{folder}</b> go to the
              person whose turn it is.
              {before > 0 && ` The ${before} that were in it before stay out.`}
            </>
          )}
        </p>
        <button type="button" className={`${button.plain} self-start`} onClick={onStop}>
          Stop watching
        </button>
      </div>
    );
  }
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim() !== "") onStart(typed);
      }}
    >
      <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
        Folder that it writes to
        <input
          value={typed}
          maxLength={1000}
          placeholder="/home/me/Pictures/Today"
          className="rounded-md border border-edge bg-white px-2 py-1.5 text-[13px] text-ink"
          onChange={({ target }) => setTyped(target.value)}
        />
      </label>
      <button type="submit" className={`${button.plain} self-start`} disabled={typed.trim() === ""}>
        <FolderSearch size={15} aria-hidden /> Watch this folder
      </button>
    </form>
  );
}
