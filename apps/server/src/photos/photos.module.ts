import { Module } from "@nestjs/common";
import { PhotosController } from "./photos.controller.ts";
import { PhotosService } from "./photos.service.ts";
import { BackdropsService } from "./backdrops.service.ts";
import { Reading } from "./reading.ts";

/** Photos: taken in and read in processes of their own, previews, backdrops. */
@Module({
  controllers: [PhotosController],
  providers: [PhotosService, BackdropsService, Reading],
  exports: [BackdropsService, PhotosService, Reading],
})
export class PhotosModule {}
