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
import { OnVersion, PutInBin, SendEdits, StartJob } from "./jobs.dto.ts";
import { JobsService } from "./jobs.service.ts";
import type { JobSummary, JobView } from "../contract.ts";

@ApiTags("Jobs")
@Controller("api/jobs")
export class JobsController {
  constructor(@Inject(JobsService) private readonly jobs: JobsService) {}

  @Get()
  @ApiOperation({ summary: "The jobs, or those in the bin, the last changed first" })
  list(@Query("bin") bin?: string): JobSummary[] {
    return this.jobs.list(bin === "true");
  }

  @Post()
  @ApiOperation({ summary: "Starts a job of a kind" })
  start(@Body() { kind, name, locale }: StartJob): JobView {
    return this.jobs.start(kind, name, locale);
  }

  @Post("import")
  @ApiOperation({ summary: "Keeps a job from a job file (docs/job.schema.json)" })
  @ApiBody({ schema: { type: "object" } })
  import(@Body() file: Record<string, unknown>): JobView {
    return this.jobs.import(file);
  }

  @Get(":id")
  @ApiOperation({ summary: "One job, with the photos of its stash that are here" })
  view(@Param("id") id: string): JobView {
    return this.jobs.view(id);
  }

  @Get(":id/file")
  @ApiOperation({ summary: "The job as a job file" })
  file(@Param("id") id: string, @Res() response: Response): void {
    const job = this.jobs.job(id);
    response.setHeader("Content-Disposition", attachment(`${job.name}.job.json`));
    response.type("application/json").send(`${JSON.stringify(job, null, 2)}\n`);
  }

  @Post(":id/edits")
  @HttpCode(200)
  @ApiOperation({ summary: "Changes a job; 409 with the current job when it was changed elsewhere" })
  edit(@Param("id") id: string, @Body() { version, edits }: SendEdits): JobView {
    return this.jobs.edit(id, version, edits);
  }

  @Post(":id/undo")
  @HttpCode(200)
  @ApiOperation({ summary: "Takes the last step back" })
  undo(@Param("id") id: string, @Body() { version }: OnVersion): JobView {
    return this.jobs.undo(id, version);
  }

  @Post(":id/redo")
  @HttpCode(200)
  @ApiOperation({ summary: "Makes the step again that was taken back" })
  redo(@Param("id") id: string, @Body() { version }: OnVersion): JobView {
    return this.jobs.redo(id, version);
  }

  @Post(":id/duplicate")
  @ApiOperation({ summary: "A second job, the same as this one" })
  duplicate(@Param("id") id: string): JobView {
    return this.jobs.duplicate(id);
  }

  @Put(":id/bin")
  @ApiOperation({ summary: "Puts a job in the bin or takes it out again" })
  bin(@Param("id") id: string, @Body() { binned }: PutInBin): JobView {
    return this.jobs.setBinned(id, binned);
  }

  @Delete(":id")
  @HttpCode(204)
  @ApiOperation({ summary: "Deletes a job in the bin for good" })
  remove(@Param("id") id: string): void {
    this.jobs.remove(id);
  }
}
