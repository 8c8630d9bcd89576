import type { Job } from "../job/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { artwork } from "./artwork/index.ts";
import { calendar } from "./calendar/index.ts";
import { collage } from "./collage/index.ts";
import { contact } from "./contact/index.ts";
import { copies } from "./copies/index.ts";
import { free } from "./free/index.ts";
import type { JobKind } from "./kind.ts";
import type { Layout } from "./layout.ts";
import { mixed } from "./mixed/index.ts";
import { mural } from "./mural/index.ts";
import { portraits } from "./portraits/index.ts";
import { ruler } from "./ruler/index.ts";
import { single } from "./single/index.ts";
import { strips } from "./strips/index.ts";
import type { Kind } from "./tickets.ts";

/** Every kind of job, in the order in which they are offered. */
export const JOB_KINDS: readonly JobKind[] = [
  copies,
  portraits,
  mixed,
  single,
  contact,
  collage,
  calendar,
  mural,
  strips,
  artwork,
  free,
  ruler,
];

export function kindNamed(name: Kind): JobKind {
  const kind = JOB_KINDS.find((own) => own.name === name);
  if (!kind) throw new RangeError(`There is no kind of job “${name}”`);
  return kind;
}

/** The kind that a job is of. */
export const kindOf = (job: Job): JobKind => kindNamed(job.ticket.kind);

/** Where the cells of a job lie by its ticket alone, before anything that was set by hand. */
export const layOut = (job: Job, photos: Photos): Layout => kindOf(job).layOut(job, photos);
