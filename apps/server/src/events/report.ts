import { eventFigures, printsOut, sayWait, type EventState } from "@wide-quilt/core";
import type { Report } from "@wide-quilt/painters";
import { wallClock } from "./clock.ts";

/** What an event came to, in words, for paper. `at`: when it is told, in milliseconds since 1970. */
export function reportOf(name: string, state: EventState, at: number): Report {
  const { sets, setup } = state;
  const figures = eventFigures(state);
  const [first] = sets;
  const day = (time: number) => wallClock(time).slice(0, 10);
  const clock = (time: number) => wallClock(time).slice(11, 16);
  const patterns = setup.patterns.map(({ id, name: called }): [string, string] => {
    const { sets: count, wait } = figures.byPattern[id]!;
    return [
      called,
      `${count} ${count === 1 ? "set" : "sets"}${wait === null ? "" : `, ${sayWait(wait)} to paper`}`,
    ];
  });
  return {
    title: name,
    under: first
      ? `${day(first.begun)}, told ${day(at)} at ${clock(at)}${state.ended ? "" : ", while it runs"}`
      : `Nothing happened yet, told ${day(at)} at ${clock(at)}`,
    figures: [
      ["Sets", String(figures.sets)],
      ["Photos in sets", String(figures.shots)],
      ["Prints that came out", String(figures.prints)],
      ["Prints still to come", String(figures.toCome)],
      ...(figures.wait
        ? ([
            ["From the last shot to paper", `${sayWait(figures.wait.median)} in the middle`],
            ["", `${sayWait(figures.wait.most)} at most for 19 of 20`],
          ] as const)
        : []),
      ...(patterns.length > 1 ? patterns : []),
    ],
    chart: {
      title: "Sets and prints in a quarter of an hour",
      counts: ["sets", "prints"],
      spans: figures.spans.map((span) => ({
        label: clock(span.from),
        first: span.sets,
        second: span.prints,
      })),
    },
    table: {
      heads: ["Set", "Pattern", "Begun", "Full", "First print", "Prints"],
      rows: sets.map(({ number, pattern, begun, full, state: is }) => {
        const out = printsOut(state, number);
        return [
          String(number),
          setup.patterns.find(({ id }) => id === pattern)?.name ?? pattern,
          wallClock(begun).slice(11),
          full === null ? (is === "left" ? "left" : "fills") : wallClock(full).slice(11),
          out.first === null ? "" : wallClock(out.first).slice(11),
          String(out.count),
        ];
      }),
    },
  };
}
