import { Inject, Injectable } from "@nestjs/common";
import { HeadsService } from "../heads/heads.service.ts";
import { PaintersService } from "../press/painters.service.ts";
import { JobsService } from "./jobs.service.ts";

/** Cards that are remembered; each is the plan of one sheet. */
const MOST = 300;

/** Pictures of jobs for lists: laid out in a process of its own, once for each version. */
@Injectable()
export class CardsService {
  private readonly cards = new Map<string, Promise<string>>();

  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(PaintersService) private readonly painters: PaintersService,
    @Inject(HeadsService) heads: HeadsService,
  ) {
    // Crops are others once heads are known.
    heads.changed.on("heads", () => this.cards.clear());
  }

  /** A job’s card (`JobCardView`) as JSON. */
  of(id: string): Promise<string> {
    const { job, version } = this.jobs.jobNow(id);
    const key = `${id} ${version}`;
    const known = this.cards.get(key);
    if (known) return known;
    const card = this.painters.card(job);
    this.cards.set(key, card);
    card.catch(() => this.cards.delete(key));
    for (const old of [...this.cards.keys()].slice(0, -MOST)) this.cards.delete(old);
    return card;
  }
}
