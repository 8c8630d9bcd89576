import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { kindNamed } from "@wide-quilt/core";
import type { JobCardView, JobSummary } from "@wide-quilt/server/contract";
import { Copy, Download, Ellipsis, PenLine, Trash2, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { address } from "../../api/client.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { button } from "../../ui/button.ts";
import { useWords, when } from "../../words/words.ts";
import { useCard } from "./useCard.ts";
import type { JobActs } from "./useJobs.ts";

const preview = (photo: string) => address.preview(photo, 320);

/** A job as it looks now, with what can be done to it. */
export function JobCard({ summary, act }: { summary: JobSummary; act: JobActs }) {
  const { id, name, changedAt, binnedAt } = summary;
  const [renames, setRenames] = useState(false);
  const [seen, card] = useCard(summary);
  const picture = (
    <span className="flex h-[190px] items-center justify-center rounded-lg bg-table p-5">
      {card?.sheet ? (
        <SheetPicture
          plan={card.sheet}
          photo={preview}
          className="max-h-full max-w-full bg-white shadow-[0_2px_8px_rgb(0_0_0/.25)]"
        />
      ) : (
        card && <span className="text-[13px] text-ink">There is no sheet yet.</span>
      )}
    </span>
  );
  return (
    <li ref={seen} className="flex flex-col gap-2.5">
      {binnedAt === null ? (
        <Link to={`/jobs/${id}`} aria-label={`Open ${name}`} className="rounded-lg">
          {picture}
        </Link>
      ) : (
        picture
      )}
      <div className="flex items-start gap-2">
        <div className="min-w-0 grow">
          {renames ? (
            <NameField
              name={name}
              onDone={(next) => {
                setRenames(false);
                if (next !== null) act.rename(summary, next);
              }}
            />
          ) : (
            <h3 className="truncate text-[14.5px] font-semibold" title={name}>
              {binnedAt === null ? <Link to={`/jobs/${id}`}>{name}</Link> : name}
            </h3>
          )}
          <p className="text-[12.5px] text-ink-2">
            <CardSums summary={summary} card={card} />
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

/** What a job comes to: its pieces or its kind, on which paper. */
function CardSums({ summary, card }: { summary: JobSummary; card: JobCardView | null }) {
  const words = useWords(card?.ppi ?? 300);
  const { title } = kindNamed(summary.kind);
  if (!card) return title;
  return (
    <>
      {card.size ? (
        <span className="measure">
          {card.pieces} at {words.size(card.size)}
        </span>
      ) : (
        title
      )}{" "}
      on <span className="measure">{card.paper}</span>
      {card.sheets > 1 && <>, {card.sheets} sheets</>}
    </>
  );
}

const ITEM =
  "flex w-full items-center gap-2.5 rounded-md px-2.5 py-1.5 text-left text-[13.5px] data-focus:bg-accent-soft data-focus:text-accent";

function CardMenu({ summary, act, onRename }: { summary: JobSummary; act: JobActs; onRename(): void }) {
  return (
    <Menu>
      <MenuButton
        aria-label={`More for ${summary.name}`}
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
