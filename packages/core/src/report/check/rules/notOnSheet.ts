import { dayPhotos } from "../../../calendar/index.ts";
import { listed } from "../../../base/listed.ts";
import type { Job, PhotoRef } from "../../../job/index.ts";
import { isPicked, leavesOut } from "../../../job/stash/index.ts";
import { kindOf } from "../../../kinds/index.ts";
import type { Finding, Rule } from "../finding.ts";
import { asMend } from "./ofKind.ts";

/** Photos that are named one by one; of more than this the first are. */
const FEW = 3;

/** Photos of the job that nobody will see on any sheet, told once, with the way to get them there. */
export const notOnSheet: Rule = ({ job, sheets }) => {
  const onSheets = new Set(sheets.flatMap(({ cells }) => cells.map(({ photo }) => photo)));
  for (const { of } of Object.values(job.graphics)) if (of.kind === "photo") onSheets.add(of.photo);
  for (const photo of dayPhotos(job.calendar)) onSheets.add(photo);
  const left = job.stash.filter(({ id }) => !onSheets.has(id));
  // Only some kinds show what is picked; to the others the filter is one of the list of photos.
  const byFilter = kindOf(job).showsPick(job) && leavesOut(job.pick);
  const filtered = byFilter ? left.filter((photo) => !isPicked(job.pick, photo)) : [];
  const others = left.filter((photo) => !filtered.includes(photo));
  return [
    ...(filtered.length > 0 ? [leftByFilter(job, filtered)] : []),
    ...(others.length > 0 ? [leftOver(job, others)] : []),
  ];
};

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

function leftOver(job: Job, photos: readonly PhotoRef[]): Finding {
  const { way, mend } = kindOf(job).leftOver(job) ?? { way: USUAL_WAY };
  return {
    rule: "photo-on-no-sheet",
    level: "look",
    sentence: `${named(photos)} on no sheet. ${way}`,
    cells: [],
    ...(mend && { mend: asMend(mend) }),
  };
}

const USUAL_WAY = "Drop them on a cell from the list of photos, or take them out of the job.";

function named(photos: readonly PhotoRef[]): string {
  const names = photos.slice(0, FEW).map(({ name }) => name);
  if (photos.length === 1) return `${names[0]} is`;
  const rest = photos.length - names.length;
  if (rest > 0) return `${names.join(", ")} and ${rest} more ${rest === 1 ? "photo" : "photos"} are`;
  return `${listed(names)} are`;
}
