import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put, Res } from "@nestjs/common";
import { ApiBody, ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import type { JobView, PatternView } from "../contract.ts";
import { attachment } from "../web/attachment.ts";
import { ChangePattern, KeepPattern } from "./patterns.dto.ts";
import { PatternsService } from "./patterns.service.ts";

@ApiTags("Patterns")
@Controller("api/patterns")
export class PatternsController {
  constructor(@Inject(PatternsService) private readonly patterns: PatternsService) {}

  @Get()
  @ApiOperation({ summary: "The pattern book, by folder and name" })
  list(): PatternView[] {
    return this.patterns.list();
  }

  @Post()
  @ApiOperation({ summary: "Keeps a job's layout, without its photos" })
  keep(@Body() { job, name, folder }: KeepPattern): PatternView {
    return this.patterns.keepJob(job, name, folder);
  }

  @Post("import")
  @ApiOperation({ summary: "Keeps a pattern from a pattern file" })
  @ApiBody({ schema: { type: "object" } })
  import(@Body() file: Record<string, unknown>): PatternView {
    return this.patterns.import(file);
  }

  @Get(":id/file")
  @ApiOperation({ summary: "The pattern as a pattern file" })
  file(@Param("id") id: string, @Res() response: Response): void {
    const file = this.patterns.file(id);
    response.setHeader("Content-Disposition", attachment(`${file.name}.pattern.json`));
    response.type("application/json").send(`${JSON.stringify(file, null, 2)}\n`);
  }

  @Put(":id")
  @ApiOperation({ summary: "Gives a pattern another name or folder" })
  change(@Param("id") id: string, @Body() change: ChangePattern): PatternView {
    return this.patterns.change(id, change);
  }

  @Put("of/:job")
  @ApiOperation({
    summary: "The layout of a job goes back into the pattern, or the target, that it was started from",
  })
  keepInto(@Param("job") job: string): PatternView {
    return this.patterns.keepInto(job);
  }

  @Post(":id/targets")
  @ApiOperation({ summary: "Makes a pattern for one more printer" })
  @ApiBody({ schema: { type: "object" } })
  addTarget(@Param("id") id: string, @Body() madeFor: Record<string, unknown>): PatternView {
    return this.patterns.addTarget(id, madeFor);
  }

  @Put(":id/targets/:target")
  @ApiOperation({ summary: "Makes a target otherwise; what was set by hand for it stays" })
  @ApiBody({ schema: { type: "object" } })
  changeTarget(
    @Param("id") id: string,
    @Param("target") target: string,
    @Body() madeFor: Record<string, unknown>,
  ): PatternView {
    return this.patterns.changeTarget(id, target, madeFor);
  }

  @Delete(":id/targets/:target/corrections")
  @ApiOperation({ summary: "Forgets what was set by hand for a target" })
  uncorrect(@Param("id") id: string, @Param("target") target: string): PatternView {
    return this.patterns.uncorrect(id, target);
  }

  @Delete(":id/targets/:target")
  @ApiOperation({ summary: "Takes a target out" })
  removeTarget(@Param("id") id: string, @Param("target") target: string): PatternView {
    return this.patterns.removeTarget(id, target);
  }

  @Post(":id/start")
  @ApiOperation({ summary: "Starts a job from a pattern, or from a target of one" })
  start(@Param("id") id: string): JobView {
    return this.patterns.start(id);
  }

  @Delete(":id")
  @HttpCode(204)
  @ApiOperation({ summary: "Takes a pattern out of the book" })
  remove(@Param("id") id: string): void {
    this.patterns.remove(id);
  }
}
