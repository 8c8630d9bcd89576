import { arrange, kindOf, sums } from "@wide-quilt/core";
import type { PatternView } from "@wide-quilt/server/contract";
import { BookMarked, Download, FileInput, FolderOpen, PenLine, Printer, Trash2 } from "lucide-react";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { address } from "../../api/client.ts";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJobs } from "../../app/Way.tsx";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { EmptyPage } from "../../ui/EmptyPage.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { button } from "../../ui/button.ts";
import { usePatterns, type PatternActs } from "./usePatterns.ts";

/** The pattern book: kept layouts in their folders, each with a picture that is the layout itself. */
export function PatternsView() {
  const { patterns, failure, act, importFile } = usePatterns();
  const folders = useMemo(
    () => [...new Set((patterns ?? []).map(({ folder }) => folder))].sort(),
    [patterns],
  );
  return (
    <div className="min-h-screen">
      <PageHead title="Pattern book" under={[<WayToJobs key="jobs" />]}>
        <FileButton
          label="Pattern file"
          accept=".json,application/json"
          className={button.plain}
          onFiles={([chosen]) => void importFile(chosen!)}
        >
          <FileInput size={16} aria-hidden /> Open a pattern file
        </FileButton>
      </PageHead>
      <main className="mx-auto max-w-[1560px] px-8 pt-7 pb-16">
        {failure && (
          <p role="alert" className="mb-4 rounded-lg bg-wrong-soft px-4 py-3 text-wrong">
            {failure}
          </p>
        )}
        {patterns?.every(({ keptAt }) => keptAt === null) && <Empty />}
        {folders.map((folder) => (
          <section key={folder} aria-label={folder || "No folder"} className="mb-9">
            <h2 className="mb-4 flex items-center gap-2 text-[15px] font-semibold">
              <FolderOpen size={17} aria-hidden className="text-ink-3" />
              {folder || "No folder"}
            </h2>
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] gap-6">
              {(patterns ?? [])
                .filter((pattern) => pattern.folder === folder)
                .map((pattern) => (
                  <PatternCard key={pattern.id} pattern={pattern} act={act} />
                ))}
            </ul>
          </section>
        ))}
      </main>
    </div>
  );
}

function Empty() {
  return (
    <EmptyPage icon={BookMarked} title="No layout is kept yet">
      <p className="text-ink-2">
        “Keep as pattern” at the top of a job’s table puts its layout here, without the photos. The next
        client’s job starts from it.
      </p>
    </EmptyPage>
  );
}

function PatternCard({ pattern, act }: { pattern: PatternView; act: PatternActs }) {
  const { id, name, folder, job, keptAt } = pattern;
  const [changes, setChanges] = useState<"name" | "folder" | null>(null);
  const { sheet, total } = useMemo(() => {
    const sheets = arrange(job, {});
    return { sheet: sheets[0], total: sums(job, {}, sheets) };
  }, [job]);
  return (
    <li className="flex flex-col gap-2">
      <span className="flex h-[180px] items-center justify-center rounded-lg bg-table p-5">
        {sheet && (
          <SheetPicture
            plan={sheet}
            cellsAs="places"
            photo={() => ""}
            className="max-h-full max-w-full bg-white shadow-[0_2px_8px_rgb(0_0_0/.25)]"
          />
        )}
      </span>
      {changes ? (
        <NameField
          label={changes === "name" ? "Name of the pattern" : "Folder of the pattern"}
          name={changes === "name" ? name : folder}
          onDone={(next) => {
            setChanges(null);
            if (next !== null) act.change(pattern, { [changes]: next });
          }}
        />
      ) : (
        <h3 className="truncate text-[14.5px] font-semibold" title={name}>
          <Link to={`/patterns/${id}`} className="hover:underline">
            {name}
          </Link>
        </h3>
      )}
      <p className="text-[12.5px] text-ink-2">
        {kindOf(job).title} on <span className="measure">{job.sheet.paper.name}</span>
        {sheet && `, ${sheet.cells.length === 1 ? "1 cell" : `${sheet.cells.length} cells`}`}
        {total.sheets > 1 && `, ${total.sheets} sheets`}
        {pattern.targets.length > 0 && (
          <>
            ; made for{" "}
            <Link to={`/patterns/${id}`} className="underline underline-offset-2">
              {pattern.targets.length === 1 ? "one more printer" : `${pattern.targets.length} more printers`}
            </Link>
          </>
        )}
      </p>
      <div className="flex items-center gap-1">
        <button type="button" className={`${button.main} grow`} onClick={() => act.start(pattern)}>
          Start a job
        </button>
        {keptAt !== null && (
          <>
            <SmallAct label={`Rename ${name}`} onClick={() => setChanges("name")}>
              <PenLine size={15} aria-hidden />
            </SmallAct>
            <SmallAct label={`Folder of ${name}`} onClick={() => setChanges("folder")}>
              <FolderOpen size={15} aria-hidden />
            </SmallAct>
          </>
        )}
        <Link
          to={`/patterns/${id}?make`}
          aria-label={`Make ${name} for another printer`}
          title="Make it for …"
          className={SMALL}
        >
          <Printer size={15} aria-hidden />
        </Link>
        <a
          href={address.patternFile(id)}
          download
          aria-label={`Save ${name} as a file`}
          title="Save as a file"
          className={SMALL}
        >
          <Download size={15} aria-hidden />
        </a>
        {keptAt !== null && (
          <SmallAct label={`Take ${name} out of the book`} onClick={() => act.remove(pattern)}>
            <Trash2 size={15} aria-hidden />
          </SmallAct>
        )}
      </div>
    </li>
  );
}

const SMALL = "rounded-md p-2 text-ink-2 hover:bg-line/60";

function SmallAct({
  label,
  onClick,
  children,
}: {
  label: string;
  onClick(): void;
  children: React.ReactNode;
}) {
  return (
    <button type="button" aria-label={label} title={label} className={SMALL} onClick={onClick}>
      {children}
    </button>
  );
}
