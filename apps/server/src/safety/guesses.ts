/** Wrong keys from one address after which it has to wait, and how long they count, in milliseconds. */
const MOST = 10;
const WINDOW = 60_000;
/** Addresses that are remembered. */
const ADDRESSES = 10_000;

/** Counts wrong keys by where they came from, so that nobody can try them all. */
export class Guesses {
  private readonly times = new Map<string, number[]>();

  wrong(address: string): void {
    const now = Date.now();
    const recent = this.recent(address, now);
    this.times.delete(address);
    this.times.set(address, [...recent, now]);
    for (const old of this.times.keys()) {
      if (this.times.size <= ADDRESSES) break;
      this.times.delete(old);
    }
  }

  areTooMany(address: string): boolean {
    return this.recent(address, Date.now()).length >= MOST;
  }

  private recent(address: string, now: number): number[] {
    return (this.times.get(address) ?? []).filter((time) => now - time < WINDOW);
  }
}
