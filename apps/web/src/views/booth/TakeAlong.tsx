import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { JOB_KINDS, prefersLetter, type EventSet, type JobKind } from "@wide-quilt/core";
import type { EventView } from "@wide-quilt/server/contract";
import { Download, FileArchive, FileSpreadsheet, FileText } from "lucide-react";
import { useNavigate } from "react-router";
import { address, server } from "../../api/client.ts";
import { saveTable } from "../../api/saveTable.ts";
import { newId } from "../../app/ids.ts";
import { LOCALE } from "../../app/preferences.ts";
import { useDoing } from "../../app/useDoing.ts";
import { button } from "../../ui/button.ts";
import { reportOf } from "./report.ts";

const ITEM =
  "flex w-full items-center gap-2.5 rounded-md px-2.5 py-1.5 text-left text-[13.5px] data-disabled:opacity-45 data-focus:bg-accent-soft data-focus:text-accent";

/** What an event leaves: its figures, its photos and pages, and its photos as a job of any kind. */
export function TakeAlong({ view, done }: { view: EventView; done: readonly EventSet[] }) {
  const asJob = useAsJob(view, done);
  const isEmpty = view.state.sets.length === 0;
  return (
    <Menu>
      <MenuButton className={button.plain} disabled={isEmpty}>
        <Download size={15} aria-hidden /> Take along
      </MenuButton>
      <MenuItems
        anchor={{ to: "top end", gap: 6, padding: 12 }}
        className="z-30 w-72 rounded-lg border border-line bg-white p-1.5 shadow-xl outline-none"
      >
        <MenuItem>
          <a
            className={ITEM}
            href={address.eventReport(view.id, prefersLetter(LOCALE) ? "letter" : "a4")}
            download
          >
            <FileText size={15} aria-hidden /> Report as PDF
          </a>
        </MenuItem>
        <MenuItem>
          <button type="button" className={ITEM} onClick={() => saveTable(view.name, reportOf(view.state))}>
            <FileSpreadsheet size={15} aria-hidden /> Report as CSV
          </button>
        </MenuItem>
        <MenuItem>
          <a className={ITEM} href={address.eventDownload(view.id)} download>
            <FileArchive size={15} aria-hidden /> All photos and pages as a ZIP
          </a>
        </MenuItem>
        {done.length > 0 && (
          <>
            <p className="mt-1.5 border-t border-line px-2.5 pt-2.5 pb-1 text-[12.5px] text-ink-2">
              All photos as a new job
            </p>
            {KINDS.map((kind) => (
              <MenuItem key={kind.name}>
                <button type="button" className={ITEM} onClick={() => asJob(kind)}>
                  {kind.title}
                </button>
              </MenuItem>
            ))}
          </>
        )}
      </MenuItems>
    </Menu>
  );
}

/** Kinds of jobs that show photos. */
const KINDS = JOB_KINDS.filter(({ name }) => name !== "ruler");

function useAsJob({ name }: EventView, done: readonly EventSet[]): (kind: JobKind) => void {
  const doing = useDoing();
  const navigate = useNavigate();
  return (kind) =>
    void doing(async () => {
      const photos = done.flatMap(({ shots }) =>
        shots.flatMap((shot) => (shot ? { id: shot.photo, name: shot.name } : [])),
      );
      const job = await server.startJob(kind.name, `${name}, all photos`, LOCALE, "mm");
      await server.sendEdits(job.id, job.version, [{ id: newId(), edit: { do: "add photos", photos } }]);
      await navigate(`/jobs/${job.id}`);
    });
}
