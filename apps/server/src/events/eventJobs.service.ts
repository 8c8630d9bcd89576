import { Inject, Injectable } from "@nestjs/common";
import {
  applyEdit,
  eventStep,
  FOLDER_LANE,
  jobOfSet,
  shotsOfPattern,
  type EventEntry,
  type EventSet,
  type Job,
  type Printer,
} from "@wide-quilt/core";
import { fileName } from "@wide-quilt/painters";
import type { Run } from "../contract.ts";
import { PhotosService, type Coming } from "../photos/photos.service.ts";
import { PaintersService } from "../press/painters.service.ts";
import { RunsService } from "../press/runs.service.ts";
import { PrintersService } from "../printers/printers.service.ts";
import { Problem } from "../safety/problem.ts";
import { wallClock } from "./clock.ts";
import { madeUpPhoto } from "./madeUp.ts";
import type { Stage } from "./stage.ts";

/** The sets of events as jobs: made at printers by runs, painted ahead, printed for a test. */
@Injectable()
export class EventJobs {
  constructor(
    @Inject(PaintersService) private readonly painters: PaintersService,
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(PrintersService) private readonly printers: PrintersService,
    @Inject(RunsService) private readonly runs: RunsService,
  ) {}

  /** A set as it is printed. `at`: when it was asked for, where it is not full. */
  jobOf(
    { row, patterns }: Stage,
    set: EventSet,
    at: number,
    records = this.photos.records(photosOf(set)),
  ): Job {
    return jobOfSet(patterns[set.pattern]!, row.name, set, wallClock(set.full ?? at), records);
  }

  /** Has a job made at one of the event’s printers, by a run of this name that is made once. */
  make({ row }: Stage, name: string, job: Job, printer: string, at: number): Promise<Run> {
    const lane = this.laneOf(printer);
    if (!lane && printer !== FOLDER_LANE)
      throw new Problem(422, "no-printer", "No printer", "This printer is not in Sizes any more.");
    const naming = {
      ...{ start: 1, each: false, overwrite: false },
      folder: fileName(row.name),
      print: lane !== undefined && lane.address !== null,
    };
    return this.runs.once(name, `${OF_EVENT}${row.id}`, forLane(job, lane), naming, new Date(at));
  }

  /**
   * Has the photos of a set decoded as they will be printed where nobody changes anything, while its next one is still coming
   * in. Whatever goes wrong here is told when it is printed.
   */
  prepare(stage: Stage, entry: Extract<EventEntry, { do: "shot" }>, { path, record }: Coming): void {
    const at = Date.now();
    const { sets, printers } = eventStep(stage.state, entry, at).state;
    const set = sets.findLast((one) => photosOf(one).includes(entry.photo));
    if (!set) return;
    const next = printers.reduce((first, one) => (one.last < first.last ? one : first));
    const records = { ...this.photos.records(photosOf(set)), [entry.photo]: record };
    const job = forLane(this.jobOf(stage, set, at, records), this.laneOf(next.id));
    void this.painters.prepare(job, { records, arriving: { [entry.photo]: path } }).catch(() => undefined);
  }

  /** Prints a set of made-up photos; it counts as no set. Throws a Problem that says why it cannot. */
  async testPrint(stage: Stage, pattern: string, printer: string): Promise<void> {
    const layout = stage.patterns[pattern];
    const { setup } = stage.state;
    if (!layout || !setup.printers.includes(printer))
      throw Problem.notFound(
        "pattern",
        "This pattern or printer is not the event’s any more. Choose another.",
      );
    const photos = await Promise.all(
      Array.from({ length: shotsOfPattern(layout) }, async (_, i) =>
        this.photos.takeInMade(await madeUpPhoto(i + 1)),
      ),
    );
    const at = Date.now();
    const set: EventSet = {
      ...{ number: 1, party: "test", pattern, crops: {}, state: "printing", begun: at, full: at },
      shots: photos.map((photo, i) => ({ photo, name: `Test ${i + 1}` })),
    };
    const job = { ...this.jobOf(stage, set, at), name: `${setup.name}, test print` };
    await this.make(stage, `${stage.row.id}-test-${at}`, job, printer, at);
  }

  /** The printer of an event as Sizes has it; none for the folder, and for one that is gone. */
  private laneOf(printer: string): Printer | undefined {
    return this.printers.list().find(({ id }) => id === printer);
  }
}

const forLane = (job: Job, lane: Printer | undefined): Job =>
  lane ? applyEdit(job, { do: "printer", printer: lane }) : job;

/** What runs of events say in place of a job: this, and the event. */
const OF_EVENT = "event:";

const photosOf = ({ shots }: EventSet): string[] => shots.flatMap((shot) => shot?.photo ?? []);
