/** Lets work on one thing wait for the work on it that came before; work on different things does not wait. */
export class InTurn {
  private readonly last = new Map<string, Promise<unknown>>();

  of<T>(thing: string, work: () => T | Promise<T>): Promise<T> {
    const before = this.last.get(thing) ?? Promise.resolve();
    const own = before.then(work, work);
    this.last.set(thing, own);
    const over = () => {
      if (this.last.get(thing) === own) this.last.delete(thing);
    };
    own.then(over, over);
    return own;
  }
}
