import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm } from "../base/length/index.ts";
import { applyEdit } from "../edit/index.ts";
import { SHIPPED_PATTERNS } from "../edit/pattern/index.ts";
import { freshJob } from "../kinds/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { arrange } from "../plan/arrange.ts";
import {
  eventBefore,
  eventEntrySchema,
  eventFigures,
  eventStep,
  jobOfSet,
  printsBefore,
  shotsOfPattern,
  SPAN,
  type EventEffect,
  type EventEntry,
  type EventSetup,
  type EventState,
} from "./index.ts";

const SETUP: EventSetup = {
  name: "Open day",
  patterns: [
    { id: "three", name: "Strip of three", shots: 3 },
    { id: "one", name: "Card", shots: 1 },
  ],
  copies: 1,
  most: 3,
  review: false,
  printers: ["a", "b"],
  roll: null,
  until: null,
  folder: null,
  camera: true,
  telephones: true,
  behind: null,
};
const MINUTE = 60_000;

/** Plays entries one a minute, and collects what was to be done. */
function play(setup: EventSetup, entries: readonly EventEntry[]) {
  const effects: EventEffect[] = [];
  const state = entries.reduce((before, entry, i) => {
    const step = eventStep(before, entry, i * MINUTE);
    effects.push(...step.effects);
    return step.state;
  }, eventBefore(setup));
  return { state, effects };
}
const shot = (photo: string, party = "booth"): EventEntry => ({
  do: "shot",
  photo,
  name: `${photo}.jpg`,
  party,
});
const shots = (...photos: string[]) => photos.map((photo) => shot(photo));
const photosOf = (state: EventState) => state.sets.map((set) => set.shots.map((one) => one?.photo ?? null));
const printing = (effects: readonly EventEffect[]) =>
  effects.flatMap((effect) => (effect.do === "print" ? [`${effect.set}→${effect.printer}`] : []));

describe("an event", () => {
  it("fills sets in order and prints each at a printer, by turns", () => {
    const { state, effects } = play(SETUP, [
      ...shots("1", "2", "3", "4", "5", "6"),
      { do: "printed", print: 2 },
      { do: "printed", print: 1 },
      ...shots("7", "8", "9", "10"),
    ]);
    expect(photosOf(state)).toEqual([
      ["1", "2", "3"],
      ["4", "5", "6"],
      ["7", "8", "9"],
      ["10", null, null],
    ]);
    // b is free since print 2; a was given something before b was, so it is a’s turn.
    expect(printing(effects)).toEqual(["1→a", "2→b", "3→a"]);
  });

  it("lets what waits go to the other printer while one stands still, and counts rolls down", () => {
    const { state, effects } = play({ ...SETUP, roll: 2 }, [
      { do: "printer", printer: "a", why: "The printer is out of paper." },
      ...shots("1", "2", "3", "4", "5", "6", "7", "8", "9"),
      { do: "printed", print: 1 },
      { do: "printed", print: 2 },
    ]);
    // b has printed two, which is its roll; the third waits.
    expect(printing(effects)).toEqual(["1→b", "2→b"]);
    expect(state.prints[2]!.state).toBe("waiting");
    const next = eventStep(state, { do: "roll", printer: "b", left: 700 }, 0);
    expect(printing(next.effects)).toEqual(["3→b"]);
    expect(next.state.printers.find(({ id }) => id === "b")!.left).toBe(699);
  });

  it("waits for guests to be content where sets are looked at: retake, accept, or go on without a word", () => {
    const looked = { ...SETUP, review: true };
    const shown = play(looked, shots("1", "2", "3"));
    expect([shown.state.sets[0]!.state, shown.effects]).toEqual(["shown", []]);
    const retaken = play(looked, [...shots("1", "2", "3"), { do: "retake", set: 1, place: 2 }, shot("4")]);
    expect(photosOf(retaken.state)).toEqual([["1", "4", "3"]]);
    expect(retaken.state.aside.map(({ photo }) => photo)).toEqual(["2"]);
    const content = play(looked, [...shots("1", "2", "3"), { do: "accept", set: 1, copies: 9 }]);
    // Three are the most that guests may have of one.
    expect(content.state.prints).toHaveLength(3);
    const went = play(looked, shots("1", "2", "3", "4"));
    expect([went.state.sets.map(({ state }) => state), printing(went.effects)]).toEqual([
      ["printing", "filling"],
      ["1→a"],
    ]);
  });

  it("gives every party a set of its own, in the pattern that it chose", () => {
    const { state } = play(SETUP, [
      shot("1"),
      { do: "choose", party: "phone", pattern: "one" },
      shot("p", "phone"),
      shot("2"),
      { do: "choose", party: "booth", pattern: "one" },
      shot("3"),
      shot("4"),
    ]);
    expect(
      state.sets.map(({ party, pattern, shots: own }) => [party, pattern, own.map((one) => one?.photo)]),
    ).toEqual([
      ["booth", "three", ["1", "2", "3"]],
      ["phone", "one", ["p"]],
      // The pattern changes from the next set on.
      ["booth", "one", ["4"]],
    ]);
  });

  it("asks of a print that is in doubt, and prints a failed one again as a run of its own", () => {
    const doubt = play(SETUP, [...shots("1", "2", "3"), { do: "doubt", print: 1 }]);
    const answered = eventStep(doubt.state, { do: "answer", print: 1, cameOut: false }, 0);
    expect(answered.effects).toEqual([{ do: "answer", print: 1, attempt: 1, cameOut: false }]);
    const again = play(SETUP, [
      ...shots("1", "2", "3"),
      { do: "failed", print: 1, why: "It gave up." },
      { do: "try again", print: 1 },
    ]);
    expect(again.effects.map((effect) => [effect.do, effect.attempt])).toEqual([
      ["print", 1],
      ["print", 2],
    ]);
  });

  it("takes nothing twice, and nothing into sets after its end; what was asked for still prints", () => {
    const { state, effects } = play(SETUP, [
      { do: "hold" },
      ...shots("1", "2", "2", "3"),
      { do: "end" },
      shot("4"),
      { do: "go on" },
    ]);
    expect([photosOf(state), state.aside.map(({ photo }) => photo)]).toEqual([[["1", "2", "3"]], ["4"]]);
    expect(printing(effects)).toEqual(["1→a"]);
  });

  it("tells its figures: sets by quarters of an hour, waits, and how many come before", () => {
    const { state } = play(SETUP, [
      ...shots("1", "2", "3", "4", "5", "6", "7", "8", "9"), // full at minutes 2, 5 and 8
      { do: "printed", print: 1 }, // minute 9: waited 7
      { do: "printed", print: 2 }, // minute 10: waited 5
    ]);
    expect(eventFigures(state)).toMatchObject({
      ...{ sets: 3, prints: 2, toCome: 1, shots: 9 },
      wait: { median: 5 * MINUTE, most: 7 * MINUTE },
      byPattern: { three: { sets: 3, wait: 5 * MINUTE }, one: { sets: 0, wait: null } },
      spans: [{ from: 0, sets: 3, prints: 2 }],
    });
    expect([printsBefore(state, 1), printsBefore(state, 3)]).toEqual([null, 0]);
    const busy = play(SETUP, shots("1", "2", "3", "4", "5", "6", "7", "8", "9")).state;
    expect(printsBefore(busy, 3)).toBe(2);
    expect(SPAN).toBe(15 * MINUTE);
  });
});

