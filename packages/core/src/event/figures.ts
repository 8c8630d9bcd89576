import type { EventSet, EventState } from "./state.ts";

/** Sets and prints of one span of time. */
export interface EventSpan {
  /** Its beginning, in milliseconds since 1970. */
  from: number;
  sets: number;
  prints: number;
}

/** What an event came to. */
export interface EventFigures {
  /** Sets that were full and not left. */
  sets: number;
  /** Prints that came out, and that are still to come. */
  prints: number;
  toCome: number;
  shots: number;
  /** From the last shot to the first print of a set, in milliseconds: the middle one, and one of twenty; null before any. */
  wait: { median: number; most: number } | null;
  /** Sets of each pattern, and the middle one of their waits, in milliseconds; null before any. */
  byPattern: Readonly<Record<string, { sets: number; wait: number | null }>>;
  spans: EventSpan[];
}

/** A quarter of an hour, in milliseconds. */
export const SPAN = 15 * 60_000;
const MOST_SPANS = 200;

/** The figures of an event: its sets and prints by quarters of an hour, and how long guests waited. */
export function eventFigures({ sets, prints, setup }: EventState): EventFigures {
  const full = sets.filter(({ full: at, state }) => at !== null && state !== "left");
  const out = prints.filter(({ state }) => state === "printed");
  const firstOut = new Map<number, number>();
  for (const { set, done } of out) {
    const known = firstOut.get(set);
    if (known === undefined || done! < known) firstOut.set(set, done!);
  }
  const waitsOf = (some: readonly EventSet[]) =>
    some
      .flatMap(({ number, full: at }) => {
        const done = firstOut.get(number);
        return done === undefined ? [] : [Math.max(0, done - at!)];
      })
      .sort((a, b) => a - b);
  const waits = waitsOf(full);
  return {
    sets: full.length,
    prints: out.length,
    toCome: prints.filter(({ state }) => state !== "printed").length,
    shots: sets.reduce((sum, { shots }) => sum + shots.filter(Boolean).length, 0),
    wait:
      waits.length === 0
        ? null
        : {
            median: middle(waits)!,
            most: waits[Math.ceil(waits.length * 0.95) - 1]!,
          },
    byPattern: Object.fromEntries(
      setup.patterns.map(({ id }) => {
        const own = full.filter(({ pattern }) => pattern === id);
        return [id, { sets: own.length, wait: middle(waitsOf(own)) }];
      }),
    ),
    spans: spansOf(
      full.map(({ full: at }) => at!),
      out.map(({ done }) => done!),
    ),
  };
}

/** The middle one of sorted figures, the lower one of two. */
const middle = (sorted: readonly number[]): number | null =>
  sorted[Math.floor((sorted.length - 1) / 2)] ?? null;

function spansOf(sets: readonly number[], prints: readonly number[]): EventSpan[] {
  const times = [...sets, ...prints];
  if (times.length === 0) return [];
  const start = times.reduce((least, time) => Math.min(least, time));
  const end = times.reduce((most, time) => Math.max(most, time));
  const first = Math.floor(start / SPAN);
  const count = Math.min(MOST_SPANS, Math.floor(end / SPAN) - first + 1);
  const spans = Array.from({ length: count }, (_, i) => ({ from: (first + i) * SPAN, sets: 0, prints: 0 }));
  const spanAt = (time: number) => spans[Math.min(count - 1, Math.floor(time / SPAN) - first)]!;
  for (const time of sets) spanAt(time).sets++;
  for (const time of prints) spanAt(time).prints++;
  return spans;
}

/** The prints of a set that came out, and when the first of them did, in milliseconds since 1970; null before. */
export function printsOut({ prints }: EventState, set: number): { count: number; first: number | null } {
  const times = prints.flatMap((print) =>
    print.set === set && print.state === "printed" ? [print.done!] : [],
  );
  return { count: times.length, first: times.length === 0 ? null : Math.min(...times) };
}

/** How many prints come out before a set’s first one; null for a set that has one already, or none asked for. */
export function printsBefore({ prints }: EventState, set: number): number | null {
  const own = prints.filter((print) => print.set === set);
  if (own.length === 0 || own.some(({ state }) => state === "printed")) return null;
  const [first] = own;
  return prints.filter(
    ({ number, state }) => number < first!.number && state !== "printed" && state !== "failed",
  ).length;
}

/** How long something takes: "48 s", from a minute and a half on "2 min". */
export const sayWait = (milliseconds: number): string =>
  milliseconds < 90_000 ? `${Math.round(milliseconds / 1000)} s` : `${Math.round(milliseconds / 60_000)} min`;
