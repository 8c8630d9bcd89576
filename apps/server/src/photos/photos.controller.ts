import { Body, Controller, Get, Inject, Param, Post, Req, Res } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Request, Response } from "express";
import multer from "multer";
import { BadPhoto, PREVIEW_SIZES } from "@wide-quilt/painters";
import type { MadeBackdrop, TakenIn } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { Problem } from "../safety/problem.ts";
import type { BackdropFill } from "@wide-quilt/core";
import { MakeBackdrop } from "./backdrops.dto.ts";
import { BackdropsService } from "./backdrops.service.ts";
import { ArrivalStorage, type ArrivedFile } from "./arrival.ts";
import { sentName } from "../web/sentName.ts";
import { PhotosService } from "./photos.service.ts";

/** Files in one request. */
const MOST_FILES = 1000;

@ApiTags("Photos")
@Controller("api/photos")
export class PhotosController {
  private readonly receive;

  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(BackdropsService) private readonly backdrops: BackdropsService,
    @Inject(DataFolder) folder: DataFolder,
  ) {
    const storage = new ArrivalStorage(folder.arriving, (arrival) => photos.takeIn(arrival));
    this.receive = multer({ storage, limits: { files: MOST_FILES } }).array("photos");
  }

  @Post()
  @ApiOperation({ summary: "Takes photos in, many at once; each is kept or refused on its own" })
  @ApiConsumes("multipart/form-data")
  @ApiBody({
    schema: {
      type: "object",
      properties: { photos: { type: "array", items: { type: "string", format: "binary" } } },
    },
  })
  async add(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<TakenIn> {
    await new Promise<void>((resolve, reject) =>
      this.receive(request, response, (error: unknown) => (error ? reject(notTaken(error)) : resolve())),
    );
    const taken: TakenIn = { photos: [], refused: [] };
    for (const file of (request.files ?? []) as ArrivedFile<string>[]) {
      const name = sentName(file);
      try {
        const id = await file.outcome;
        taken.photos.push({ id, name, ...this.photos.record(id)! });
      } catch (error) {
        if (!(error instanceof BadPhoto)) throw error;
        taken.refused.push({ name, why: error.message });
      }
    }
    return taken;
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

const notTaken = (error: unknown): unknown =>
  error instanceof multer.MulterError
    ? new Problem(
        400,
        "bad-upload",
        "Upload not understood",
        error.code === "LIMIT_FILE_COUNT"
          ? `At most ${MOST_FILES} photos can come in one request. Send the others after these.`
          : `The upload was not understood: ${error.message}. Nothing saved before is lost.`,
      )
    : error instanceof Error && /unexpected end|aborted|malformed/i.test(error.message)
      ? new Problem(
          400,
          "upload-cut-off",
          "Upload cut off",
          "The upload was cut off. Drop the photos in again.",
        )
      : error;