describe("whatever happens at an event", () => {
  const someSet = fc.integer({ min: 1, max: 6 });
  const some = fc.integer({ min: 1, max: 12 });
  const entry: fc.Arbitrary<EventEntry> = fc.oneof(
    {
      weight: 12,
      arbitrary: fc.record({
        do: fc.constant("shot" as const),
        photo: fc.integer({ min: 1, max: 40 }).map(String),
        name: fc.constant("x.jpg"),
        party: fc.constantFrom("booth", "phone"),
      }),
    },
    { weight: 3, arbitrary: fc.record({ do: fc.constant("printed" as const), print: some }) },
    fc.record({ do: fc.constant("doubt" as const), print: some }),
    fc.record({ do: fc.constant("answer" as const), print: some, cameOut: fc.boolean() }),
    fc.record({ do: fc.constant("failed" as const), print: some, why: fc.constant("gone") }),
    fc.record({ do: fc.constant("try again" as const), print: some }),
    fc.record({ do: fc.constant("retake" as const), set: someSet, place: fc.integer({ min: 1, max: 3 }) }),
    fc.record({ do: fc.constant("accept" as const), set: someSet, copies: fc.integer({ min: 1, max: 4 }) }),
    fc.record({ do: fc.constant("leave" as const), set: someSet }),
    fc.record({ do: fc.constant("again" as const), set: someSet, copies: fc.integer({ min: 1, max: 2 }) }),
    fc.record({
      do: fc.constant("choose" as const),
      party: fc.constantFrom("booth", "phone"),
      pattern: fc.constantFrom("one", "three", "none"),
    }),
    fc.record({
      do: fc.constant("printer" as const),
      printer: fc.constantFrom("a", "b"),
      why: fc.constantFrom(null, "out of paper"),
    }),
    fc.record({
      do: fc.constant("roll" as const),
      printer: fc.constantFrom("a", "b"),
      left: fc.integer({ min: 0, max: 3 }),
    }),
    fc.constantFrom({ do: "hold" as const }, { do: "go on" as const }, { do: "go on" as const }),
    { weight: 1, arbitrary: fc.constant({ do: "end" as const }) },
  );
  const setup = fc.record({
    review: fc.boolean(),
    copies: fc.integer({ min: 1, max: 3 }),
    roll: fc.constantFrom(null, 2, 700),
  });

  it(
    "every shot is in one place, every full set is printed as often as asked, in order, and a replay is the same",
    { timeout: 120_000 },
    () => {
      fc.assert(
        fc.property(setup, fc.array(entry, { maxLength: 80 }), (own, entries) => {
          const at = { ...SETUP, ...own };
          // Counted by the test, not by the machine: what came first, and what was asked for.
          const came = new Set<string>();
          const given = new Map<number, number>();
          const order: number[] = [];
          let state = eventBefore(at);
          for (const [i, one] of entries.entries()) {
            expect(eventEntrySchema.safeParse(one).success).toBe(true);
            if (one.do === "shot") came.add(one.photo);
            const step = eventStep(state, one, i);
            for (const effect of step.effects) {
              if (effect.do !== "print") continue;
              // Each try is given out once, and a printer has one print at a time.
              given.set(effect.print, (given.get(effect.print) ?? 0) + 1);
              expect(given.get(effect.print)).toBe(effect.attempt);
              if (effect.attempt === 1) order.push(effect.print);
            }
            state = step.state;
            const busy = state.prints.flatMap(({ state: is, printer }) =>
              is === "printing" || is === "doubt" ? [printer] : [],
            );
            expect(new Set(busy).size).toBe(busy.length);
          }
          const placed = [
            ...state.sets.flatMap((set) => set.shots.flatMap((one) => one?.photo ?? [])),
            ...state.aside.map(({ photo }) => photo),
          ];
          expect([...placed].sort()).toEqual([...came].sort());
          expect(order).toEqual([...order].sort((a, b) => a - b));
          for (const set of state.sets) {
            const prints = state.prints.filter((print) => print.set === set.number);
            const isFull = !set.shots.includes(null);
            expect(set.full !== null).toBe(isFull);
            if (set.state === "printing") expect(prints.length).toBeGreaterThanOrEqual(1);
            else if (set.state !== "left") expect(prints).toEqual([]);
            if (prints.length > 0) expect(isFull).toBe(true);
          }
          // Nothing waits beside a printer that is free.
          const free = state.printers.filter(
            ({ id, why, left }) =>
              why === null &&
              left !== 0 &&
              !state.prints.some((p) => p.printer === id && (p.state === "printing" || p.state === "doubt")),
          );
          if (!state.held && free.length > 0)
            expect(state.prints.filter(({ state: is }) => is === "waiting")).toEqual([]);
          const kept = JSON.parse(JSON.stringify(entries)) as EventEntry[];
          expect(kept.reduce((before, one, i) => eventStep(before, one, i).state, eventBefore(at))).toEqual(
            state,
          );
        }),
        { numRuns: process.env["WIDE_QUILT_LONG"] ? 50_000 : 5000 },
      );
    },
  );
});

