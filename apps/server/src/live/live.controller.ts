import { Controller, Get, Inject, Query, Res } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import { JobsService } from "../jobs/jobs.service.ts";
import { FollowQuery } from "./live.dto.ts";
import { LiveService } from "./live.service.ts";

@ApiTags("Live")
@Controller("api/follow")
export class LiveController {
  constructor(
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(JobsService) private readonly jobs: JobsService,
  ) {}

  @Get()
  @ApiOperation({
    summary:
      "Pushes what happens to a job (“change”, “gone”), to runs (“run”) and what is found in photos (“heads”) as server-sent events",
  })
  follow(@Query() { client, job, from, event, runs }: FollowQuery, @Res() response: Response): void {
    this.live.follow({ client, job: job ?? null, event: event ?? null, runs: runs === "true" }, response);
    // What happened since the window asked for the job would otherwise be heard with the next change only.
    if (job !== undefined && from !== undefined) this.jobs.tellSince(job, client, from);
  }
}
