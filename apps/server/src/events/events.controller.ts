import {
  Body,
  Controller,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseIntPipe,
  Post,
  Put,
  Query,
  Req,
  Res,
} from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import { eventEntrySchema, type EventEntry } from "@wide-quilt/core";
import { paintReport } from "@wide-quilt/painters";
import type { Request, Response } from "express";
import type { EventCard, EventView, TakenIn } from "../contract.ts";
import { HeadsService } from "../heads/heads.service.ts";
import { Problem } from "../safety/problem.ts";
import { plainName } from "../web/sentName.ts";
import { attachment } from "../web/attachment.ts";
import { sendZip } from "../web/zip.ts";
import { reportOf } from "./report.ts";
import { SouvenirsService } from "./souvenirs.service.ts";
import { LeaveGuests, ReportQuery, SetUpEvent, StartEvent, TellEvent, TestPrint } from "./events.dto.ts";
import { EventJobs } from "./eventJobs.service.ts";
import { EventsService } from "./events.service.ts";
import { BOOTH, IntakeService } from "./intake.service.ts";

/** What the machine enters by itself: nobody says so from outside. */
const OWN: ReadonlySet<EventEntry["do"]> = new Set(["setup", "shot", "printed", "doubt", "failed"]);

@ApiTags("Events")
@Controller("api/events")
export class EventsController {
  constructor(
    @Inject(EventJobs) private readonly jobs: EventJobs,
    @Inject(EventsService) private readonly events: EventsService,
    @Inject(HeadsService) private readonly heads: HeadsService,
    @Inject(IntakeService) private readonly intake: IntakeService,
    @Inject(SouvenirsService) private readonly souvenirs: SouvenirsService,
  ) {}

  @Get()
  @ApiOperation({ summary: "Events, the newest first" })
  list(): EventCard[] {
    return this.events.list();
  }

  @Post()
  @ApiOperation({ summary: "Begins an event with patterns of the book" })
  async start(@Body() { name, patterns }: StartEvent): Promise<EventView> {
    this.heads.getReady();
    return this.whole(this.events.start(name, patterns));
  }

  @Get(":id")
  @ApiOperation({ summary: "An event as it is" })
  async view(@Param("id") id: string): Promise<EventView> {
    return this.whole(this.events.view(id));
  }

  @Put(":id/setup")
  @HttpCode(204)
  @ApiOperation({ summary: "Changes what an event takes and does" })
  async setUp(@Param("id") id: string, @Body() { setup, pin }: SetUpEvent): Promise<void> {
    this.events.setUp(id, setup, pin);
    this.heads.getReady();
    await this.intake.watch(id);
  }

  @Post(":id/entries")
  @HttpCode(204)
  @ApiOperation({ summary: "Says what an operator or a guest at the booth did" })
  async tell(@Param("id") id: string, @Body() { entry }: TellEvent): Promise<void> {
    const read = eventEntrySchema.safeParse(entry);
    if (!read.success || OWN.has(read.data.do)) {
      const why = read.success ? "This is not for anybody to say." : read.error.issues[0]!.message;
      throw new Problem(422, "bad-entry", "Not understood", why, { field: "entry" });
    }
    this.events.tell(id, read.data);
    if (read.data.do === "end") await this.intake.watch(id);
  }

  @Post(":id/shots")
  @ApiOperation({ summary: "Takes a photo of the booth’s own page in" })
  @ApiConsumes("application/octet-stream")
  @ApiBody({ schema: { type: "string", format: "binary" } })
  async shot(
    @Param("id") id: string,
    @Query("name") name: unknown,
    @Req() request: Request,
  ): Promise<TakenIn> {
    if (!request.is("application/octet-stream"))
      throw new Problem(
        415,
        "bad-upload",
        "Upload not understood",
        "A photo is sent as the bytes of its file.",
      );
    return this.intake.take(id, BOOTH, request, plainName(name));
  }

  @Post(":id/old-photos")
  @HttpCode(204)
  @ApiOperation({ summary: "Takes in what lay in the folder before as well" })
  async old(@Param("id") id: string): Promise<void> {
    await this.intake.takeOld(id);
  }

  @Post(":id/leave")
  @HttpCode(204)
  @ApiOperation({ summary: "Leaves the guests’ page, where the PIN is right" })
  leave(@Param("id") id: string, @Body() { pin }: LeaveGuests): void {
    if (!this.events.leaves(id, pin))
      throw new Problem(403, "wrong-pin", "Not this PIN", "This is not the PIN.", { field: "pin" });
  }

  @Get(":id/sets/:set/link")
  @ApiOperation({ summary: "The end of the link by which guests take a set along" })
  link(@Param("id") id: string, @Param("set", ParseIntPipe) set: number): { link: string } {
    return { link: this.souvenirs.linkOf(id, set) };
  }

  @Get(":id/download")
  @ApiOperation({ summary: "All photos of an event and the pages of its sets, as a ZIP" })
  download(@Param("id") id: string, @Res() response: Response): void {
    const { row } = this.events.stage(id);
    sendZip(response, `${row.name}.zip`, this.souvenirs.everything(id));
  }

  @Get(":id/report")
  @ApiOperation({ summary: "What an event came to, as a PDF" })
  async report(
    @Param("id") id: string,
    @Query() { paper }: ReportQuery,
    @Res() response: Response,
  ): Promise<void> {
    const { row, state } = this.events.stage(id);
    const now = Date.now();
    const pdf = await paintReport(reportOf(row.name, state, now), paper, new Date(now));
    response.setHeader("Content-Disposition", attachment(`${row.name}.pdf`));
    response.type("application/pdf").send(pdf);
  }

  @Post(":id/test-print")
  @HttpCode(204)
  @ApiOperation({ summary: "Prints a set of made-up photos at one of the event’s printers" })
  async testPrint(@Param("id") id: string, @Body() { pattern, printer }: TestPrint): Promise<void> {
    await this.jobs.testPrint(this.events.stage(id), pattern, printer);
  }

  private async whole(view: Omit<EventView, "about">): Promise<EventView> {
    return { ...view, about: await this.intake.about(view.id) };
  }
}
