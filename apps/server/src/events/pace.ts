const MINUTE = 60_000;
/** Callers that are remembered. */
const CALLERS = 5000;

/** Lets each caller do a thing only so often a minute. */
export class Pace {
  private readonly times = new Map<string, number[]>();

  constructor(private readonly most: number) {}

  /** Whether the caller may now; counted where they may. */
  allows(caller: string): boolean {
    // Of the time that passes, whatever becomes of the clock on the wall.
    const now = performance.now();
    const recent = (this.times.get(caller) ?? []).filter((time) => now - time < MINUTE);
    this.times.delete(caller);
    this.times.set(caller, recent);
    for (const old of this.times.keys()) {
      if (this.times.size <= CALLERS) break;
      this.times.delete(old);
    }
    if (recent.length >= this.most) return false;
    recent.push(now);
    return true;
  }
}
