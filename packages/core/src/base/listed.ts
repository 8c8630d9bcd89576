/** “a”, “a and b”, “a, b and c” */
export const listed = (parts: readonly string[], joint: "and" | "or" = "and"): string =>
  parts.length < 2 ? (parts[0] ?? "") : `${parts.slice(0, -1).join(", ")} ${joint} ${parts.at(-1)!}`;
