import { openSetOf, printsBefore, type EventSet, type EventState } from "@wide-quilt/core";

/** Who the guests’ page takes photos for. */
export const BOOTH = "booth";

/** What the guests do; the rest follows from the event. */
export type Guest =
  /** Nobody is there, or has begun. */
  | { at: "rest" }
  | { at: "choosing" }
  /** They stand before the camera. */
  | { at: "posing" }
  /** They were done with a set, or have just left it. */
  | { at: "done"; set: number };

/** What the guests’ page shows. */
export type GuestStep =
  | { shows: "closed" }
  | { shows: "rest" }
  | { shows: "choosing" }
  /** Shots come from elsewhere; the guests see them come. */
  | { shows: "filling"; set: EventSet }
  | { shows: "posing"; place: number; of: number; pattern: string; set: EventSet | null }
  | { shows: "looking"; set: EventSet }
  | { shows: "done"; set: EventSet; before: number | null };

/**
 * The next step of the guests, from what they did and how the event stands; after a reload, or when the server was away, it is the
 * same again.
 */
export function guestStep(guest: Guest, state: EventState): GuestStep {
  if (state.ended) return { shows: "closed" };
  const open = openSetOf(state, BOOTH);
  if (open?.state === "shown") return { shows: "looking", set: open };
  if (guest.at === "done") {
    const set = state.sets[guest.set - 1];
    if (set) return { shows: "done", set, before: printsBefore(state, set.number) };
  }
  const isBegun = open !== undefined && open.shots.some((shot) => shot !== null);
  if (!state.setup.camera) return isBegun ? { shows: "filling", set: open } : { shows: "rest" };
  if (guest.at === "choosing" && !isBegun) return { shows: "choosing" };
  if (guest.at === "posing" || isBegun) {
    const chosen = open?.pattern ?? state.chosen[BOOTH] ?? state.setup.patterns[0]!.id;
    const pattern = state.setup.patterns.find(({ id }) => id === chosen) ?? state.setup.patterns[0]!;
    return {
      shows: "posing",
      place: (open?.shots.indexOf(null) ?? 0) + 1,
      of: open?.shots.length ?? pattern.shots,
      pattern: pattern.id,
      set: open ?? null,
    };
  }
  return { shows: "rest" };
}
