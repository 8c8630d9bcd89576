import { fault } from "../schema/fault.ts";
import type { JobFault } from "../schema/index.ts";
import { jobEditSchema, type JobEdit } from "./schema.ts";

export type EditReading = { ok: true; edit: JobEdit } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is an edit of a job; one that a page of an older version made is brought up. */
export function readEdit(value: unknown): EditReading {
  const parsed = jobEditSchema.safeParse(current(value));
  if (!parsed.success) return { ok: false, faults: parsed.error.issues.map(fault) };
  return { ok: true, edit: parsed.data };
}

/** Parts of a target that pages before job version 8 had in the sheet. */
const IN_SHEET_7: ReadonlySet<string> = new Set(["printer", "ppi", "enlarged", "bleed"]);

/** Changes nothing: what pages of version 8 found in photos belongs to the photos, which are looked at here. */
const NOTHING: JobEdit = { do: "mark photos", photos: [], change: {} };

/** An edit as it is made today; pages of version 7 changed one part at a time. */
function current(value: unknown): unknown {
  const { do: what, change } = (value ?? {}) as { do?: unknown; change?: unknown };
  if (what === "faces") return NOTHING;
  if (typeof change !== "object" || change === null) return value;
  const parts = Object.keys(change);
  if (what === "press") {
    const about = (change as { about?: unknown }).about;
    return about === undefined ? { do: "target", change } : { do: "about", change: about };
  }
  const isOfTarget = what === "sheet" && parts.length > 0 && parts.every((part) => IN_SHEET_7.has(part));
  return isOfTarget ? { do: "target", change } : value;
}
