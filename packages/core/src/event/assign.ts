import type { EventEffect, EventPrinter, EventState } from "./state.ts";

/**
 * Gives prints that wait to printers that are free, by turns: the one that was given something longest ago comes first. Prints go
 * in the order in which they were asked for. One print a printer: what stands behind it can still go to another.
 */
export function assigned(before: EventState): { state: EventState; effects: EventEffect[] } {
  let state = before;
  const effects: EventEffect[] = [];
  if (state.held) return { state, effects };
  for (const waiting of before.prints) {
    if (waiting.state !== "waiting") continue;
    const printer = nextFree(state);
    if (!printer) break;
    const given = { ...waiting, state: "printing" as const, printer: printer.id };
    state = {
      ...state,
      prints: state.prints.with(waiting.number - 1, given),
      printers: state.printers.map((one) =>
        one.id === printer.id
          ? { ...one, last: turnAfter(state), left: one.left === null ? null : one.left - 1 }
          : one,
      ),
    };
    effects.push({
      do: "print",
      print: waiting.number,
      attempt: waiting.attempt,
      set: waiting.set,
      printer: printer.id,
    });
  }
  return { state, effects };
}

const turnAfter = ({ printers }: EventState): number => Math.max(0, ...printers.map(({ last }) => last)) + 1;

function nextFree(state: EventState): EventPrinter | null {
  const busy = new Set(
    state.prints.flatMap((print) =>
      print.state === "printing" || print.state === "doubt" ? [print.printer] : [],
    ),
  );
  const free = state.printers.filter(
    ({ id, why, left }) => why === null && (left === null || left > 0) && !busy.has(id),
  );
  return free.reduce<EventPrinter | null>(
    (best, one) => (best === null || one.last < best.last ? one : best),
    null,
  );
}
