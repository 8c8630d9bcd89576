import { Body, Controller, Get, Inject, Param, Post, Put } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { readHeads, type Seen } from "@wide-quilt/core";
import type { HeadSearch, MadeBackdrop } from "../contract.ts";
import { Problem } from "../safety/problem.ts";
import { PauseHeads, SetHeads } from "./heads.dto.ts";
import { HeadsService } from "./heads.service.ts";

@ApiTags("Photos")
@Controller("api")
export class HeadsController {
  constructor(@Inject(HeadsService) private readonly heads: HeadsService) {}

  @Get("heads")
  @ApiOperation({ summary: "How the search for heads in photos stands" })
  state(): HeadSearch {
    return this.heads.state();
  }

  @Put("heads")
  @ApiOperation({ summary: "Pauses the search for heads, or lets it go on" })
  pause(@Body() { paused }: PauseHeads): HeadSearch {
    return this.heads.pause(paused);
  }

  @Post("photos/:id/mask")
  @ApiOperation({ summary: "Tells the person of a photo from its background; the mask is kept as a photo" })
  async mask(@Param("id") id: string): Promise<MadeBackdrop> {
    return { id: await this.heads.mask(id) };
  }

  @Put("photos/:id/heads")
  @ApiOperation({ summary: "Says where the heads are in a photo, whatever was found" })
  set(@Param("id") id: string, @Body() { heads }: SetHeads): Seen {
    const reading = readHeads(heads);
    if (!reading.ok) {
      const { field, why } = reading.faults[0]!;
      throw new Problem(422, "no-heads", "Not kept", `${why} The heads are as they were.`, { field });
    }
    return this.heads.set(id, reading.heads);
  }

  @Post("photos/:id/heads")
  @ApiOperation({ summary: "Looks for the heads in a photo anew, whatever was found or set before" })
  find(@Param("id") id: string): Promise<Seen> {
    return this.heads.findAnew(id);
  }
}
