import type { Sits } from "../photo/crop/index.ts";
import type { PhotoId } from "../schema/index.ts";
import type { EventSetup } from "./setup.ts";

/** A photo that came to an event, by the name its file had. */
export interface EventShot {
  photo: PhotoId;
  /** The photo as it was taken, where something was put behind who is in it. */
  of?: PhotoId;
  name: string;
}

/**
 * The photos of one party, on their way to paper:
 *
 *     filling ─▶ shown ─▶ printing        a set that nobody waits for any more is left
 *        ▲ retake │   (shown only where sets are looked at)
 *        └────────┘
 */
export interface EventSet {
  /** From 1, in the order in which they were begun. */
  number: number;
  party: string;
  pattern: string;
  /** By place; null for one that waits for its shot. */
  shots: (EventShot | null)[];
  /** How shots sit that were set by hand, by place from 1. */
  crops: Record<number, Sits>;
  state: "filling" | "shown" | "printing" | "left";
  /** When its first and its last shot came, in milliseconds since 1970. */
  begun: number;
  full: number | null;
}

/**
 * One sheet that was asked for:
 *
 *     waiting ─▶ at a printer ─▶ printed
 *        ▲           │  ▲ ▼ doubt: a person is asked whether it came out
 *        └─ failed ◀─┘
 */
export interface EventPrint {
  /** From 1, in the order in which they were asked for. */
  number: number;
  set: number;
  state: "waiting" | "printing" | "doubt" | "failed" | "printed";
  /** Where it is, or was; null while it waits. */
  printer: string | null;
  /** Counts its tries: each is a run of its own. */
  attempt: number;
  why: string | null;
  asked: number;
  done: number | null;
}

export interface EventPrinter {
  id: string;
  /** Why it takes no prints; null where it does. */
  why: string | null;
  /** Prints left on its roll; null where nobody counts. */
  left: number | null;
  /** Which of the prints it was given last; 0 for none. */
  last: number;
}

export interface EventState {
  setup: EventSetup;
  /** The pattern of each party’s next set, where it chose one. */
  chosen: Readonly<Record<string, string>>;
  sets: readonly EventSet[];
  /** Shots that are in no set: retaken, or come after the end. */
  aside: readonly EventShot[];
  prints: readonly EventPrint[];
  printers: readonly EventPrinter[];
  held: boolean;
  ended: boolean;
}

/** What has to be done because of an entry. */
export type EventEffect =
  | { do: "print"; print: number; attempt: number; set: number; printer: string }
  | { do: "answer"; print: number; attempt: number; cameOut: boolean };
