import { Controller, Get, Inject, Param, Post, Req, Res } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Request, Response } from "express";
import multer from "multer";
import { GRAPHIC_LIMITS } from "@wide-quilt/painters";
import type { GraphicView } from "../contract.ts";
import { Problem } from "../safety/problem.ts";
import { sentName } from "../web/sentName.ts";
import { GraphicsService } from "./graphics.service.ts";

@ApiTags("Graphics")
@Controller("api/graphics")
export class GraphicsController {
  private readonly receive = multer({
    storage: multer.memoryStorage(),
    limits: { files: 1, fileSize: GRAPHIC_LIMITS.bytes },
  }).single("graphic");

  constructor(@Inject(GraphicsService) private readonly graphics: GraphicsService) {}

  @Post()
  @ApiOperation({ summary: "Takes a graphic in: PNG, SVG (reduced to its shapes), or a photo as a graphic" })
  @ApiConsumes("multipart/form-data")
  @ApiBody({ schema: { type: "object", properties: { graphic: { type: "string", format: "binary" } } } })
  async add(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<GraphicView> {
    await new Promise<void>((resolve, reject) =>
      this.receive(request, response, (error: unknown) => (error ? reject(notTaken(error)) : resolve())),
    );
    const { file } = request;
    if (!file)
      throw new Problem(400, "bad-upload", "Upload not understood", "No file came with this request.");
    return this.graphics.keep(file.buffer, sentName(file));
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

const notTaken = (error: unknown): unknown =>
  error instanceof multer.MulterError
    ? new Problem(
        422,
        "bad-graphic",
        "Not a graphic that can be used",
        error.code === "LIMIT_FILE_SIZE"
          ? `The file is larger than ${GRAPHIC_LIMITS.bytes / 1024 ** 2} MB, the most that is read as a graphic. Save it smaller.`
          : `The upload was not understood: ${error.message}.`,
      )
    : error;
