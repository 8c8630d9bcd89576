import { printsOut, type EventState } from "@wide-quilt/core";

const HEADINGS = ["set", "pattern", "state", "begun", "full", "first print out", "prints", "photos"];

/** An event’s sets as a table: comma-separated values (RFC 4180), times in UTC (ISO 8601). */
export function reportOf(state: EventState): string {
  const { sets, setup } = state;
  const names = new Map(setup.patterns.map(({ id, name }) => [id, name]));
  const rows = sets.map(({ number, pattern, state: is, begun, full, shots }) => {
    const { count, first } = printsOut(state, number);
    return [
      String(number),
      names.get(pattern) ?? pattern,
      is,
      iso(begun),
      iso(full),
      iso(first),
      String(count),
      shots.map((shot) => shot?.name ?? "").join(" "),
    ];
  });
  return [HEADINGS, ...rows].map((row) => row.map(quoted).join(",")).join("\r\n") + "\r\n";
}

const iso = (at: number | null): string => (at === null ? "" : new Date(at).toISOString());

const quoted = (text: string): string => (/[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
