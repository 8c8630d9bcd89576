import { fill } from "../../finish/words/index.ts";
import type { Job, PhotoRef } from "../../job/index.ts";
import { pickedPhotos } from "../../job/stash/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { photoCell, type CellName } from "../../schema/index.ts";
import { isOut, photoFlow, waitingSlot, type Slot } from "../flow.ts";
import type { TicketOf } from "../tickets.ts";

/** One photo of a contact sheet, or a place where there are none yet. */
export interface Frame extends Slot {
  key: CellName;
}

/** Photos that stand together under a heading; no heading where there is only one section. */
export interface Section {
  title: string | null;
  frames: Frame[];
}

/** Places shown while there are no photos. */
const EMPTY_PLACES = 12;

/** The picked photos in sections. Sections come in the order of their first photo. */
export function sectionsOf(job: Job, breaks: TicketOf<"contact">["breaks"], photos: Photos): Section[] {
  if (job.stash.length === 0) {
    const frames = Array.from({ length: EMPTY_PLACES }, (_, i): Frame => ({
      key: photoCell(job.numbered + i + 1),
      ...waitingSlot(job.numbered + i + 1),
    }));
    return [{ title: null, frames }];
  }
  const sections = new Map<string, Section>();
  for (const { ref, ...slot } of photoFlow(job, pickedPhotos(job, photos)).all) {
    if (isOut(job, ref)) continue;
    const title = breaks === "none" ? null : titleOf(breaks, ref, photos);
    const section = sections.get(title ?? "") ?? { title, frames: [] };
    sections.set(title ?? "", section);
    section.frames.push({ key: photoCell(ref.number), ...slot });
  }
  return [...sections.values()];
}

function titleOf(by: "day" | "folder", photo: PhotoRef, photos: Photos): string {
  if (by === "folder") return photo.folder || "In no folder";
  const exposure = photos[photo.id]?.exposure;
  const source = { file: photo.name, exposure, own: {}, job: "", page: 1, pages: 1, sheet: 1, sheets: 1 };
  return fill("[date]", source) || "Without a date";
}
