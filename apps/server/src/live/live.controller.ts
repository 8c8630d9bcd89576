import { Controller, Get, Inject, Query, Res } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import { FollowQuery } from "./live.dto.ts";
import { LiveService } from "./live.service.ts";

@ApiTags("Live")
@Controller("api/follow")
export class LiveController {
  constructor(@Inject(LiveService) private readonly live: LiveService) {}

  @Get()
  @ApiOperation({
    summary: "Pushes what happens to a job (“change”, “gone”) and to runs (“run”) as server-sent events",
  })
  follow(@Query() { client, job, runs }: FollowQuery, @Res() response: Response): void {
    this.live.follow({ client, job: job ?? null, runs: runs === "true" }, response);
  }
}
