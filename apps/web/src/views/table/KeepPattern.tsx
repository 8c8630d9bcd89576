import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { BookMarked } from "lucide-react";
import { useEffect, useId, useState } from "react";
import { server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { settled } from "../../table/edits.ts";
import { selectSheets } from "../../table/sheets.ts";
import { button } from "../../ui/button.ts";

/** “Keep as pattern”: the layout without its photos, under a name and in a folder. */
export function KeepPattern({ id, name }: { id: string | null; name: string }) {
  return (
    <Popover>
      <PopoverButton className={button.plain} title="Keep the layout without its photos">
        <BookMarked size={15} aria-hidden />
        <span className="max-[1320px]:sr-only">Keep as pattern</span>
      </PopoverButton>
      <PopoverPanel
        focus
        anchor={{ to: "bottom end", gap: 6, padding: 12 }}
        role="dialog"
        aria-label="Keep as pattern"
        className="z-30 w-[320px] rounded-xl border border-line bg-white p-3.5 text-[13px] shadow-xl"
      >
        {({ close }) => <>{id !== null && <Form id={id} jobName={name} onDone={close} />}</>}
      </PopoverPanel>
    </Popover>
  );
}

function Form({ id, jobName, onDone }: { id: string; jobName: string; onDone(): void }) {
  const dispatch = useAppDispatch();
  const sheet = useAppSelector(selectSheets)[0];
  const [name, setName] = useState(jobName);
  const [folder, setFolder] = useState("");
  const folders = useFolders();
  const nameId = useId();
  const folderId = useId();
  const keep = async () => {
    try {
      // What is on its way to the server belongs to the pattern too.
      await dispatch(settled());
      await server.keepPattern(id, name, folder);
      dispatch(
        noticed(
          `“${name.trim()}” is in the pattern book. Photos are left out, everything else is kept.`,
          "right",
        ),
      );
      onDone();
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      {sheet && (
        <span className="flex h-32 items-center justify-center rounded-lg bg-table p-3">
          <SheetPicture
            plan={sheet}
            cellsAs="places"
            photo={() => ""}
            className="max-h-full max-w-full bg-white shadow"
          />
        </span>
      )}
      <label htmlFor={nameId} className="flex flex-col gap-1">
        Name
        <input
          id={nameId}
          required
          maxLength={200}
          value={name}
          className={FIELD}
          onChange={({ target }) => setName(target.value)}
        />
      </label>
      <label htmlFor={folderId} className="flex flex-col gap-1">
        Folder, if you like
        <input
          id={folderId}
          maxLength={100}
          value={folder}
          list={`${folderId}list`}
          className={FIELD}
          onChange={({ target }) => setFolder(target.value)}
        />
        <datalist id={`${folderId}list`}>
          {folders.map((known) => (
            <option key={known} value={known} />
          ))}
        </datalist>
      </label>
      <button type="submit" className={button.main} disabled={name.trim() === ""}>
        Keep
      </button>
    </form>
  );
}

const FIELD = "rounded-md border border-edge bg-white px-2 py-1.5";

/** The folders that there are in the pattern book. */
function useFolders(): readonly string[] {
  const [folders, setFolders] = useState<readonly string[]>([]);
  useEffect(() => {
    let gone = false;
    server
      .listPatterns()
      .then((patterns) => !gone && setFolders([...new Set(patterns.flatMap(({ folder }) => folder || []))]))
      // Without the list one types the folder's name.
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, []);
  return folders;
}
