import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Put, Query } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { WatchView } from "../contract.ts";
import { WatchFolder, WatchQuery, WatchTaken } from "./watch.dto.ts";
import { WatchService } from "./watch.service.ts";

@ApiTags("Watched folders")
@Controller("api/jobs/:id/watch")
export class WatchController {
  constructor(@Inject(WatchService) private readonly watch: WatchService) {}

  @Get()
  @ApiOperation({ summary: "The folder that is watched for a job, and the photos that came into it" })
  view(@Param("id") id: string, @Query() { after }: WatchQuery): WatchView {
    return this.watch.view(id, after ?? 0);
  }

  @Put()
  @ApiOperation({ summary: "Watches a folder that a camera writes to; what is in it already stays out" })
  start(@Param("id") id: string, @Body() { folder }: WatchFolder): Promise<WatchView> {
    return this.watch.start(id, folder);
  }

  @Put("taken")
  @HttpCode(204)
  @ApiOperation({
    summary: "Says that what came up to a number is in the job, so that nobody is given it again",
  })
  taken(@Param("id") id: string, @Body() { number }: WatchTaken): void {
    this.watch.taken(id, number);
  }

  @Delete()
  @HttpCode(204)
  @ApiOperation({ summary: "Watches no folder for a job any more" })
  stop(@Param("id") id: string): Promise<void> {
    return this.watch.stop(id);
  }
}
