import type { EventState } from "@wide-quilt/core";

const HEADINGS = ["set", "pattern", "state", "begun", "full", "first print out", "prints", "photos"];

/** An event’s sets as a table: comma-separated values (RFC 4180), times in UTC (ISO 8601). */
export function reportOf({ sets, prints, setup }: EventState): string {
  const names = new Map(setup.patterns.map(({ id, name }) => [id, name]));
  const rows = sets.map(({ number, pattern, state, begun, full, shots }) => {
    const out = prints.filter((print) => print.set === number && print.state === "printed");
    const first = out.map(({ done }) => done!).sort((a, b) => a - b)[0];
    return [
      String(number),
      names.get(pattern) ?? pattern,
      state,
      iso(begun),
      iso(full),
      iso(first ?? null),
      String(out.length),
      shots.map((shot) => shot?.name ?? "").join(" "),
    ];
  });
  return [HEADINGS, ...rows].map((row) => row.map(quoted).join(",")).join("\r\n") + "\r\n";
}

const iso = (at: number | null): string => (at === null ? "" : new Date(at).toISOString());

const quoted = (text: string): string => (/[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
