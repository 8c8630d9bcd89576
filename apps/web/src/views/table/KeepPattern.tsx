import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { BookMarked } from "lucide-react";
import { useEffect, useId, useState } from "react";
import { useNavigate } from "react-router";
import { makeFor, sayCorrection } from "@wide-quilt/core";
import type { OfPattern, PatternView } from "@wide-quilt/server/contract";
import { server } from "../../api/client.ts";
import { changed } from "../../api/queries.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { settled } from "../../table/edits.ts";
import { patternCame } from "../../table/openJob.ts";
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
  const pattern = useAppSelector((state) => state.openJob.pattern);
  const navigate = useNavigate();
  const keep = async (work: () => Promise<PatternView>, said: string) => {
    try {
      // What is on its way to the server belongs to the pattern too.
      await dispatch(settled());
      const kept = await work();
      const target = pattern?.id === kept.id ? pattern.target : null;
      dispatch(patternCame({ id: kept.id, name: kept.name, targets: kept.targets.length, target }));
      dispatch(changed("patterns"));
      dispatch(noticed(said, "right"));
      for (const sentence of lostIn(kept)) dispatch(noticed(sentence, "look"));
      onDone();
      return kept;
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
      return null;
    }
  };
  const keepNew = () =>
    keep(
      () => server.keepPattern(id, name, folder),
      `“${name.trim()}” is in the pattern book. Photos are left out, everything else is kept.`,
    );
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void keepNew();
      }}
    >
      {pattern && (
        <div className="flex flex-col items-start gap-1.5 border-b border-line pb-3">
          <p className="text-ink-2">
            This job was started from “{pattern.name}”
            {pattern.target && `, made for “${pattern.target.name}”`}.
          </p>
          <button
            type="button"
            className={button.main}
            onClick={() => void keep(() => server.keepInPattern(id), saidOf(pattern))}
          >
            {pattern.target ? "Keep as set by hand for it" : "Change the pattern"}
          </button>
          <p className="text-[12px] text-ink-3">{whatFollows(pattern)}</p>
        </div>
      )}
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
      <div className="flex flex-wrap gap-2">
        <button type="submit" className={pattern ? button.plain : button.main} disabled={name.trim() === ""}>
          {pattern ? "Keep as a new pattern" : "Keep"}
        </button>
        <button
          type="button"
          className={button.plain}
          disabled={name.trim() === ""}
          title="Keeps it, and goes on to make it for another printer, paper and page"
          onClick={() => void keepNew().then((kept) => kept && navigate(`/patterns/${kept.id}?make`))}
        >
          Keep, and make it for …
        </button>
      </div>
    </form>
  );
}

/** What was set by hand for other printers and has lost its thing by the change. */
const lostIn = ({ job, targets }: PatternView): string[] =>
  targets.flatMap((target) => {
    const { lost } = makeFor(job, target);
    const what = [...new Set(lost.map((one) => sayCorrection(one, job)))];
    return what.length === 0
      ? []
      : [
          `“${target.for.name}”: what was set by hand for ${what.join(", ")} has nothing to be set for any more.`,
        ];
  });

/** What changes elsewhere by it. */
function whatFollows({ targets, target }: OfPattern): string {
  if (target) {
    return "What differs from the computed layout is kept for this printer, and stays when the pattern itself changes.";
  }
  if (targets === 0) return "Jobs that were started from it before stay as they are.";
  return `It is made anew for ${targets === 1 ? "the other printer" : `its ${targets} other printers`} too; what was set by hand for ${targets === 1 ? "that" : "them"} stays.`;
}

function saidOf({ name, target, targets }: OfPattern): string {
  if (target) return `What was set by hand for “${target.name}” is kept with “${name}”.`;
  return targets === 0
    ? `“${name}” is changed.`
    : `“${name}” is changed, and made anew for ${targets === 1 ? "its other printer" : `its ${targets} other printers`}.`;
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
