import type { Job, PhotoRef } from "../../job/index.ts";
import type { Photos } from "../../plan/index.ts";
import { pickedPhotos } from "../../stash/index.ts";
import { fill } from "../../words/index.ts";
import type { TicketOf } from "../tickets.ts";

/** One photo of a contact sheet. */
export interface Frame {
  /** Null for the places of a sheet that has no photos yet. */
  photo: PhotoRef | null;
  /** Its place in the stash, from 1. */
  at: number;
  /** Its number on the contact sheet, from 1. */
  number: number;
}

/** Photos that stand together under a heading; no heading where there is only one section. */
export interface Section {
  title: string | null;
  frames: Frame[];
}

/** Places shown while there are no photos. */
const EMPTY_PLACES = 12;

/**
 * The picked photos in sections. Sections come in the order of their first photo. A photo’s number is its place among all
 * of the job’s, so that it is the same on every sheet, however they are sorted and whichever are shown.
 */
export function sectionsOf(job: Job, breaks: TicketOf<"contact">["breaks"], photos: Photos): Section[] {
  if (job.stash.length === 0) {
    const frames = Array.from({ length: EMPTY_PLACES }, (_, i) => ({
      photo: null,
      at: i + 1,
      number: i + 1,
    }));
    return [{ title: null, frames }];
  }
  const sections = new Map<string, Section>();
  for (const { photo, at } of pickedPhotos(job, photos)) {
    const title = breaks === "none" ? null : titleOf(breaks, photo, photos);
    const section = sections.get(title ?? "") ?? { title, frames: [] };
    sections.set(title ?? "", section);
    section.frames.push({ photo, at, number: at });
  }
  return [...sections.values()];
}

function titleOf(by: "day" | "folder", photo: PhotoRef, photos: Photos): string {
  if (by === "folder") return photo.folder || "In no folder";
  const exposure = photos[photo.id]?.exposure;
  const source = { file: photo.name, exposure, own: {}, job: "", sheet: 1, sheets: 1 };
  return fill("[date]", source) || "Without a date";
}
