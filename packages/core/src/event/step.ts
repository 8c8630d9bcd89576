import { assigned } from "./assign.ts";
import type { EventEntry } from "./entry.ts";
import type { EventSetup } from "./setup.ts";
import type { EventEffect, EventPrint, EventPrinter, EventSet, EventShot, EventState } from "./state.ts";

/** An event before anything happened at it. */
export const eventBefore = (setup: EventSetup): EventState => ({
  setup,
  chosen: {},
  sets: [],
  aside: [],
  prints: [],
  printers: printersOf(setup, []),
  held: false,
  ended: false,
});

/**
 * What an entry makes of an event, and what is to be done because of it. Pure: the same entries give the same event. An entry
 * that means nothing by now (a shot that is there already, a set that prints) changes nothing.
 *
 *     shot, shot, shot ─▶ a full set ─▶ (shown) ─▶ prints asked for ─▶ each to a printer that is free, by turns
 *
 * `at`: when it happened, in milliseconds since 1970.
 */
export function eventStep(
  before: EventState,
  entry: EventEntry,
  at: number,
): { state: EventState; effects: EventEffect[] } {
  const after = changed(before, entry, at);
  const answers: EventEffect[] =
    entry.do === "answer" && after !== before
      ? [
          {
            do: "answer",
            print: entry.print,
            attempt: printOf(before, entry.print)!.attempt,
            cameOut: entry.cameOut,
          },
        ]
      : [];
  const { state, effects } = assigned(after);
  return { state, effects: [...answers, ...effects] };
}

function changed(state: EventState, entry: EventEntry, at: number): EventState {
  switch (entry.do) {
    case "setup":
      return { ...state, setup: entry.setup, printers: printersOf(entry.setup, state.printers) };
    case "shot":
      return withShot(
        state,
        { photo: entry.photo, name: entry.name, ...(entry.of && { of: entry.of }) },
        entry.party,
        at,
      );
    case "choose":
      return chosen(state, entry.party, entry.pattern);
    case "retake":
      return retaken(state, entry.set, entry.place);
    case "accept":
      return setOf(state, entry.set)?.state === "shown"
        ? accepted(state, entry.set, Math.min(entry.copies, state.setup.most), at)
        : state;
    case "leave": {
      const set = setOf(state, entry.set);
      return set && isOpen(set) ? withSet(state, entry.set, { state: "left" }) : state;
    }
    case "again": {
      const set = setOf(state, entry.set);
      return set && !isOpen(set) && set.full !== null ? accepted(state, entry.set, entry.copies, at) : state;
    }
    case "crop": {
      const set = setOf(state, entry.set);
      return set?.shots[entry.place - 1]
        ? withSet(state, entry.set, { crops: { ...set.crops, [entry.place]: entry.sits } })
        : state;
    }
    case "hold":
      return { ...state, held: true };
    case "go on":
      return { ...state, held: false };
    case "end":
      return { ...state, ended: true };
    case "printed":
      return withPrint(state, entry.print, ["printing", "doubt"], { state: "printed", why: null, done: at });
    case "doubt":
      return withPrint(state, entry.print, ["printing"], { state: "doubt" });
    case "answer":
      return withPrint(state, entry.print, ["doubt"], { state: "printing" });
    case "failed":
      return withPrint(state, entry.print, ["printing", "doubt"], { state: "failed", why: entry.why });
    case "try again": {
      const print = printOf(state, entry.print);
      return print
        ? withPrint(state, entry.print, ["failed"], {
            ...{ state: "waiting", printer: null, why: null },
            attempt: print.attempt + 1,
          })
        : state;
    }
    case "printer":
      return withPrinter(state, entry.printer, { why: entry.why });
    case "roll":
      return withPrinter(state, entry.printer, { left: entry.left });
  }
}

export const setOf = ({ sets }: EventState, number: number): EventSet | undefined => sets[number - 1];
export const printOf = ({ prints }: EventState, number: number): EventPrint | undefined => prints[number - 1];

/** The set that a party is at: one that fills, or one that it looks at. */
export const openSetOf = ({ sets }: EventState, party: string): EventSet | undefined =>
  sets.findLast((set) => set.party === party && isOpen(set));

const isOpen = ({ state }: EventSet): boolean => state === "filling" || state === "shown";

