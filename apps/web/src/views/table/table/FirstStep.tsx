import { kindOf, peopleTicket } from "@wide-quilt/core";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { ABOUT_ART, BringArt } from "../../../kinds/artwork/BringArt.tsx";
import { edit } from "../../../table/edits.ts";
import { finishing } from "../../../table/view.ts";
import { plateWithWindow } from "../finish/freshShape.ts";
import { selectSheet, selectStandsByHand } from "../../../table/sheets.ts";
import { button } from "../../../ui/button.ts";
import { PHOTO_FILES } from "../stash/drag.ts";

/** What to do first, on a sheet; nothing once there is something to see. `empty` is whether it has no cells. */
export function FirstStep({ empty }: { empty: boolean }) {
  const isBare = useAppSelector((state) => state.openJob.job?.stash.length === 0);
  const isFree = useAppSelector(selectStandsByHand);
  const wantsArt = useAppSelector(({ openJob: { job } }) => job !== null && kindOf(job).wantsArt(job));
  // Who draws or writes on the sheet looks at it; the photos can wait.
  const isDrawing = useAppSelector(({ view }) => view.side === "finish" && view.finishes.part !== null);
  if (isDrawing) return null;
  if (wantsArt) return <FirstArtwork />;
  if (!isBare) return null;
  return isFree ? <FirstCells empty={empty} /> : <FirstPhotos />;
}

/** A step that comes before all others, on the sheet. */
function Step({ title, about, children }: { title: string; about: string; children: ReactNode }) {
  return (
    <div className="pointer-events-none absolute inset-0 flex items-center justify-center">
      <div className="pointer-events-auto flex min-w-72 flex-col items-center gap-3 rounded-xl bg-white px-8 py-6 text-center shadow-lg">
        <p className="text-[16px] font-semibold">{title}</p>
        <p className="text-[13px] text-ink-2">{about}</p>
        {children}
      </div>
    </div>
  );
}

/** Where photos are seen through an artwork, and there is none. */
function FirstArtwork() {
  const dispatch = useAppDispatch();
  const job = useAppSelector(({ openJob }) => openJob.job);
  const sheet = useAppSelector(selectSheet);
  if (!job) return null;
  return (
    <Step title="Bring the artwork in first" about={ABOUT_ART}>
      <BringArt job={job} change={(change, gesture) => dispatch(edit(change, gesture))} />
      {sheet && (
        <button
          type="button"
          className={button.plain}
          onClick={() => {
            dispatch(edit({ do: "shapes", shapes: plateWithWindow(sheet) }));
            dispatch(finishing({ part: "shapes" }));
          }}
        >
          Or make one here, of shapes
        </button>
      )}
    </Step>
  );
}

/** What to do first on bare paper. */
function FirstCells({ empty }: { empty: boolean }) {
  if (!empty) return null;
  return (
    <p className="pointer-events-none absolute inset-x-0 top-1/3 px-6 text-center text-[14px] text-ink-2">
      Choose “Move cells” and drag over the paper to draw a cell, add one by its size at the right, or drop a
      photo here and take a size that fits.
    </p>
  );
}

/** What to do first, on the sheet of a job that has no photos yet. */
export function FirstPhotos() {
  const takes = useAppSelector(({ openJob: { job } }) => job && kindOf(job).takes);
  const ofPeople = useAppSelector(({ openJob: { job } }) => job !== null && peopleTicket(job) !== null);
  const id = useAppSelector(({ openJob }) => openJob.id);
  return (
    <Step title="Drop your photos anywhere here" about={`${takes} The ticket above says the rest.`}>
      <button
        type="button"
        className={button.main}
        onClick={() => document.getElementById(PHOTO_FILES)?.click()}
      >
        Choose photo files
      </button>
      {ofPeople && (
        <p className="text-[13px] text-ink-2">
          Or{" "}
          <Link to={`/jobs/${id}/camera`} className="font-semibold text-accent underline">
            take them here
          </Link>{" "}
          with a camera, or begin with{" "}
          <Link to={`/jobs/${id}/people`} className="font-semibold text-accent underline">
            a list of people
          </Link>
          .
        </p>
      )}
    </Step>
  );
}
