import { stat } from "node:fs/promises";
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseIntPipe,
  Post,
  Query,
  Res,
} from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import { Problem } from "../safety/problem.ts";
import { attachment } from "../web/attachment.ts";
import { sendZip } from "../web/zip.ts";
import { AnswerDoubt, AskArtwork, AskProof, AskRun, AskSizes } from "./press.dto.ts";
import type { JpegSizes, Proof, Run, RunList } from "../contract.ts";
import { DigitalService } from "./digital.service.ts";
import { ProofsService } from "./proofs.service.ts";
import { RunsService } from "./runs.service.ts";

@ApiTags("Press")
@Controller("api")
export class PressController {
  constructor(
    @Inject(ProofsService) private readonly proofs: ProofsService,
    @Inject(RunsService) private readonly runs: RunsService,
    @Inject(DigitalService) private readonly digitals: DigitalService,
  ) {}

  @Post("jobs/:id/proofs")
  @HttpCode(200)
  @ApiOperation({ summary: "Paints one sheet for looking at: true pixels, true file size" })
  askProof(@Param("id") job: string, @Body() ask: AskProof): Promise<Proof> {
    return this.proofs.ask(job, ask);
  }

  @Post("jobs/:id/sizes")
  @HttpCode(200)
  @ApiOperation({ summary: "How many bytes a sheet has as a JPEG, by quality" })
  sizes(@Param("id") job: string, @Body() { sheet }: AskSizes): Promise<JpegSizes> {
    return this.proofs.sizes(job, sheet);
  }

  @Get("proofs/:id")
  @ApiOperation({ summary: "How far a proof is" })
  proof(@Param("id") id: string): Proof {
    return this.proofs.proof(id);
  }

  @Get("proofs/:id/picture")
  @ApiOperation({ summary: "The painted sheet as a picture" })
  picture(@Param("id") id: string, @Res() response: Response): void {
    response.sendFile(this.proofs.picture(id), { dotfiles: "allow" });
  }

  @Delete("proofs/:id")
  @HttpCode(204)
  @ApiOperation({ summary: "Cancels a proof" })
  cancelProof(@Param("id") id: string): void {
    this.proofs.cancel(id);
  }

  @Post("jobs/:id/runs")
  @ApiOperation({ summary: "Writes all sheets of a job to the folder of written files" })
  startRun(@Param("id") job: string, @Body() ask: AskRun): Promise<Run> {
    return this.runs.start(job, ask);
  }

  @Get("jobs/:id/people/:shot/file")
  @ApiOperation({
    summary: "A portrait as the file that an office takes: the pixels and bytes its rule says",
  })
  async digital(
    @Param("id") job: string,
    @Param("shot", ParseIntPipe) shot: number,
    @Res() response: Response,
  ): Promise<void> {
    const { name, jpeg } = await this.digitals.make(job, shot);
    response.setHeader("Content-Disposition", attachment(name));
    response.type("image/jpeg").send(Buffer.from(jpeg));
  }

  @Get("jobs/:id/artwork")
  @ApiOperation({ summary: "What lies in front of the photos of a page, as a PNG with transparency" })
  async artwork(
    @Param("id") job: string,
    @Query() { sheet }: AskArtwork,
    @Res() response: Response,
  ): Promise<void> {
    const { name, png } = await this.digitals.artwork(job, sheet);
    response.setHeader("Content-Disposition", attachment(name));
    response.type("image/png").send(Buffer.from(png));
  }

  @Get("runs")
  @ApiOperation({ summary: "What was written, the newest first, of one job or of all" })
  list(@Query("job") job?: string): RunList {
    return { folder: this.runs.outFolder, runs: this.runs.list(job) };
  }

  @Get("runs/:id")
  @ApiOperation({ summary: "One run and how far it is" })
  run(@Param("id") id: string): Run {
    return this.runs.run(id);
  }

  @Delete("runs/:id")
  @HttpCode(204)
  @ApiOperation({ summary: "Cancels a run that is under way" })
  cancelRun(@Param("id") id: string): Promise<void> {
    return this.runs.cancel(id);
  }

  @Post("runs/:id/again")
  @ApiOperation({ summary: "The same once more, exactly as before: files of the same bytes" })
  again(@Param("id") id: string): Promise<Run> {
    return this.runs.again(id);
  }

  @Post("runs/:id/pause")
  @HttpCode(204)
  @ApiOperation({ summary: "Holds a run; what is painted of it is kept" })
  pause(@Param("id") id: string): Promise<void> {
    return this.runs.pause(id);
  }

  @Post("runs/:id/resume")
  @HttpCode(204)
  @ApiOperation({ summary: "Puts a run that was held, cancelled or that failed back into the queue" })
  resume(@Param("id") id: string): Promise<void> {
    return this.runs.goOn(id);
  }

  @Post("runs/:id/answer")
  @HttpCode(204)
  @ApiOperation({ summary: "Says whether the printed sheet that is in doubt came out" })
  answer(@Param("id") id: string, @Body() { cameOut }: AnswerDoubt): void {
    this.runs.answer(id, cameOut);
  }

  @Get("runs/:id/download")
  @ApiOperation({ summary: "The run's file, or all its files in a ZIP" })
  async download(@Param("id") id: string, @Res() response: Response): Promise<void> {
    const files = this.runs.files(id);
    await expectThere(files, this.runs.outFolder);
    const [only] = files;
    if (only && files.length === 1) {
      response.setHeader("Content-Disposition", attachment(only.name));
      response.sendFile(only.path, { dotfiles: "allow" });
      return;
    }
    sendZip(response, `${this.runs.run(id).jobName}.zip`, files);
  }
}

/** Throws a Problem that names the first file which was moved or taken away. */
async function expectThere(files: readonly { name: string; path: string }[], folder: string): Promise<void> {
  for (const { name, path } of files) {
    if (
      await stat(path).then(
        (found) => found.isFile(),
        () => false,
      )
    )
      continue;
    throw new Problem(
      410,
      "file-gone",
      "A file is gone",
      `“${name}” is not in ${folder} any more: it was moved or deleted. “Again exactly as before” makes it anew.`,
    );
  }
}
