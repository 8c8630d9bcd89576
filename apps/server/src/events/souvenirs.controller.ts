import { Controller, Get, Inject, Param, ParseIntPipe, Res } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import type { TakenSet } from "../contract.ts";
import { attachment } from "../web/attachment.ts";
import { SouvenirsService } from "./souvenirs.service.ts";

/** What the link of a single set gives: nothing of any other. */
@ApiTags("Guests")
@Controller("api/taken/:link")
export class SouvenirsController {
  constructor(@Inject(SouvenirsService) private readonly souvenirs: SouvenirsService) {}

  @Get()
  @ApiOperation({ summary: "A set, to be taken along" })
  view(@Param("link") link: string): TakenSet {
    return this.souvenirs.view(link);
  }

  @Get("page")
  @ApiOperation({ summary: "Its page as it was printed, a JPEG" })
  async page(@Param("link") link: string, @Res() response: Response): Promise<void> {
    send(response, "jpeg", `set-${this.souvenirs.view(link).set}.jpg`, await this.souvenirs.page(link));
  }

  @Get("moving")
  @ApiOperation({ summary: "Its shots one after the other, a GIF" })
  async moving(@Param("link") link: string, @Res() response: Response): Promise<void> {
    send(response, "gif", `set-${this.souvenirs.view(link).set}.gif`, await this.souvenirs.moving(link));
  }

  @Get("shots/:place")
  @ApiOperation({ summary: "One of its shots, as it was taken" })
  shot(
    @Param("link") link: string,
    @Param("place", ParseIntPipe) place: number,
    @Res() response: Response,
  ): void {
    const { path, type, name } = this.souvenirs.shot(link, place);
    response.setHeader("Content-Disposition", attachment(name, "inline"));
    response.sendFile(path, { headers: { "Content-Type": type }, dotfiles: "allow" });
  }
}

function send(response: Response, kind: "jpeg" | "gif", name: string, picture: Uint8Array): void {
  response.setHeader("Content-Type", `image/${kind}`);
  response.setHeader("Content-Disposition", attachment(name, "inline"));
  response.send(Buffer.from(picture));
}
