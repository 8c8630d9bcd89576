import type { Job } from "../index.ts";

/** A job as version 8 wrote it: the largest head of a photo, in the job. */
export function asVersion8({
  heads,
  crop: _crop,
  ...job
}: Job): Omit<Job, "heads" | "crop" | "version"> & Record<"version" | "faces", unknown> {
  const faces = Object.entries(heads).map(([photo, [face]]) => {
    const { pose: _pose, ...handles } = face!;
    return [photo, handles];
  });
  return { ...job, version: 8, faces: Object.fromEntries(faces) };
}

/** A job as version 7 wrote it: what is made and where it is made in one. */
export function asVersion7(job: Job): Record<string, unknown> {
  const { target, about, ...made } = asVersion8(job);
  const { printer, ppi, enlarged, bleed, ...press } = target;
  return {
    ...made,
    version: 7,
    sheet: { ...made.sheet, printer, ppi, enlarged, bleed },
    press: { ...press, about },
  };
}
