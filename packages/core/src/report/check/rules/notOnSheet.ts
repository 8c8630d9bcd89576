import type { Job, PhotoRef } from "../../../job/index.ts";
import { isPicked, leavesOut } from "../../../job/stash/index.ts";
import type { Finding, Rule } from "../finding.ts";

/** Photos that are named one by one; of more than this the first are. */
const FEW = 3;

/** Photos of the job that nobody will see on any sheet, told once, with the way to get them there. */
export const notOnSheet: Rule = ({ job, sheets }) => {
  const onSheets = new Set(sheets.flatMap(({ cells }) => cells.map(({ photo }) => photo)));
  for (const { of } of Object.values(job.graphics)) if (of.kind === "photo") onSheets.add(of.photo);
  const left = job.stash.filter(({ id }) => !onSheets.has(id));
  // Only some kinds show what is picked; to the others the filter is one of the list of photos.
  const byFilter = showsPicked(job) && leavesOut(job.pick);
  const filtered = byFilter ? left.filter((photo) => !isPicked(job.pick, photo)) : [];
  const others = left.filter((photo) => !filtered.includes(photo));
  return [
    ...(filtered.length > 0 ? [leftByFilter(job, filtered)] : []),
    ...(others.length > 0 ? [leftOver(job, others)] : []),
  ];
};

/** Whether the job shows its picked photos one after the other. */
const showsPicked = ({ ticket }: Job): boolean =>
  ticket.kind === "contact" || ticket.kind === "single" || (ticket.kind === "copies" && ticket.of === "each");

const leftByFilter = (job: Job, photos: readonly PhotoRef[]): Finding => ({
  rule: "filtered-photo",
  level: photos.length === job.stash.length ? "wrong" : "look",
  sentence: `${named(photos)} on no sheet, because the job shows ${sayPick(job)} alone.`,
  cells: [],
  mend: {
    label: "Show every photo",
    edit: { do: "pick", change: { stars: 0, tag: null, folder: null } },
  },
});

/** "photos with at least 3 stars and the tag “album”" */
function sayPick({ pick: { stars, tag, folder } }: Job): string {
  const parts = [
    stars > 0 && `with at least ${stars === 1 ? "1 star" : `${stars} stars`}`,
    tag !== null && `with the tag “${tag}”`,
    folder !== null && (folder === "" ? "of no folder" : `of the folder “${folder}”`),
  ].filter((part) => part !== false);
  return `photos ${parts.join(" and ")}`;
}

function leftOver({ ticket }: Job, photos: readonly PhotoRef[]): Finding {
  const each = ticket.kind === "copies" && ticket.of === "one";
  const more = ticket.kind === "collage" && ticket.sheets === "one" && HOLDS_MORE.has(ticket.way);
  return {
    rule: "photo-on-no-sheet",
    level: "look",
    sentence: `${named(photos)} on no sheet. ${WAYS[ticket.kind] ?? USUAL_WAY}`,
    cells: [],
    mend: more
      ? { label: "Use more sheets", edit: { do: "ticket", change: { sheets: "all" } } }
      : each
        ? { label: "Print each photo", edit: { do: "ticket", change: { of: "each" } } }
        : undefined,
  };
}

/** Ways of a collage whose cells are counted, so that further photos need further sheets. */
const HOLDS_MORE: ReadonlySet<string> = new Set(["counts", "grid"]);

const USUAL_WAY = "Drop them on a cell from the list of photos, or take them out of the job.";

/** How a photo gets on a sheet, where the kind has a way of its own. */
const WAYS: Partial<Record<Job["ticket"]["kind"], string>> = {
  copies: "This job prints one photo. Let it print each, or drop another on a cell.",
  mixed: "Choose them in the lines of the ticket, or drop them on a cell.",
  portraits: "Give them to somebody on the page “People”, or take them out of the job.",
  collage: "Every cell has a photo already. Let it have more cells or sheets, or drop them on a cell.",
};

function named(photos: readonly PhotoRef[]): string {
  const names = photos.slice(0, FEW).map(({ name }) => name);
  if (photos.length === 1) return `${names[0]} is`;
  const rest = photos.length - names.length;
  if (rest > 0) return `${names.join(", ")} and ${rest} more ${rest === 1 ? "photo" : "photos"} are`;
  return `${names.slice(0, -1).join(", ")} and ${names.at(-1)} are`;
}
