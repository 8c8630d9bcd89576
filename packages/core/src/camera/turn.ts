/** How long everything has to be right before the camera takes a picture by itself, in milliseconds. */
export const HOLD = 800;
/** Longer than this without a look and nobody knows whether it still was right. */
const GAP = 600;
/** Pictures of one burst, of which the best is kept. */
export const BURST = 5;

/** Waiting: since when all has been right, when it was looked last, and why the last burst was not kept. */
interface Waiting {
  at: "waiting";
  since: number | null;
  last: number;
  says: string | null;
}

/**
 * The camera’s turn with one person: it waits until everything has been right for long enough, takes a burst, shows what was
 * kept. All times are milliseconds of one clock.
 */
export type CameraTurn = Waiting | { at: "taking"; by: "itself" | "key" } | { at: "shown" };

export type CameraEvent =
  /** A look at the person: whether nothing is left to do. */
  | { is: "seen"; time: number; right: boolean }
  /** Somebody wants the picture now. */
  | { is: "key" }
  /** A burst is over: whether one of it was kept, and if not, why. */
  | { is: "taken"; kept: boolean; why?: string }
  /** A picture came another way. */
  | { is: "came" }
  /** Another picture, of this person or the next. */
  | { is: "again" };

export const WAITING: Waiting = { at: "waiting", since: null, last: 0, says: null };

/** The next state. What is to be done follows from it: a burst is taken on coming to "taking". */
export function cameraStep(turn: CameraTurn, event: CameraEvent): CameraTurn {
  switch (event.is) {
    case "seen":
      return turn.at === "waiting" ? seen(turn, event) : turn;
    case "key":
      return turn.at === "waiting" ? { at: "taking", by: "key" } : turn;
    case "taken":
      if (turn.at !== "taking") return turn;
      return event.kept ? { at: "shown" } : { ...WAITING, says: event.why ?? null };
    case "came":
      return turn.at === "taking" ? turn : { at: "shown" };
    case "again":
      return turn.at === "shown" ? WAITING : turn;
  }
}

function seen({ since, last, says }: Waiting, { time, right }: { time: number; right: boolean }): CameraTurn {
  if (!right) return { at: "waiting", since: null, last: time, says };
  const from = since === null || time - last > GAP ? time : since;
  return time - from >= HOLD
    ? { at: "taking", by: "itself" }
    : { at: "waiting", since: from, last: time, says: null };
}

/** How much of the wait is over, 0…1. */
export const heldShare = (turn: CameraTurn): number =>
  turn.at === "taking"
    ? 1
    : turn.at === "waiting" && turn.since !== null
      ? (turn.last - turn.since) / HOLD
      : 0;

/** One picture of a burst. */
export interface BurstShot {
  /** Whether nothing is left to do in it. */
  right: boolean;
  /** Checks that are wrong. */
  wrong: number;
  /** Blur at the eyes; null where no head is in it. */
  blur: number | null;
}

/**
 * Which picture of a burst is kept: the sharpest of those that are right. Where the camera took it by itself nothing else will
 * do; where somebody wanted it, the one with the least that is wrong, and of those the sharpest.
 */
export function bestOf(burst: readonly BurstShot[], by: "itself" | "key"): number | null {
  const order = burst
    .map((shot, i) => ({ ...shot, i }))
    .filter(({ right }) => right || by === "key")
    .toSorted(
      (a, b) =>
        Number(b.right) - Number(a.right) || a.wrong - b.wrong || (a.blur ?? 1) - (b.blur ?? 1) || a.i - b.i,
    );
  return order[0]?.i ?? null;
}