/** Whether a photo came to the event before. */
export const cameBefore = ({ sets, aside }: EventState, photo: string): boolean => {
  const is = (shot: EventShot | null) => shot?.photo === photo || shot?.of === photo;
  return sets.some(({ shots }) => shots.some(is)) || aside.some(is);
};

function withShot(state: EventState, shot: EventShot, party: string, at: number): EventState {
  if (cameBefore(state, shot.photo) || (shot.of && cameBefore(state, shot.of))) return state;
  if (state.ended) return { ...state, aside: [...state.aside, shot] };
  const open = openSetOf(state, party);
  // Whoever goes on without a word was content with what was shown.
  if (open?.state === "shown")
    return withShot(accepted(state, open.number, state.setup.copies, at), shot, party, at);
  const begun = open ? state : withNewSet(state, party, at);
  const set = open ?? begun.sets.at(-1)!;
  const place = set.shots.indexOf(null);
  const shots = set.shots.map((one, i) => (i === place ? shot : one));
  const isFull = !shots.includes(null);
  const filled = withSet(begun, set.number, { shots, full: isFull ? at : null });
  if (!isFull) return filled;
  return state.setup.review
    ? withSet(filled, set.number, { state: "shown" })
    : accepted(filled, set.number, state.setup.copies, at);
}

function withNewSet(state: EventState, party: string, at: number): EventState {
  const wanted = patternOf(state, state.chosen[party]);
  const set: EventSet = {
    number: state.sets.length + 1,
    party,
    pattern: wanted.id,
    shots: Array.from({ length: wanted.shots }, () => null),
    crops: {},
    state: "filling",
    begun: at,
    full: null,
  };
  return { ...state, sets: [...state.sets, set] };
}

const patternOf = ({ setup: { patterns } }: EventState, id: string | undefined) =>
  patterns.find((pattern) => pattern.id === id) ?? patterns[0]!;

function chosen(state: EventState, party: string, pattern: string): EventState {
  if (!state.setup.patterns.some(({ id }) => id === pattern)) return state;
  const next = { ...state, chosen: { ...state.chosen, [party]: pattern } };
  const open = openSetOf(state, party);
  if (!open?.shots.every((shot) => shot === null)) return next;
  const { shots } = patternOf(state, pattern);
  return withSet(next, open.number, { pattern, shots: Array.from({ length: shots }, () => null) });
}

function retaken(state: EventState, number: number, place: number): EventState {
  const set = setOf(state, number);
  const shot = set?.shots[place - 1];
  if (!set || !isOpen(set) || !shot) return state;
  const { [place]: _crop, ...crops } = set.crops;
  const shots = set.shots.map((one, i) => (i === place - 1 ? null : one));
  const without = withSet(state, number, { shots, crops, state: "filling", full: null });
  return { ...without, aside: [...state.aside, shot] };
}

/** Asks for prints of a full set. */
function accepted(state: EventState, number: number, copies: number, at: number): EventState {
  const first = state.prints.length + 1;
  const asked = Array.from({ length: copies }, (_, i): EventPrint => ({
    number: first + i,
    set: number,
    ...{ state: "waiting", printer: null, attempt: 1, why: null, asked: at, done: null },
  }));
  return { ...withSet(state, number, { state: "printing" }), prints: [...state.prints, ...asked] };
}

const withSet = (state: EventState, number: number, change: Partial<EventSet>): EventState => ({
  ...state,
  sets: state.sets.with(number - 1, { ...state.sets[number - 1]!, ...change }),
});

function withPrint(
  state: EventState,
  number: number,
  from: readonly EventPrint["state"][],
  change: Partial<EventPrint>,
): EventState {
  const print = printOf(state, number);
  if (!print || !from.includes(print.state)) return state;
  return { ...state, prints: state.prints.with(number - 1, { ...print, ...change }) };
}

const withPrinter = (state: EventState, id: string, change: Partial<EventPrinter>): EventState => ({
  ...state,
  printers: state.printers.map((printer) => (printer.id === id ? { ...printer, ...change } : printer)),
});

/** The printers of a set-up, as they are known; one that left it comes back as it was only by a new count. */
const printersOf = ({ printers, roll }: EventSetup, before: readonly EventPrinter[]): EventPrinter[] =>
  printers.map((id) => before.find((one) => one.id === id) ?? { id, why: null, left: roll, last: 0 });
