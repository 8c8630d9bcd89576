import type { z } from "zod";

/** One thing that is wrong in a job file. */
export interface JobFault {
  /** Where it stands: "ticket.size.width". Empty for the file as a whole. */
  field: string;
  /** A sentence a person understands. */
  why: string;
}

/** What a schema found wrong, in a sentence. */
export function fault(issue: z.core.$ZodIssue): JobFault {
  if (issue.code === "invalid_union") {
    // Of what it could have been, the one that comes nearest says what is wrong.
    const inner = issue.errors.flat().sort((a, b) => b.path.length - a.path.length)[0];
    if (inner) return fault({ ...inner, path: [...issue.path, ...inner.path] } as z.core.$ZodIssue);
  }
  const field = issue.path.join(".");
  const what = field === "" ? "It" : `“${field}”`;
  if (issue.code === "unrecognized_keys") {
    return { field, why: `${what} has something that does not belong there: ${issue.keys.join(", ")}.` };
  }
  const why = issue.message.startsWith("must") ? issue.message : `is not right: ${issue.message}`;
  return { field, why: `${what} ${why}.` };
}
