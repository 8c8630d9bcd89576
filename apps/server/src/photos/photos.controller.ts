import { Body, Controller, Get, Inject, Param, Post, Query, Req, Res } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiQuery, ApiTags } from "@nestjs/swagger";
import type { Request, Response } from "express";
import { PREVIEW_SIZES } from "@wide-quilt/painters";
import type { MadeBackdrop, TakenIn } from "../contract.ts";
import { Problem } from "../safety/problem.ts";
import type { BackdropFill } from "@wide-quilt/core";
import { MakeBackdrop } from "./backdrops.dto.ts";
import { BackdropsService } from "./backdrops.service.ts";
import { plainName } from "../web/sentName.ts";
import { PhotosService } from "./photos.service.ts";

@ApiTags("Photos")
@Controller("api/photos")
export class PhotosController {
  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(BackdropsService) private readonly backdrops: BackdropsService,
  ) {}

  @Post()
  @ApiOperation({
    summary: "Takes a photo in, whatever its name says it is; it is kept, or refused with a sentence",
  })
  @ApiConsumes("application/octet-stream")
  @ApiQuery({ name: "name", description: "The name of its file" })
  @ApiBody({ schema: { type: "string", format: "binary" } })
  async add(@Query("name") given: unknown, @Req() request: Request): Promise<TakenIn> {
    if (!request.is("application/octet-stream")) {
      throw new Problem(
        415,
        "bad-upload",
        "Upload not understood",
        "A photo is sent as the bytes of its file, of the kind application/octet-stream.",
      );
    }
    return this.photos.receive(request, plainName(given)).catch(cutOff);
  }

  @Post(":id/backdrop")
  @ApiOperation({
    summary: "Makes a photo with something else behind the person; the photo itself stays as it is",
  })
  async backdrop(
    @Param("id") id: string,
    @Body() { mask, kind, colour, top, bottom }: MakeBackdrop,
  ): Promise<MadeBackdrop> {
    const fill: BackdropFill =
      kind === "flat" ? { kind, colour: colour! } : { kind, top: top!, bottom: bottom! };
    return { id: await this.backdrops.make(id, mask, fill) };
  }

  @Get(":id/preview/:size")
  @ApiOperation({
    summary: "A preview, upright sRGB JPEG; size is its longest side in pixels: 320, 800 or 1600",
  })
  async preview(
    @Param("id") id: string,
    @Param("size") size: string,
    @Res() response: Response,
  ): Promise<void> {
    const known = PREVIEW_SIZES.find((candidate) => String(candidate) === size);
    const path = known && /^[0-9a-f]{64}$/.test(id) ? await this.photos.preview(id, known) : null;
    if (path === null) throw Problem.notFound("photo", "This photo is not here. Drop its file in again.");
    // A photo's id is the hash of its bytes, so its preview never changes.
    const headers = { "Content-Type": "image/jpeg", "Cache-Control": "private, max-age=31536000, immutable" };
    response.sendFile(path, { headers, dotfiles: "allow" });
  }
}

/** An upload that ended before its end, which is nobody’s fault here. */
function cutOff(error: unknown): never {
  const code = (error as NodeJS.ErrnoException).code ?? "";
  if (!["ECONNRESET", "ERR_STREAM_PREMATURE_CLOSE", "ABORT_ERR"].includes(code)) throw error;
  throw new Problem(
    400,
    "upload-cut-off",
    "Upload cut off",
    "The upload was cut off. Drop the photos in again.",
  );
}
