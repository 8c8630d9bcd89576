import { JOB_KINDS, kindNamed, standsOf, type Kind } from "@wide-quilt/core";
import { Redo2, TriangleAlert, Undo2 } from "lucide-react";
import { memo, useEffect, useState } from "react";
import { Link } from "react-router";
import { Way, WayToJobs } from "../../app/Way.tsx";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { useLaterSelector } from "../../app/later.ts";
import { store } from "../../app/store.ts";
import { edit, step } from "../../table/edits.ts";
import { selectSheets, selectToCheck } from "../../table/sheets.ts";
import { dragging } from "../../table/view.ts";
import { NameField } from "../../ui/NameField.tsx";
import { button } from "../../ui/button.ts";
import { when } from "../../words/words.ts";
import { TO_CHECK } from "./CheckList.tsx";
import { KeepPattern } from "./KeepPattern.tsx";

/** Where one is, whether it is saved, what can be taken back, and the way to the press. */
export const HeadBar = memo(function HeadBar({ name }: { name: string }) {
  const id = useAppSelector((state) => state.openJob.id);
  const undo = useAppSelector((state) => state.openJob.undo);
  const redo = useAppSelector((state) => state.openJob.redo);
  const theirs = useAppSelector((state) => state.openJob.theirs);
  const found = useLaterSelector(selectToCheck).length;
  const dispatch = useAppDispatch();
  return (
    <header className="flex min-w-0 items-center gap-3.5 border-b border-line bg-white px-4 max-[1320px]:gap-2.5">
      <Way steps={[<WayToJobs key="jobs" />, <JobName key="name" name={name} />]} />
      <KindSwitch />
      <SavedState />
      <span className="grow" />
      <button
        type="button"
        className={button.plain}
        disabled={undo === null}
        title={undoTitle(undo, theirs)}
        onClick={() => void dispatch(step("undo"))}
      >
        <Undo2 size={15} aria-hidden /> <Narrow>Undo</Narrow>
      </button>
      <button
        type="button"
        className={button.plain}
        disabled={redo === null}
        title={redo ? `Redo: ${redo} (Ctrl Shift Z)` : "Nothing to redo"}
        onClick={() => void dispatch(step("redo"))}
      >
        <Redo2 size={15} aria-hidden /> <Narrow>Redo</Narrow>
      </button>
      {found > 0 && (
        <button
          type="button"
          className={button.look}
          onClick={() => document.getElementById(TO_CHECK)?.scrollIntoView({ block: "nearest" })}
        >
          <TriangleAlert size={15} aria-hidden />
          <span>
            {found} <Narrow>{found === 1 ? "thing" : "things"}</Narrow> to check
          </span>
        </button>
      )}
      <KeepPattern id={id} name={name} />
      <Link to={`/jobs/${id}/press`} className={button.main}>
        Print or export
      </Link>
    </header>
  );
});

/** Words that a narrow window does without; they are still read out. */
const Narrow = ({ children }: { children: string }) => (
  <span className="max-[1320px]:sr-only">{children}</span>
);

function undoTitle(undo: string | null, theirs: string | null): string {
  if (undo !== null) return `Undo: ${undo} (Ctrl Z)`;
  return theirs === null
    ? "Nothing to undo"
    : `Nothing of yours to undo; the last change, “${theirs}”, was made in another window that is open`;
}

function JobName({ name }: { name: string }) {
  const [renames, setRenames] = useState(false);
  const dispatch = useAppDispatch();
  if (renames) {
    return (
      <NameField
        name={name}
        className="w-72"
        onDone={(next) => {
          setRenames(false);
          if (next !== null) dispatch(edit({ do: "rename", name: next }));
        }}
      />
    );
  }
  return (
    <h1 className="min-w-0">
      <button
        type="button"
        title="Rename"
        className="max-w-full truncate rounded px-1 font-semibold hover:bg-chrome"
        onClick={() => setRenames(true)}
      >
        {name}
      </button>
    </h1>
  );
}

/** What the job is to become: photos, paper and finish stay when it is changed. */
function KindSwitch() {
  const dispatch = useAppDispatch();
  const kind = useAppSelector((state) => state.openJob.job?.ticket.kind);
  return (
    <select
      aria-label="Kind of job"
      title="Kind of job; photos, paper and finish stay when it is changed, and what you set by hand comes back with its kind"
      className="max-w-44 min-w-0 shrink rounded-md border border-line bg-white px-2 py-1 text-[12.5px] text-ink-2 hover:border-edge"
      value={kind}
      onChange={({ target }) => {
        // Free keeps every cell where it stands on the sheets that are seen.
        const stands = kindNamed(target.value as Kind).standsByHand
          ? standsOf(selectSheets(store.getState()))
          : undefined;
        dispatch(edit({ do: "become", kind: target.value as Kind, stands }));
        dispatch(dragging(kindNamed(target.value as Kind).standsByHand ? "cell" : "photo"));
      }}
    >
      {JOB_KINDS.map(({ name, title }) => (
        <option key={name} value={name}>
          {title}
        </option>
      ))}
    </select>
  );
}

/** Whether the server has everything; the page is not left by mistake before that. */
function SavedState() {
  const unsaved = useAppSelector((state) => state.openJob.pending.length > 0);
  const waits = useAppSelector((state) => state.openJob.waits);
  const changedAt = useAppSelector((state) => state.openJob.changedAt);
  useStayWhile(unsaved);
  return (
    <span
      role="status"
      className={`shrink-0 text-[12.5px] ${waits ? "font-semibold text-wrong" : "text-ink-3"}`}
    >
      {waits
        ? "not saved: the server does not answer, trying again"
        : unsaved
          ? "saving …"
          : `saved ${when(changedAt)}`}
    </span>
  );
}

/** Asks before the page is left while the server has not taken in everything. */
function useStayWhile(unsaved: boolean) {
  useEffect(() => {
    if (!unsaved) return;
    const stay = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", stay);
    return () => window.removeEventListener("beforeunload", stay);
  }, [unsaved]);
}
