import { z } from "zod";
import { fault } from "../../schema/fault.ts";
import { LIMITS, type JobFault } from "../../schema/index.ts";
import { faceSchema, type Face } from "../portrait/face.ts";

export type HeadsReading = { ok: true; heads: Face[] } | { ok: false; faults: JobFault[] };

const schema = z.array(faceSchema).max(LIMITS.heads);

/** Checks that a value read from outside says where the heads of a photo are. */
export function readHeads(value: unknown): HeadsReading {
  const parsed = schema.safeParse(value);
  return parsed.success
    ? { ok: true, heads: parsed.data }
    : { ok: false, faults: parsed.error.issues.map(fault) };
}