describe("the job of a set", () => {
  const set = (photos: string[]) => ({
    ...{ number: 7, party: "booth", pattern: "x", state: "printing" as const, begun: 0, full: 0 },
    shots: photos.map((photo) => ({ photo, name: `${photo}.jpg` })),
    crops: { 2: { fit: "free" as const, scale: 2, centre: { x: 0.5, y: 0.3 }, turn: 0 as const, level: 0 } },
  });
  const facts: Photos = Object.fromEntries(["a", "b", "c"].map((id) => [id, { width: 6000, height: 4000 }]));
  const at = "2026-10-03T14:05:00";

  it("is its pattern with the photos at their places, whichever lies over the others, and its own crop", () => {
    const { job: pattern } = SHIPPED_PATTERNS.find(({ name }) => name === "Strip with one askew")!;
    expect(shotsOfPattern(pattern)).toBe(3);
    const job = jobOfSet(pattern, "Open day", set(["a", "b", "c"]), at, facts);
    expect(job.occasion).toEqual({ event: "Open day", set: 7, person: "", at });
    const cells = arrange(job, facts)[0]!.cells;
    expect(cells.map(({ key, photo, sits }) => [key, photo, sits.scale])).toEqual([
      ["1.1", "a", 1],
      ["1.3", "c", 1],
      ["1.2", "b", 2],
    ]);
  });

  it("is of any kind: shots that cells share are counted once, and one photo fills copies", () => {
    const shared = [1, 2].reduce(
      (job, shot) =>
        applyEdit(job, {
          do: "share shot",
          cells: [`1.${shot * 2 - 1}`, `1.${shot * 2}`],
          shot: String(shot),
        }),
      applyEdit(freshJob("collage", "Pairs"), {
        do: "ticket",
        change: { way: "grid", columns: 2, rows: 2, gap: mm(2) },
      }),
    );
    expect(shotsOfPattern(shared)).toBe(2);
    const pairs = arrange(jobOfSet(shared, "E", { ...set(["a", "b"]), crops: {} }, at, facts), facts)[0]!;
    expect(pairs.cells.map(({ photo }) => photo)).toEqual(["a", "a", "b", "b"]);
    const badges = freshJob("copies", "Badges");
    expect(shotsOfPattern(badges)).toBe(1);
    const all = arrange(jobOfSet(badges, "E", { ...set(["a"]), crops: {} }, at, facts), facts)[0]!;
    expect(new Set(all.cells.map(({ photo }) => photo))).toEqual(new Set(["a"]));
  });
});
