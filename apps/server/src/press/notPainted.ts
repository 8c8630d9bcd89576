/** Why painting failed, for a person: what happened, what was kept, what to do. */
export function notPainted(error: unknown): string {
  const { code, message } = error as { code?: string; message?: string };
  const why = message ?? String(error);
  if (code === "ENOSPC" || why.includes("ENOSPC")) {
    return "The disk is full. Nothing half-written was kept, and what was there before is as it was. Make room, then try again.";
  }
  if (why.endsWith(".") && code === undefined) return why;
  return `The sheet could not be painted: ${why} The job is as it was; put the photo in again or take another.`;
}
