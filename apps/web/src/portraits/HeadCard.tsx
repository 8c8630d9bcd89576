import { numberedShot, ruleTitle, type CellPlan } from "@wide-quilt/core";
import { Download, Eraser, ScanFace } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { address } from "../api/client.ts";
import { useAppSelector } from "../app/hooks.ts";
import { selectLooking, selectPeople } from "../table/heads.ts";
import { button } from "../ui/button.ts";
import { useWords } from "../words/words.ts";
import { BackdropEditor } from "./BackdropEditor.tsx";
import { Checks } from "./Checks.tsx";
import { HeadEditor } from "./HeadEditor.tsx";
import { StateBadge } from "./StateBadge.tsx";

/** Whose head is in the chosen cell, and how it stands to its rule. */
export function HeadCard({ cell }: { cell: CellPlan }) {
  const words = useWords();
  const [edits, setEdits] = useState<"handles" | "background" | null>(null);
  const id = useAppSelector((state) => state.openJob.id);
  const report = useAppSelector(selectPeople).find(({ person }) => numberedShot(person.shot) === cell.shot);
  const record = useAppSelector((state) => (report?.photo ? state.openJob.photos[report.photo] : undefined));
  const looking = useAppSelector(selectLooking);
  if (!report) return null;
  return (
    <section aria-label="Head and rule" className="mb-3 rounded-lg border border-line bg-white p-3">
      <div className="mb-1 flex items-center justify-between gap-2">
        <h3 className="truncate text-[13px] font-semibold">{report.name}</h3>
        <StateBadge state={report.state} />
      </div>
      <p className="mb-2 text-[12px] text-ink-2">{ruleTitle(report.rule)}</p>
      {report.state === "fails" && report.mendable !== undefined && (
        <p className="mb-2 text-[12.5px]">{report.advice}</p>
      )}
      {report.measured && record ? (
        <Checks report={report} record={record} />
      ) : (
        <p className="text-[12.5px]">{looking ? "Looking for the head …" : report.advice}</p>
      )}
      <div className="mt-2.5 flex flex-wrap gap-2">
        {record && (
          <button type="button" className={button.plain} onClick={() => setEdits("handles")}>
            <ScanFace size={14} aria-hidden /> Handles
          </button>
        )}
        {record && (
          <button type="button" className={button.plain} onClick={() => setEdits("background")}>
            <Eraser size={14} aria-hidden /> Background
          </button>
        )}
        {record && id && report.rule.digital && (
          <a
            href={address.personFile(id, report.person.shot)}
            download
            className={button.plain}
            title="The portrait as the file that this office takes: its pixels, its bytes"
          >
            <Download size={14} aria-hidden /> As a file
          </a>
        )}
        <Link to={`/jobs/${id}/people`} className={button.quiet}>
          People
        </Link>
      </div>
      {edits === "handles" && record && (
        <HeadEditor
          photo={report.photo!}
          record={record}
          name={report.name}
          report={report}
          onClose={() => setEdits(null)}
        />
      )}
      {edits === "background" && record && (
        <BackdropEditor report={report} record={record} words={words} onClose={() => setEdits(null)} />
      )}
    </section>
  );
}
