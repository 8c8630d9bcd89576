import { Body, Controller, Get, HttpCode, Inject, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { KeptView } from "../contract.ts";
import { ClearKept } from "./kept.dto.ts";
import { KeptService } from "./kept.service.ts";

@ApiTags("What is kept")
@Controller("api/kept")
export class KeptController {
  constructor(@Inject(KeptService) private readonly kept: KeptService) {}

  @Get()
  @ApiOperation({ summary: "What is kept in the data folder, and how much room it takes" })
  view(): Promise<KeptView> {
    return this.kept.view();
  }

  @Post("clear")
  @HttpCode(200)
  @ApiOperation({ summary: "Clears what no job, step, pattern or run uses; answers with what is left" })
  async clear(@Body() { what }: ClearKept): Promise<KeptView> {
    await this.kept.clear(what);
    return this.kept.view();
  }
}
