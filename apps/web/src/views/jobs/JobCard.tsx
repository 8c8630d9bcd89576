import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { Copy, Download, Ellipsis, PenLine, Trash2, Undo2 } from "lucide-react";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { arrange, kindOf, sums } from "@wide-quilt/core";
import type { JobSummary } from "@wide-quilt/server/contract";
import { address } from "../../api/client.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { button } from "../../ui/button.ts";
import { useWords, when } from "../../words/words.ts";
import { NameField } from "../../ui/NameField.tsx";
import type { JobActs } from "./useJobs.ts";

const preview = (photo: string) => address.preview(photo, 320);

/** A job as it looks now, with what can be done to it. */
export function JobCard({ summary, act }: { summary: JobSummary; act: JobActs }) {
  const { id, job, photos, changedAt, binnedAt } = summary;
  const [renames, setRenames] = useState(false);
  const words = useWords(job.sheet.ppi);
  const { sheet, total } = useMemo(() => {
    const sheets = arrange(job, photos);
    return { sheet: sheets[0], total: sums(job, photos, sheets) };
  }, [job, photos]);
  const picture = (
    <span className="flex h-[190px] items-center justify-center rounded-lg bg-table p-5">
      {sheet ? (
        <SheetPicture
          plan={sheet}
          photo={preview}
          className="max-h-full max-w-full bg-white shadow-[0_2px_8px_rgb(0_0_0/.25)]"
        />
      ) : (
        <span className="text-[13px] text-ink">Nothing fits on this sheet yet.</span>
      )}
    </span>
  );
  return (
    <li className="flex flex-col gap-2.5">
      {binnedAt === null ? (
        <Link to={`/jobs/${id}`} aria-label={`Open ${job.name}`} className="rounded-lg">
          {picture}
        </Link>
      ) : (
        picture
      )}
      <div className="flex items-start gap-2">
        <div className="min-w-0 grow">
          {renames ? (
            <NameField
              name={job.name}
              onDone={(name) => {
                setRenames(false);
                if (name !== null) act.rename(summary, name);
              }}
            />
          ) : (
            <h3 className="truncate text-[14.5px] font-semibold" title={job.name}>
              {binnedAt === null ? <Link to={`/jobs/${id}`}>{job.name}</Link> : job.name}
            </h3>
          )}
          <p className="text-[12.5px] text-ink-2">
            {job.ticket.kind === "copies" ? (
              <span className="measure">
                {total.layout.pieces} at {words.size(job.ticket.size)}
              </span>
            ) : (
              kindOf(job).title
            )}{" "}
            on <span className="measure">{job.sheet.paper.name}</span>
            {total.sheets > 1 && <>, {total.sheets} sheets</>}
          </p>
          <p className="text-[12.5px] text-ink-3">changed {when(changedAt)}</p>
        </div>
        {binnedAt === null ? (
          <CardMenu summary={summary} act={act} onRename={() => setRenames(true)} />
        ) : null}
      </div>
      {binnedAt !== null && (
        <div className="flex gap-2">
          <button type="button" className={button.plain} onClick={() => act.takeOut(summary)}>
            <Undo2 size={15} aria-hidden /> Take out
          </button>
          <button type="button" className={button.danger} onClick={() => act.remove(summary)}>
            Delete for good
          </button>
        </div>
      )}
    </li>
  );
}

const ITEM =
  "flex w-full items-center gap-2.5 rounded-md px-2.5 py-1.5 text-left text-[13.5px] data-focus:bg-accent-soft data-focus:text-accent";

function CardMenu({ summary, act, onRename }: { summary: JobSummary; act: JobActs; onRename(): void }) {
  return (
    <Menu>
      <MenuButton
        aria-label={`More for ${summary.job.name}`}
        className="rounded-md p-1.5 text-ink-2 hover:bg-line/60"
      >
        <Ellipsis size={18} aria-hidden />
      </MenuButton>
      <MenuItems
        anchor={{ to: "bottom end", gap: 4 }}
        className="z-30 w-52 rounded-lg border border-line bg-white p-1.5 shadow-xl outline-none"
      >
        <MenuItem>
          <button type="button" className={ITEM} onClick={onRename}>
            <PenLine size={15} aria-hidden /> Rename
          </button>
        </MenuItem>
        <MenuItem>
          <button type="button" className={ITEM} onClick={() => act.duplicate(summary)}>
            <Copy size={15} aria-hidden /> Duplicate
          </button>
        </MenuItem>
        <MenuItem>
          <a className={ITEM} href={address.jobFile(summary.id)} download>
            <Download size={15} aria-hidden /> Save as a job file
          </a>
        </MenuItem>
        <MenuItem>
          <button type="button" className={ITEM} onClick={() => act.bin(summary)}>
            <Trash2 size={15} aria-hidden /> Put in the bin
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}
