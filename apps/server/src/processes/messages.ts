/** What a process of ours is asked and answers; plain data that structured cloning takes. */
import type { Progress } from "@wide-quilt/painters";

export type ToChild =
  | { ask: number; what: string; of: unknown }
  /** Not wanted any more. */
  | { stop: number }
  /** It is this one's turn. */
  | { turn: number };

export type FromChild =
  | { answer: number; is: unknown }
  | { failed: number; as: Failure }
  | { progress: number; is: Progress }
  /** Waits for its turn before it goes on with the next sheet. */
  | { waits: number };

/** An error on its way between processes. */
export interface Failure {
  name: string;
  message: string;
  code?: string;
  /** What a Problem says beside its sentence. */
  problem?: { status: number; type: string; title: string };
}
