import { Module } from "@nestjs/common";
import { LiveModule } from "../live/live.module.ts";
import { PhotosModule } from "../photos/photos.module.ts";
import { HeadsController } from "./heads.controller.ts";
import { HeadsService } from "./heads.service.ts";

/** Heads in photos: looked for once a photo is here, corrected by hand. */
@Module({
  imports: [PhotosModule, LiveModule],
  controllers: [HeadsController],
  providers: [HeadsService],
  exports: [HeadsService],
})
export class HeadsModule {}
