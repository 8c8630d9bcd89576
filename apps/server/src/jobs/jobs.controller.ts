import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  Post,
  Put,
  Query,
  Res,
} from "@nestjs/common";
import { ApiBody, ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import { attachment } from "../web/attachment.ts";
import { AskJob, PutInBin, SendEdits, StartJob, WalkSteps } from "./jobs.dto.ts";
import { CardsService } from "./cards.service.ts";
import { JobsService } from "./jobs.service.ts";
import type { JobChange, JobSummary, JobView } from "../contract.ts";

@ApiTags("Jobs")
@Controller("api/jobs")
export class JobsController {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(CardsService) private readonly cards: CardsService,
  ) {}

  @Get()
  @ApiOperation({ summary: "The jobs, or those in the bin, the last changed first" })
  list(@Query("bin") bin?: string): JobSummary[] {
    return this.jobs.list(bin === "true");
  }

  @Post()
  @ApiOperation({ summary: "Starts a job of a kind" })
  start(@Body() { kind, name, locale, unit }: StartJob): JobView {
    return this.jobs.start(kind, name, locale, unit);
  }

  @Post("import")
  @ApiOperation({ summary: "Keeps a job from a job file (docs/job.schema.json)" })
  @ApiBody({ schema: { type: "object" } })
  import(@Body() file: Record<string, unknown>): JobView {
    return this.jobs.import(file);
  }

  @Get(":id")
  @ApiOperation({ summary: "One job, with the photos of its stash that are here" })
  view(@Param("id") id: string, @Query() { client }: AskJob): JobView {
    return this.jobs.view(id, client);
  }

  @Get(":id/card")
  @ApiOperation({ summary: "The job’s first sheet, and the sums that its card shows" })
  async card(@Param("id") id: string, @Res() response: Response): Promise<void> {
    response.type("application/json").send(await this.cards.of(id));
  }

  @Get(":id/file")
  @ApiOperation({ summary: "The job as a job file" })
  file(@Param("id") id: string, @Res() response: Response): void {
    const job = this.jobs.toTakeAlong(id);
    response.setHeader("Content-Disposition", attachment(`${job.name}.job.json`));
    response.type("application/json").send(`${JSON.stringify(job, null, 2)}\n`);
  }

  @Post(":id/edits")
  @HttpCode(200)
  @ApiOperation({
    summary: "Changes a job as it is now; answers with what became of it since the caller’s version",
  })
  edit(@Param("id") id: string, @Body() sent: SendEdits): Promise<JobChange> {
    return this.jobs.edit(id, sent);
  }

  @Post(":id/undo")
  @HttpCode(200)
  @ApiOperation({ summary: "Takes the caller’s last step back" })
  undo(@Param("id") id: string, @Body() walk: WalkSteps): Promise<JobChange> {
    return this.jobs.undo(id, walk);
  }

  @Post(":id/redo")
  @HttpCode(200)
  @ApiOperation({ summary: "Makes the step again that the caller took back" })
  redo(@Param("id") id: string, @Body() walk: WalkSteps): Promise<JobChange> {
    return this.jobs.redo(id, walk);
  }

  @Post(":id/duplicate")
  @ApiOperation({ summary: "A second job, the same as this one" })
  duplicate(@Param("id") id: string): JobView {
    return this.jobs.duplicate(id);
  }

  @Put(":id/bin")
  @HttpCode(204)
  @ApiOperation({ summary: "Puts a job in the bin or takes it out again" })
  bin(@Param("id") id: string, @Body() { binned }: PutInBin): void {
    this.jobs.setBinned(id, binned);
  }

  @Delete(":id")
  @HttpCode(204)
  @ApiOperation({ summary: "Deletes a job in the bin for good" })
  remove(@Param("id") id: string): void {
    this.jobs.remove(id);
  }
}
