import { Body, Controller, Get, Inject, Param, Post, Query, Req, Res } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Request, Response } from "express";
import { GRAPHIC_LIMITS } from "@wide-quilt/painters";
import type { ArtView, GraphicView } from "../contract.ts";
import { sentName } from "../web/sentName.ts";
import { oneFile } from "../web/upload.ts";
import { FindWindows, WidenGraphic } from "./graphics.dto.ts";
import { GraphicsService } from "./graphics.service.ts";

@ApiTags("Graphics")
@Controller("api/graphics")
export class GraphicsController {
  private readonly receive = oneFile("graphic", GRAPHIC_LIMITS.bytes, "graphic");

  constructor(@Inject(GraphicsService) private readonly graphics: GraphicsService) {}

  @Post()
  @ApiOperation({ summary: "Takes a graphic in: PNG, SVG (reduced to its shapes), or a photo as a graphic" })
  @ApiConsumes("multipart/form-data")
  @ApiBody({ schema: { type: "object", properties: { graphic: { type: "string", format: "binary" } } } })
  async add(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<GraphicView> {
    const file = await this.receive(request, response);
    return this.graphics.keep(file.buffer, sentName(file));
  }

  @Get(":id/windows")
  @ApiOperation({ summary: "The transparent windows of a graphic, in reading order, in pixels of it" })
  windows(@Param("id") id: string, @Query() { threshold, least }: FindWindows): Promise<ArtView> {
    return this.graphics.windows(id, {
      ...(threshold !== undefined && { threshold }),
      ...(least !== undefined && { least }),
    });
  }

  @Post(":id/widened")
  @ApiOperation({ summary: "Keeps a graphic that is larger at its sides by the pixels at its edges" })
  widen(@Param("id") id: string, @Body() { name, ...more }: WidenGraphic): Promise<GraphicView> {
    return this.graphics.widen(id, name, more);
  }

  @Get(":id")
  @ApiOperation({ summary: "A graphic as it is kept, PNG or SVG" })
  async file(@Param("id") id: string, @Res() response: Response): Promise<void> {
    const { type, data } = await this.graphics.file(id);
    response.setHeader("Cache-Control", "private, max-age=31536000, immutable");
    // Even opened by itself it is a picture and nothing more.
    response.setHeader("Content-Security-Policy", "default-src 'none'; img-src data:; sandbox");
    response.type(type).send(data);
  }
}
