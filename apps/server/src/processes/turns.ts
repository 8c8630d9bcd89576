/**
 * Shares a few places among pieces of long work, sheet by sheet: whoever had the fewest turns so far is next, so that a
 * small run that comes later goes between the sheets of a large one.
 */
export class Turns {
  private readonly had = new Map<string, number>();
  private readonly holds = new Set<string>();
  private readonly waiting: { who: string; go(): void }[] = [];

  constructor(private readonly places: number) {}

  /** Waits for the next turn of a piece of work; the turn that it has ends with that. */
  next(who: string): Promise<void> {
    this.holds.delete(who);
    return new Promise((go) => {
      this.waiting.push({ who, go });
      this.give();
    });
  }

  /** A piece of work is over, or waits for something else. */
  leave(who: string): void {
    this.holds.delete(who);
    this.had.delete(who);
    const at = this.waiting.findIndex((one) => one.who === who);
    if (at >= 0) this.waiting.splice(at, 1)[0]!.go();
    this.give();
  }

  private give(): void {
    while (this.holds.size < this.places && this.waiting.length > 0) {
      // One that is new has had as many as whoever had the fewest: it goes first, but does not hold up the others.
      const fewest = this.had.size === 0 ? 0 : Math.min(...this.had.values()) - 1;
      const turns = this.waiting.map(({ who }) => this.had.get(who) ?? fewest);
      const at = turns.indexOf(Math.min(...turns));
      const [next] = this.waiting.splice(at, 1);
      this.holds.add(next!.who);
      this.had.set(next!.who, turns[at]! + 1);
      next!.go();
    }
  }
}
