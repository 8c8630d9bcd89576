import { Cancelled } from "@wide-quilt/painters";
import { Ended, Helper, type HelperSetup, type Terms } from "./helper.ts";

/** Some processes of one kind, started when first needed and kept for the next work. */
export class Pool {
  private readonly idle: Helper[] = [];
  private readonly all = new Set<Helper>();
  private readonly waiting: (() => void)[] = [];
  private busy = 0;
  private isClosed = false;

  constructor(
    private readonly entry: URL,
    /** How many work at a time. */
    private readonly most: number,
    private readonly setup: HelperSetup = {},
  ) {}

  /** Starts all of them, so that the first work does not wait. */
  warm(): void {
    if (this.isClosed) return;
    while (this.all.size < this.most) this.idle.push(this.start());
  }

  /**
   * Has something done by the next process that is free. Work that ended its process without having gone beyond its
   * terms is done once more, as another’s want of memory may have been the reason. Throws as `Helper.ask` does.
   */
  async ask<T>(what: string, of: unknown, terms: Terms): Promise<T> {
    return this.lent(async (helper) => {
      try {
        return await helper().ask<T>(what, of, terms);
      } catch (error) {
        if (!(error instanceof Ended && error.isWorthARetry) || this.isClosed) throw error;
        return helper().ask<T>(what, of, terms);
      }
    }, terms.signal);
  }

  /** Lends a process for as long as some work lasts; the work is given a way to it that starts another where it died. */
  async lent<T>(work: (helper: () => Helper) => Promise<T>, signal?: AbortSignal): Promise<T> {
    if (this.busy >= this.most) await new Promise<void>((go) => this.waiting.push(go));
    else this.busy++;
    let own: Helper | undefined;
    try {
      if (signal?.aborted || this.isClosed) throw new Cancelled();
      return await work(() => (own = own?.isAlive ? own : this.free()));
    } finally {
      if (own?.isAlive) this.idle.push(own);
      const next = this.waiting.shift();
      if (next) next();
      else this.busy--;
    }
  }

  /** Ends those that have nothing to do; the next work starts one again. */
  rest(): void {
    for (const helper of this.idle.splice(0)) helper.end();
  }

  close(): void {
    this.isClosed = true;
    for (const helper of this.all) helper.end();
  }

  private free(): Helper {
    for (let helper = this.idle.pop(); helper; helper = this.idle.pop()) if (helper.isAlive) return helper;
    return this.start();
  }

  private start(): Helper {
    for (const helper of this.all) if (!helper.isAlive) this.all.delete(helper);
    const helper = new Helper(this.entry, this.setup);
    this.all.add(helper);
    return helper;
  }
}
